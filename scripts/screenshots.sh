#!/usr/bin/env bash
# Draws the pictures of docs/screenshots anew from the demo data.
set -euo pipefail
cd "$(dirname "$0")/.."
scripts/setup.sh lariat lariat-cli
export QT_QPA_PLATFORM=offscreen XDG_RUNTIME_DIR="${XDG_RUNTIME_DIR:-$(mktemp -d)}"
shots=docs/screenshots
mkdir -p "$shots"
build/app/lariat --theme light --size 1280x800 --select osc-a --picture "$shots/patch.png"
build/app/lariat --theme dark --size 1280x800 --select contour-1 --picture "$shots/patch-dark.png"
build/app/lariat --theme light --size 1920x1080 --select osc-b --picture "$shots/patch-wide.png"
build/app/lariat data/demo/engine-room.json --theme light --size 1280x800 --select compressor --picture "$shots/engine-room.png"
build/app/lariat --theme light --size 1280x800 --select 13 --panel findings --picture "$shots/findings.png"
silent="$(mktemp -d)/silent.json" # nothing is in the sequencer's clock
python3 -c 'import json, sys
patch = json.load(open("data/demo/lamp.json"))
patch["cables"] = [cable for cable in patch["cables"] if cable["to"] != "tracks.clock"]
json.dump(patch, open(sys.argv[1], "w"))' "$silent"
build/app/lariat "$silent" --theme light --size 1280x800 --panel why --picture "$shots/why.png"
build/app/lariat data/demo/first-voice.json --theme light --size 1280x800 --select 7 --until 7 --keys --picture "$shots/row-by-row.png"
build/app/lariat --theme light --size 1280x800 --select 7 --panel findings --language de --picture "$shots/german.png"
build/app/lariat --theme light --size 1280x800 --place sheet --picture "$shots/sheet.png"
build/app/lariat --theme light --size 1280x800 --place stock --panel "behind cask-drum" --picture "$shots/maker.png"
(
    XDG_DATA_HOME="$(mktemp -d)" # a calibration of somebody's own
    export XDG_DATA_HOME
    build/cli/lariat-cli module calibrate skerry-filter cutoff --keep \
        --read "70 Hz at 8:00" --read "160 Hz at 10:00" --read "520 Hz at 12:00" --read "1.9 kHz at 2:00" --read "4.4 kHz at 4:00"
    build/app/lariat --theme light --size 1280x800 --place stock --panel "calibrate skerry-filter filter cutoff" --picture "$shots/calibrate.png"
)
build/app/lariat --theme light --size 1280x800 --place stock --picture "$shots/stock.png"
build/app/lariat data/demo/double-strike.json --theme light --size 1280x800 --place plan --panel kick-two-contours --picture "$shots/plan.png"
build/app/lariat --theme dark --size 1280x800 --place plan --panel hat-noise --picture "$shots/short.png"
build/app/lariat --theme light --size 1280x800 --place plan --panel build --until 8 --picture "$shots/build.png"
build/app/lariat --theme light --size 1280x800 --place time --picture "$shots/time.png"
build/app/lariat data/demo/tide-clock.json --theme dark --size 1280x800 --place time --picture "$shots/time-dark.png"
build/app/lariat data/demo/night-watch.json --theme light --size 1280x800 --place time --picture "$shots/scenes.png"
empty="$(mktemp -d)/new.lariat"
echo '{"format": "lariat-patch", "version": 1, "title": "Untitled", "case": "keepers-case", "seed": 1, "posts": [], "cables": [], "patterns": []}' > "$empty"
build/app/lariat "$empty" --theme light --size 1280x800 --picture "$shots/begin.png"
