#!/usr/bin/env bash
# Brings app/i18n/*.ts up to date with what the sources say. The core knows nothing of Qt: its sentences, say("…"), and
# those of the printed sheet are handed to lupdate as a list under the context "core", with the names of functions; what
# recipes say, under "recipes", what modules are, under "modules".
# Usage: scripts/translations.sh [folder]   (app/i18n without one)
set -euo pipefail
cd "$(dirname "$0")/.."
into="${1:-app/i18n}"
list="$(mktemp -d)"
trap 'rm -rf "$list"' EXIT
/usr/bin/python3 - "$list/core_sentences.cpp" <<'PY'
import json
import pathlib
import re
import sys

literal = r'"(?:[^"\\]|\\.)*"'
found = []
for file in sorted([*pathlib.Path("core").rglob("*.cpp"), *pathlib.Path("app/print").glob("*.cpp"), *pathlib.Path("logbook").glob("*.cpp")]):
    for match in re.finditer(r"\bsay\(\s*((?:%s\s*)+)" % literal, file.read_text()):
        text = "".join(part[1:-1] for part in re.findall(literal, match[1]))
        if text not in found:
            found.append(text)
functions = json.loads(pathlib.Path("data/functions.json").read_text())["functions"]
for function in functions:
    texts = [function["name"]] + [provider.get("because", "") for provider in function["providers"]]
    found += [text for text in texts if text and text not in found]
recipes = []
for file in sorted(pathlib.Path("data/recipes").glob("*.json")):
    recipe = json.loads(file.read_text())
    texts = [recipe["name"], recipe["group"], recipe["about"]]
    for wish in recipe.get("wishes", []):
        texts += [wish["name"], wish.get("about", ""), *wish.get("choices", [])]
    texts += [goal["name"] for goal in recipe.get("goals", [])] + recipe.get("ear", []) + recipe.get("cautions", [])
    texts += [role["name"] for role in recipe["roles"]]
    texts += [cable.get(key, "") for cable in recipe.get("cables", []) for key in ("step", "note", "check")]
    for text in texts:
        if text and text not in recipes:
            recipes.append(text)
modules = []
for file in sorted(pathlib.Path("data/modules").glob("*.json")):
    about = json.loads(file.read_text()).get("about", "")
    if about and about not in modules:
        modules.append(about)
pathlib.Path(sys.argv[1]).write_text(
    "\n".join(f'QT_TRANSLATE_NOOP("core", "{text}");' for text in found)
    + "\n".join(["", *(f'QT_TRANSLATE_NOOP("recipes", "{text}");' for text in recipes)])
    + "\n".join(["", *(f'QT_TRANSLATE_NOOP("modules", "{text}");' for text in modules)])
    + "\n"
)
PY
lupdate=$(command -v lupdate || echo /usr/lib/qt6/bin/lupdate)
"$lupdate" -silent -no-obsolete -locations none -I app -I core -I . app/*.cpp app/*/ \
    "$list/core_sentences.cpp" -ts "$into/lariat_de.ts"
# English is what the sources say; only its plurals are written down.
"$lupdate" -silent -no-obsolete -pluralonly -locations none -I app -I core -I . app/*.cpp app/*/ \
    -source-language en -target-language en -ts "$into/lariat_en.ts"
