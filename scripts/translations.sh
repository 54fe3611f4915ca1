#!/usr/bin/env bash
# Brings app/i18n/*.ts up to date with what the sources say. The core knows nothing of Qt: its sentences, say("…"), and
# those of the printed sheet are handed to lupdate as a list under the context "core".
# Usage: scripts/translations.sh [folder]   (app/i18n without one)
set -euo pipefail
cd "$(dirname "$0")/.."
into="${1:-app/i18n}"
list="$(mktemp -d)"
trap 'rm -rf "$list"' EXIT
/usr/bin/python3 - "$list/core_sentences.cpp" <<'PY'
import pathlib
import re
import sys

literal = r'"(?:[^"\\]|\\.)*"'
found = []
for file in sorted([*pathlib.Path("core").rglob("*.cpp"), *pathlib.Path("app/print").glob("*.cpp")]):
    for match in re.finditer(r"\bsay\(\s*((?:%s\s*)+)" % literal, file.read_text()):
        text = "".join(part[1:-1] for part in re.findall(literal, match[1]))
        if text not in found:
            found.append(text)
pathlib.Path(sys.argv[1]).write_text(
    "\n".join(f'QT_TRANSLATE_NOOP("core", "{text}");' for text in found) + "\n"
)
PY
lupdate=$(command -v lupdate || echo /usr/lib/qt6/bin/lupdate)
"$lupdate" -silent -no-obsolete -locations none -I app -I core -I . app/*.cpp app/*/ \
    "$list/core_sentences.cpp" -ts "$into/lariat_de.ts"
# English is what the sources say; only its plurals are written down.
"$lupdate" -silent -no-obsolete -pluralonly -locations none -I app -I core -I . app/*.cpp app/*/ \
    -source-language en -target-language en -ts "$into/lariat_en.ts"
