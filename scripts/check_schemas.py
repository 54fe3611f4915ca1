#!/usr/bin/env python3
"""Holds the shipped documents to the JSON Schemas in data/schema."""
import json
import pathlib
import sys

import jsonschema

data = pathlib.Path(__file__).resolve().parent.parent / "data"
kinds = {"patch": ["demo"], "module": ["modules"], "case": ["cases"], "recipe": ["recipes"], "functions": ["."]}
bad = 0
count = 0
for kind, folders in kinds.items():
    schema = json.loads((data / "schema" / f"{kind}.schema.json").read_text())
    jsonschema.Draft202012Validator.check_schema(schema)
    validator = jsonschema.Draft202012Validator(schema)
    for folder in folders:
        for file in sorted((data / folder).glob("functions.json" if folder == "." else "*.json")):
            count += 1
            for error in validator.iter_errors(json.loads(file.read_text())):
                bad += 1
                print(f"{file.name}: {'/'.join(map(str, error.path))}: {error.message}")
    # A schema that accepts anything would hold nothing.
    if validator.is_valid({"format": "something-else", "version": 1}):
        bad += 1
        print(f"the {kind} schema accepts another format")
print(f"{count} documents checked, {bad} faults")
sys.exit(1 if bad or not count else 0)
