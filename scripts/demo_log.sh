#!/usr/bin/env bash
# Fills the log in $XDG_DATA_HOME with an evening over the lamp of Night Watch, for pictures and for trying the Log.
# Usage: XDG_DATA_HOME=/some/folder scripts/demo_log.sh [build folder]
set -euo pipefail
cd "$(dirname "$0")/.."
cli="${1:-build}/cli/lariat-cli"
work="$(mktemp -d)"
trap 'rm -rf "$work"' EXIT
day=$(date +%F)
before=$(date -d '1 day ago' +%F)
keep() { # keep <patch> <take it came from> <when> <name> [more of log take]
    "$cli" --json log take "$1" --from "$2" --at "$3" --name "$4" "${@:5}" | grep -m1 '"id"' | tr -dc 0-9
}
change() { # change <patch> <into> <sentences>
    "$cli" tie "$1" "$3" --out "$2" >/dev/null
}
demo=data/demo/lamp.json
first=$(keep "$demo" 0 "$before"T20:05 "first with the kick" --rating 4 --tag lead --tag kick)
change "$demo" "$work/dull.json" "filter cutoff 620 Hz; filter resonance 48 %"
dull=$(keep "$work/dull.json" "$first" "$before"T21:31 "duller, more edge" --rating 2 --tag lead)
change "$work/dull.json" "$work/long.json" "contour 2 decay 420 ms; kick level decay 520 ms"
keep "$work/long.json" "$dull" "$before"T21:40 "long tails" --rating 3 >/dev/null
change "$demo" "$work/slow.json" "clock tempo 96 BPM"
slow=$(keep "$work/slow.json" "$first" "$before"T21:52 "slower, for the stairs" --rating 4 --tag lead)
change "$work/slow.json" "$work/fifth.json" "leader fine 7; filter cutoff 2100 Hz; contour 2 decay 180 ms; lfo triangle to leader pwm"
keep "$work/fifth.json" "$slow" "$day"T00:10 "leader a fifth up" --rating 5 --tag lead \
    --notes "Sits over the bell without hiding it. Ask the keeper about the stairs." >/dev/null
