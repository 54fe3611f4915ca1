#!/usr/bin/env bash
# Formats are checked and clang-tidy is run on everything that is ours. Needs clang-format and clang-tidy.
set -euo pipefail
cd "$(dirname "$0")/.."
mapfile -t sources < <(git ls-files '*.cpp' '*.h')
clang-format --dry-run --Werror "${sources[@]}"
cmake --preset release >/dev/null
# clang cannot read the precompiled headers of another compiler.
mkdir -p build/tidy
sed -E 's/-Winvalid-pch( -include [^ ]+cmake_pch\.hxx)+//g' build/compile_commands.json > build/tidy/compile_commands.json
git ls-files 'core/*.cpp' 'devices/*.cpp' 'cli/*.cpp' 'app/*.cpp' | xargs -P "$(nproc)" -n 4 clang-tidy -p build/tidy --quiet
