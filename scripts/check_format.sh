#!/usr/bin/env bash
# Every source file stands as clang-format puts it. Installs the tool if it is missing.
set -euo pipefail
cd "$(dirname "$0")/.."
if ! command -v clang-format >/dev/null; then
    as_root=()
    [ "$(id -u)" -eq 0 ] || as_root=(sudo)
    "${as_root[@]}" apt-get update -qq
    DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq --no-install-recommends clang-format
fi
git ls-files '*.cpp' '*.h' | xargs clang-format --dry-run -Werror
