#!/usr/bin/env bash
# Gives every reader so many random inputs (10⁶ without an argument), the readers of files fewer. Needs clang and
# libclang-rt-14-dev.
set -euo pipefail
cd "$(dirname "$0")/.."
runs="${1:-1000000}"
cmake --preset fuzz >/dev/null
cmake --build build-fuzz
# fuzz <target> <longest input> <runs> <seeds…>: what it finds new stays in build-fuzz
fuzz() {
    mkdir -p "build-fuzz/corpus/$1"
    "build-fuzz/fuzz/fuzz_$1" -runs="$3" -max_len="$2" "build-fuzz/corpus/$1" "${@:4}"
}
fuzz patch 20000 "$runs" data/demo
fuzz module 20000 "$runs" data/modules data/cases
fuzz midi 4000 "$runs" fuzz/corpus/midi
fuzz scala 4000 "$runs" data/tunings
fuzz sentences 400 "$((runs / 20))" fuzz/corpus/sentences
fuzz wav 4000 "$((runs / 20))" fuzz/corpus/wav
fuzz steps 400 "$runs" fuzz/corpus/steps
fuzz scenes 1000 "$((runs / 20))" fuzz/corpus/scenes
