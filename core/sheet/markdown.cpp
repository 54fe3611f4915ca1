#include "sheet/sheet.h"

#include <fmt/format.h>

namespace lariat {
namespace {

/// Text inside a table cell.
std::string cell(const std::string& text) {
    std::string out;
    for (const char c : text) {
        if (c == '|') out += '\\';
        out += c == '\n' ? ' ' : c;
    }
    return out;
}

void list(std::string& out, const char* heading, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    out += fmt::format("\n## {}\n\n", heading);
    for (const std::string& line : lines) out += fmt::format("- {}\n", line);
}

void rows(std::string& out, const Sheet& sheet) {
    out += "\n## Cables in build order\n";
    std::string heading;
    for (const SheetRow& row : sheet.rows) {
        if (row.heading != heading || row.number == 1) {
            heading = row.heading;
            out += fmt::format(
                "\n### {}\n\n| row | from | to | cable | kind | should read | note |\n|--:|---|---|---|---|---|---|\n",
                heading.empty() ? "Cables" : heading);
        }
        const std::string reads = row.detail.empty() ? row.range : fmt::format("{}, {}", row.range, row.detail);
        const std::string note = row.late ? row.note + (row.note.empty() ? "" : "; ") + "closes a loop" : row.note;
        out += fmt::format("| {} | {} | {} | {} {} | {} | {} | {} |\n", row.number, cell(row.from), cell(row.to),
                           row.length, cell(row.colour), kindName(row.kind), cell(reads), cell(note));
    }
}

} // namespace

std::string writeMarkdown(const Sheet& sheet) {
    std::string out = fmt::format("# {}\n\n", sheet.title);
    if (!sheet.about.empty()) out += sheet.about + "\n\n";
    out += fmt::format("Key {} · {} · {} · {} cables\n", sheet.key.empty() ? "not set" : sheet.key,
                       sheet.tempo.empty() ? "no clock" : sheet.tempo, sheet.caseName, sheet.rows.size());
    list(out, "Cautions", sheet.cautions);
    rows(out, sheet);
    list(out, "Behind the panel", sheet.normals);

    out += "\n## Knobs\n";
    for (const SheetPost& post : sheet.posts) {
        out += fmt::format("\n### {}\n\n{}{}{}\n", post.name, post.module, post.place.empty() ? "" : ", " + post.place,
                           post.voice.empty() ? "" : " · " + post.voice);
        if (!post.note.empty()) out += fmt::format("\n{}\n", post.note);
        if (post.knobs.empty()) continue;
        out += "\n| knob | value | position | note |\n|---|--:|--:|---|\n";
        for (const SheetKnob& knob : post.knobs)
            out +=
                fmt::format("| {} | {} | {} | {} |\n", cell(knob.name), cell(knob.value), knob.hand, cell(knob.note));
    }

    if (!sheet.pattern.empty()) out += "\n## Pattern\n\n";
    for (const SheetLine& line : sheet.pattern) out += fmt::format("- {}: {}\n", line.name, fmt::join(line.steps, " "));

    list(out, "Scenes", sheet.scenes);
    for (const SheetLine& table : sheet.tables) list(out, table.name.c_str(), table.steps);
    list(out, "Should read at the way out", sheet.expect);
    list(out, "Findings still open", sheet.findings);
    list(out, "Found, and meant", sheet.kept);

    out += "\n## Cables needed\n\n| cable | needed | in the case's bag |\n|---|--:|--:|\n";
    for (const SheetCount& count : sheet.cables)
        out += fmt::format("| {} | {} | {} |\n", cell(count.what), count.count, count.owned);
    return out;
}

} // namespace lariat
