#!/usr/bin/env bash
# Every source file stands as clang-format puts it.
set -euo pipefail
cd "$(dirname "$0")/.."
scripts/install.sh clang-format
git ls-files '*.cpp' '*.h' | xargs clang-format --dry-run -Werror
