#!/usr/bin/env bash
# Nearly all tests, the window's too, under the address and undefined-behaviour sanitizers of clang, and so many seconds
# of random input for every reader; what runs in several threads under the thread sanitizer. Run scripts/setup.sh first.
# Usage: scripts/sanitize.sh [seconds a reader]   (60 without it)
set -euo pipefail
cd "$(dirname "$0")/.."
scripts/install.sh clang libclang-rt-14-dev lld
cmake --preset asan >/dev/null
cmake --build build-asan
ctest --test-dir build-asan -j"$(nproc)" --output-on-failure --no-tests=error
scripts/fuzz.sh --seconds "${1:-60}"
cmake --preset tsan >/dev/null
cmake --build build-tsan --target engine_test live_test audio_device_test threads_test jobs_test
export TSAN_OPTIONS="suppressions=$PWD/tests/tsan.supp"
ctest --test-dir build-tsan --output-on-failure --no-tests=error -R 'engine_test|live_test|audio_device_test|threads_test|jobs_test'
