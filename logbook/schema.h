// The schema of the log, version by version: each step makes the next one of what was there.
#pragma once

#include "logbook/logbook.h"

#include <array>
#include <initializer_list>

namespace lariat {

inline constexpr std::array<std::initializer_list<const char*>, kLogVersion> kSchemaSteps = {{
    {
        "PRAGMA application_id = 1279415657", // "LBri"
        "CREATE TABLE take (id INTEGER PRIMARY KEY AUTOINCREMENT, parent INTEGER NOT NULL, at INTEGER NOT NULL,"
        " kind TEXT NOT NULL, name TEXT NOT NULL, notes TEXT NOT NULL, rating INTEGER NOT NULL, title TEXT NOT NULL,"
        " patch_hash TEXT NOT NULL, thumb BLOB NOT NULL, thrown_away INTEGER)",
        "CREATE INDEX take_at ON take (at)",
        "CREATE INDEX take_hash ON take (patch_hash)",
        "CREATE TABLE rig (id INTEGER PRIMARY KEY, hash TEXT NOT NULL UNIQUE, document TEXT NOT NULL)",
        "CREATE TABLE body (take INTEGER PRIMARY KEY REFERENCES take (id) ON DELETE CASCADE, patch TEXT NOT NULL,"
        " rig INTEGER NOT NULL REFERENCES rig (id))",
        "CREATE TABLE figure (take INTEGER NOT NULL REFERENCES take (id) ON DELETE CASCADE, name TEXT NOT NULL,"
        " value REAL NOT NULL, PRIMARY KEY (take, name)) WITHOUT ROWID",
        "CREATE INDEX figure_value ON figure (name, value)",
        "CREATE TABLE tag (take INTEGER NOT NULL REFERENCES take (id) ON DELETE CASCADE, tag TEXT NOT NULL,"
        " PRIMARY KEY (take, tag)) WITHOUT ROWID",
        "CREATE INDEX tag_name ON tag (tag)",
        "CREATE TABLE sound (take INTEGER PRIMARY KEY REFERENCES take (id) ON DELETE CASCADE, flac BLOB NOT NULL)",
        "CREATE VIRTUAL TABLE words USING fts5 (name, notes, tags, patch, tokenize = 'unicode61 remove_diacritics 2')",
    },
    {
        "CREATE TABLE round (id INTEGER PRIMARY KEY, at INTEGER NOT NULL,"
        " preferred INTEGER NOT NULL REFERENCES take (id) ON DELETE CASCADE,"
        " other INTEGER NOT NULL REFERENCES take (id) ON DELETE CASCADE)",
        "CREATE INDEX round_takes ON round (preferred, other)",
    },
}};

} // namespace lariat
