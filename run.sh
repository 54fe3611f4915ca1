#!/usr/bin/env bash
# Sets Lariat up, builds it and opens it on the demo. Arguments are passed on to the program.
set -euo pipefail
here="$(cd "$(dirname "$0")" && pwd)"
"$here/scripts/setup.sh" lariat lariat-cli

if [ -z "${DISPLAY:-}" ] && [ -z "${WAYLAND_DISPLAY:-}" ]; then
    cd "$here"
    export QT_QPA_PLATFORM=offscreen
    mkdir -p out
    echo "There is no display: running offscreen. The window is drawn into out/patch.png, the demo rendered into out/demo.wav."
    build/app/lariat --picture out/patch.png "$@"
    build/cli/lariat-cli render data/demo/lamp.json --seconds 8 --out out/demo.wav
else
    exec "$here/build/app/lariat" "$@"
fi
