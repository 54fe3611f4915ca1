#!/usr/bin/env bash
# Gives the patch reader so many random inputs (10⁶ without an argument). Needs clang and libclang-rt-14-dev.
set -euo pipefail
cd "$(dirname "$0")/.."
cmake --preset fuzz >/dev/null
cmake --build build-fuzz
mkdir -p build-fuzz/corpus
build-fuzz/fuzz/fuzz_patch -runs="${1:-1000000}" -max_len=20000 build-fuzz/corpus data/demo
