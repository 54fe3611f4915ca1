#!/usr/bin/env bash
# Core and device tests under the sanitizers, then the patch reader under the fuzzer for a minute.
# Needs clang and libclang-rt-14-dev for the last part.
set -euo pipefail
cd "$(dirname "$0")/.."
for preset in asan tsan; do
    cmake --preset "$preset" >/dev/null
    cmake --build "build-$preset"
    ctest --test-dir "build-$preset" --output-on-failure --no-tests=error
done
cmake --preset fuzz >/dev/null
cmake --build build-fuzz
mkdir -p build-fuzz/corpus
build-fuzz/fuzz/fuzz_patch -max_total_time="${1:-60}" -max_len=20000 build-fuzz/corpus data/demo
