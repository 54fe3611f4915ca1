#!/usr/bin/env bash
# Writes docs/blocks.md: every block, what the tests measured of it, and what it costs on this machine.
set -euo pipefail
cd "$(dirname "$0")/.."
figures="$(mktemp)"
trap 'rm -f "$figures"' EXIT
LARIAT_FIGURES="$figures" QT_QPA_PLATFORM=offscreen ctest --test-dir build -R '^core/' -E 'random_patch|builds|sweep|findings' >/dev/null
sort -o "$figures" "$figures"
{
    echo "# Blocks"
    echo
    echo "Written by \`scripts/block_table.sh\`: what the tests measured, and the cost of each block alone with all its jacks in"
    echo "use, as \`lariat-cli bench\` measures it (one core of a small two-core machine). Formula and source of a block stand at"
    echo "the head of its file in \`core/blocks/\`."
    echo
    build/cli/lariat-cli blocks --markdown --figures "$figures"
} > docs/blocks.md
