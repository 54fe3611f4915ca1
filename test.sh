#!/usr/bin/env bash
# Sets Lariat up, builds it and runs all tests. Arguments are passed on to ctest.
set -euo pipefail
cd "$(dirname "$0")"
scripts/setup.sh
export QT_QPA_PLATFORM=offscreen
ctest --test-dir build -j"$(nproc)" --output-on-failure --no-tests=error "$@"
