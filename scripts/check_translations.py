#!/usr/bin/env python3
"""Holds the translations complete: every sentence of the sources said, every place of it filled, nothing left over; and
the sentences to the word list."""
import pathlib
import re
import shutil
import subprocess
import sys
import tempfile
import xml.etree.ElementTree

root = pathlib.Path(__file__).resolve().parent.parent
bad = 0
count = 0
# A copy is brought up to date with the sources: what is new there shows as unfinished.
fresh = pathlib.Path(tempfile.mkdtemp())
for file in (root / "app/i18n").glob("*.ts"):
    shutil.copy(file, fresh)
subprocess.run([str(root / "scripts/translations.sh"), str(fresh)], check=True)
for file in sorted(fresh.glob("*.ts")):
    for context in xml.etree.ElementTree.parse(file).getroot().findall("context"):
        for message in context.findall("message"):
            source = message.find("source").text
            said = message.find("translation")
            forms = [form.text for form in said.findall("numerusform")] or [said.text]
            places = sorted(re.findall(r"%n|%\d|\{[^}]*\}", source))
            count += 1
            for form in forms:
                # "{0}" stands for the first place, whatever its format.
                here = re.findall(r"%n|%\d|\{[^}]*\}", form or "")
                same = sorted(here) == places or (
                    all(re.fullmatch(r"\{\d\}", place) for place in here) and len(here) == len(places)
                )
                if said.get("type") == "unfinished" or not form or not same:
                    bad += 1
                    print(f"{file.name}: {source!r} is said as {form!r}")
# One word for one thing (the word list in CONTRIBUTING.md).
words = re.findall(r"^\| \*(.+?)\* \| (.+?) \|$", (root / "CONTRIBUTING.md").read_text(), re.M)
for message in xml.etree.ElementTree.parse(fresh / "lariat_de.ts").getroot().iter("message"):
    source = message.find("source").text.replace("&", "")
    for good, others in words:
        for other in others.split(", "):
            if re.search(rf"\b{re.escape(other)}\b", source, re.I):
                bad += 1
                print(f"{source!r} says {other!r}; here it is {good!r}")
shutil.rmtree(fresh)
print(f"{count} sentences checked, {bad} faults")
sys.exit(1 if bad or not count else 0)
