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
build/app/lariat --theme light --size 1280x800 --select 13 --panel findings --picture "$shots/findings.png"
silent="$(mktemp -d)/silent.json" # nothing is in the sequencer's clock
python3 -c 'import json, sys
patch = json.load(open("data/demo/lamp.json"))
patch["cables"] = [cable for cable in patch["cables"] if cable["to"] != "tracks.clock"]
json.dump(patch, open(sys.argv[1], "w"))' "$silent"
build/app/lariat "$silent" --theme light --size 1280x800 --panel why --picture "$shots/why.png"
build/app/lariat data/demo/first-voice.json --theme light --size 1280x800 --select 7 --until 7 --keys --picture "$shots/row-by-row.png"
build/app/lariat --theme light --size 1280x800 --place bench --panel "same vca-2.out" --picture "$shots/bench.png"
build/app/lariat --theme dark --size 1280x800 --place bench --panel "loud osc-a.saw" --language de --picture "$shots/german.png"
(
    XDG_CONFIG_HOME="$(mktemp -d)" # the layout is remembered there
    export XDG_CONFIG_HOME
    build/app/lariat --theme light --size 1280x800 --place sheet --panel one-page --picture "$shots/sheet.png"
)
build/app/lariat --theme light --size 1280x800 --panel notes --picture "$shots/notes.png"
(
    XDG_DATA_HOME="$(mktemp -d)" # an evening's takes
    export XDG_DATA_HOME
    scripts/demo_log.sh
    build/cli/lariat-cli log show 5 --out "$XDG_DATA_HOME/lamp.lariat" >/dev/null
    build/app/lariat "$XDG_DATA_HOME/lamp.lariat" --theme light --size 1280x800 --place log --picture "$shots/log.png"
)
(
    XDG_DATA_HOME="$(mktemp -d)" # no draft of an earlier run
    export XDG_DATA_HOME
    build/app/lariat --theme light --size 1280x800 --place stock --panel "behind crows-nest" --picture "$shots/maker.png"
)
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
build/app/lariat data/demo/night-watch.json --theme light --size 1280x800 --place time --picture "$shots/scenes.png"
