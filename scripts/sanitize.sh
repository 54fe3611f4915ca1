#!/usr/bin/env bash
# Nearly all tests, the window's too, under the address and undefined-behaviour sanitizers; engine and devices under the thread
# sanitizer. Run scripts/setup.sh first.
set -euo pipefail
cd "$(dirname "$0")/.."
cmake --preset asan >/dev/null
cmake --build build-asan
# What only computes for long, or builds every shipped patch by hand, is left to the plain build; every block, module and
# page is run by other tests as well.
ctest --test-dir build-asan -j"$(nproc)" --output-on-failure --no-tests=error -E 'builds_test|million_test|time_blocks_test|building_window_test|app/window_test'
cmake --preset tsan >/dev/null
cmake --build build-tsan --target engine_test live_test ear_guard_test audio_device_test
export TSAN_OPTIONS="suppressions=$PWD/tests/tsan.supp"
ctest --test-dir build-tsan --output-on-failure --no-tests=error -R 'engine_test|live_test|ear_guard_test|audio_device_test'
