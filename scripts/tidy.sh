#!/usr/bin/env bash
# clang-tidy on what is ours. Usage: scripts/tidy.sh           everything, which takes half an hour
#                                     scripts/tidy.sh REV       files that differ from that revision
#                                     scripts/tidy.sh REV N     of them N at most, those that changed most
set -euo pipefail
cd "$(dirname "$0")/.."
scripts/install.sh clang-tidy
# File by file, and without the headers that another compiler has compiled.
cmake -S . -B build/tidy -G Ninja -DCMAKE_BUILD_TYPE=Release -DCMAKE_EXPORT_COMPILE_COMMANDS=ON \
    -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON -DLARIAT_UNITY=OFF -DLARIAT_TESTS=OFF -DLARIAT_BENCH=OFF >/dev/null
ours=('core/*.cpp' 'devices/*.cpp' 'cli/*.cpp' 'app/*.cpp')
if [ "$#" -eq 0 ]; then
    git ls-files "${ours[@]}"
else
    git diff --numstat --no-renames --diff-filter=AM "$1" -- "${ours[@]}" | sort -rn | cut -f3 | head -n "${2:-100000}"
fi | xargs -r -P "$(nproc)" -n 1 clang-tidy -p build/tidy --quiet
