#!/usr/bin/env bash
# Gives every reader random inputs under the sanitizers, in the build that scripts/sanitize.sh makes (preset "asan").
# Usage: scripts/fuzz.sh [runs]           so many inputs, 10⁶ without it; the slow readers a twentieth
#        scripts/fuzz.sh --seconds N      so long for each, as many at a time as there are processors
set -euo pipefail
cd "$(dirname "$0")/.."
scripts/install.sh clang libclang-rt-14-dev
runs="${1:-1000000}"
seconds=0
if [ "$runs" = --seconds ]; then
    seconds="$2"
    runs=-1
fi
cmake --preset asan >/dev/null
cmake --build build-asan --target fuzz_all

# fuzz <target> <longest input> <runs> <seeds…>: what it finds new stays in build-asan, what breaks it too
fuzz() {
    mkdir -p "build-asan/corpus/$1"
    if ! "build-asan/fuzz/fuzz_$1" -runs="$3" -max_total_time="$seconds" -max_len="$2" -print_final_stats=1 \
        -artifact_prefix="build-asan/corpus/broke-$1-" "build-asan/corpus/$1" "${@:4}" >"build-asan/corpus/$1.log" 2>&1
    then
        tail -60 "build-asan/corpus/$1.log" >&2
        return 1
    fi
    echo "$1: $(grep -o 'number_of_executed_units: .*' "build-asan/corpus/$1.log")"
}
few=$runs
[ "$runs" -lt 0 ] || few=$((runs / 20))
waiting=()
start() {
    fuzz "$@" &
    waiting+=($!)
    if [ "${#waiting[@]}" -ge "$(nproc)" ]; then
        wait "${waiting[0]}"
        waiting=("${waiting[@]:1}")
    fi
}
start patch 20000 "$runs" data/demo
start module 20000 "$runs" data/modules data/cases
start recipe 20000 "$few" data/recipes data
start midi 4000 "$runs" fuzz/corpus/midi
start scala 4000 "$runs" data/tunings
start sentences 400 "$few" fuzz/corpus/sentences
start wav 4000 "$few" fuzz/corpus/wav
start words 3000 "$few" fuzz/corpus/words
start notes 3000 "$few" fuzz/corpus/notes
start steps 400 "$runs" fuzz/corpus/steps
start scenes 1000 "$few" fuzz/corpus/scenes
for job in "${waiting[@]}"; do wait "$job"; done
