#!/usr/bin/env bash
# Installs the Debian packages that are missing, then configures and builds in build/.
# Usage: scripts/setup.sh [target…]   (all targets without one)
set -euo pipefail
cd "$(dirname "$0")/.."

mapfile -t wanted < <(grep -v '^#' scripts/packages.txt)
scripts/install.sh "${wanted[@]}"

cmake --preset release >/dev/null
cmake --build build --target "${@:-all}"
