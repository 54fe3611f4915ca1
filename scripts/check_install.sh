#!/usr/bin/env bash
# Installs a build into a folder of its own and starts what was installed, as a package would.
# Usage: scripts/check_install.sh <build folder>
set -euo pipefail
root="$(mktemp -d)"
trap 'rm -rf "$root"' EXIT
unset LARIAT_DATA
export QT_QPA_PLATFORM=offscreen XDG_RUNTIME_DIR="$root" HOME="$root"
chmod 700 "$root"
cmake --install "$1" --prefix "$root/usr" >/dev/null
cd /
"$root/usr/bin/lariat-cli" check "$root/usr/share/lariat/demo/kick.json"
"$root/usr/bin/lariat" --picture "$root/window.png" --size 1280x800 --language de
[ "$(head -c 4 "$root/window.png" | tail -c 3)" = PNG ]
for file in applications/org.lariat.Lariat.desktop mime/packages/org.lariat.Lariat.xml \
    metainfo/org.lariat.Lariat.metainfo.xml icons/hicolor/scalable/apps/org.lariat.Lariat.svg man/man1/lariat.1.gz \
    man/man1/lariat-cli.1.gz; do
    [ -s "$root/usr/share/$file" ] || { echo "$file was not installed" >&2; exit 1; }
done
# The package is one that Debian's own checker has nothing against.
(cd "$1" && cpack -G DEB -B "$root/package" >/dev/null)
lintian --fail-on error --allow-root "$root"/package/*.deb
echo "what was installed starts"
