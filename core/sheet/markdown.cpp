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

void list(std::string& out, const std::string& heading, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    out += fmt::format("\n## {}\n\n", heading);
    for (const std::string& line : lines) out += fmt::format("- {}\n", line);
}

void rows(std::string& out, const Sheet& sheet) {
    const auto& speak = sheet.speak;
    out += fmt::format("\n## {}\n", speak(say("Cables in build order")));
    std::string heading;
    for (const SheetRow& row : sheet.rows) {
        if (row.heading != heading || row.number == 1) {
            heading = row.heading;
            out += fmt::format("\n### {}\n\n| {} | {} | {} | {} | {} | {} | {} |\n|--:|---|---|---|---|---|---|\n",
                               heading.empty() ? speak(say("Cables")) : heading, speak(say("Row")), speak(say("From")),
                               speak(say("To")), speak(say("Cable")), speak(say("Kind")), speak(say("Should read")),
                               speak(say("Note")));
        }
        const std::string reads = row.detail.empty() ? row.range : fmt::format("{}, {}", row.range, row.detail);
        const std::string note =
            row.late ? row.note + (row.note.empty() ? "" : "; ") + speak(say("closes a loop")) : row.note;
        out += fmt::format("| {} | {} | {} | {} {} | {} | {} | {} |\n", row.number, cell(row.from), cell(row.to),
                           row.length, cell(row.colour), row.kindWord, cell(reads), cell(note));
    }
}

void knobs(std::string& out, const Sheet& sheet, bool every) {
    const auto& speak = sheet.speak;
    out += fmt::format("\n## {}\n", speak(partName(SheetPart::Knobs)));
    for (const SheetPost& post : sheet.posts) {
        out += fmt::format("\n### {}\n\n{}{}{}{}\n", post.name, post.module, post.part.empty() ? "" : " · " + post.part,
                           post.place.empty() ? "" : ", " + post.place, post.voice.empty() ? "" : " · " + post.voice);
        if (!post.note.empty()) out += fmt::format("\n{}\n", post.note);
        std::string lines;
        for (const SheetKnob& knob : post.knobs) {
            if (!every && !knob.matters()) continue;
            const std::string note = knob.idle.empty()   ? knob.note
                                     : knob.note.empty() ? knob.idle
                                                         : knob.note + "; " + knob.idle;
            lines += fmt::format("| {} | {} | {} | {} |\n", cell(knob.name), cell(knob.value), knob.hand, cell(note));
        }
        if (lines.empty()) continue;
        out += fmt::format("\n| {} | {} | {} | {} |\n|---|--:|--:|---|\n{}", speak(say("Knob")), speak(say("Value")),
                           speak(say("Position")), speak(say("Note")), lines);
    }
}

} // namespace

std::string summary(const Sheet& sheet) {
    const std::string key = sheet.key.empty() ? sheet.speak(say("not set")) : sheet.key;
    const std::string tempo = sheet.tempo.empty() ? sheet.speak(say("no clock")) : sheet.tempo;
    const std::string facts =
        sheet.speak(say("Key {} · {} · {} · {} cables", key, tempo, sheet.caseName, sheet.rows.size()));
    return sheet.unknown.empty() ? facts : facts + " · " + sheet.unknown;
}

std::string writeMarkdown(const Sheet& sheet, const SheetSettings& settings) {
    const auto& speak = sheet.speak;
    std::string out = fmt::format("# {}\n\n", sheet.title);
    if (!sheet.about.empty()) out += sheet.about + "\n\n";
    out += summary(sheet) + "\n";
    const std::vector<SheetList> lists = listsOf(sheet, settings);
    const auto print = [&](bool before) {
        for (const SheetList& one : lists)
            if ((one.part < SheetPart::Chart) == before) list(out, one.heading, one.lines);
    };
    print(true);
    if (settings.has(SheetPart::Cables) || settings.has(SheetPart::Chart)) rows(out, sheet);
    if (settings.has(SheetPart::Knobs)) knobs(out, sheet, settings.everyKnob());
    if (settings.has(SheetPart::Pattern) && !sheet.pattern.empty()) {
        out += fmt::format("\n## {}\n\n", speak(partName(SheetPart::Pattern)));
        for (const SheetLine& line : sheet.pattern)
            out += fmt::format("- {}: {}\n  - `{}`\n", line.name, fmt::join(line.steps, " "), line.exact);
    }
    if (settings.has(SheetPart::Answers) && !sheet.answers.empty()) {
        out += fmt::format("\n## {}\n\n", speak(partName(SheetPart::Answers)));
        for (const SheetAnswer& one : sheet.answers) out += fmt::format("- **{}** {}\n", one.question, one.sentence);
    }
    print(false);
    return out;
}

} // namespace lariat
