// The sheet as one page of HTML, as rows of commas, and as a graph.
#include "sheet/sheet.h"

#include "log/diary.h"

#include <cmath>
#include <numbers>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kStyle = R"(
body { font: 15px/1.5 sans-serif; color: #23272b; background: #fdfcf8; max-width: 70em; margin: 2em auto; padding: 0 1em }
h1 { font-size: 24px; margin-bottom: 0 } h2 { font-size: 18px; margin: 1.8em 0 .4em } h3 { font-size: 15px; margin: 1.2em 0 .2em }
table { border-collapse: collapse; width: 100% } td, th { text-align: left; padding: 3px 10px 3px 0; border-bottom: 1px solid #d9d5ca; vertical-align: top }
.soft, .idle { color: #5d6369 } .idle { opacity: .6 } .dials { display: flex; flex-wrap: wrap; gap: 10px }
.dial { width: 104px; text-align: center; font-size: 13px } .dial svg { display: block; margin: 0 auto }
.steps span { display: inline-block; min-width: 2.4em; border: 1px solid #d9d5ca; padding: 0 3px; margin: 1px; text-align: center }
.chart svg { width: 100%; height: auto } @media print { body { margin: 0; max-width: none } })";

const auto& esc = escapedHtml;

/// A dial of 44 by 44, seven to five o'clock; without a hand where nobody knows.
std::string dial(const SheetKnob& knob) {
    std::string out =
        R"(<svg width="44" height="44" viewBox="0 0 44 44"><circle cx="22" cy="22" r="17" fill="#fff" stroke="#23272b" stroke-width="1.5"/>)";
    if (knob.isSwitch) {
        out = fmt::format(
            R"(<svg width="44" height="44" viewBox="0 0 44 44"><rect x="4" y="14" width="36" height="16" rx="8" fill="#fff" stroke="#23272b" stroke-width="1.5"/><circle cx="{:.1f}" cy="22" r="5.5" {}/>)",
            12.0 + 20.0 * knob.fraction, knob.unknown ? R"(fill="none" stroke="#23272b")" : R"(fill="#23272b")");
    } else if (!knob.unknown) {
        const double angle = std::numbers::pi * (knob.fraction * 300.0 - 150.0) / 180.0;
        out += fmt::format(R"(<line x1="22" y1="22" x2="{:.1f}" y2="{:.1f}" stroke="#23272b" stroke-width="2.5"/>)",
                           22.0 + 15.0 * std::sin(angle), 22.0 - 15.0 * std::cos(angle));
    }
    return out + "</svg>";
}

void htmlKnobs(std::string& out, const Sheet& sheet, bool every) {
    out += fmt::format("<h2>{}</h2>\n", esc(sheet.speak(partName(SheetPart::Knobs))));
    for (const SheetPost& post : sheet.posts) {
        std::string dials;
        for (const SheetKnob& knob : post.knobs) {
            if (!every && !knob.matters()) continue;
            const std::string why = knob.idle.empty() ? knob.note : knob.idle;
            dials += fmt::format("<div class=\"dial{}\">{}<b>{}</b><br>{}{}</div>\n", knob.idle.empty() ? "" : " idle",
                                 dial(knob), esc(knob.name),
                                 esc(knob.hand.empty() ? knob.value : knob.value + " · " + knob.hand),
                                 why.empty() ? "" : "<br><span class=\"soft\">" + esc(why) + "</span>");
        }
        if (dials.empty() && post.note.empty()) continue;
        out += fmt::format("<h3>{} <span class=\"soft\">· {}{}</span></h3>\n", esc(post.name), esc(post.module),
                           post.place.empty() ? "" : ", " + esc(post.place));
        if (!post.note.empty()) out += fmt::format("<p>{}</p>\n", esc(post.note));
        out += "<div class=\"dials\">\n" + dials + "</div>\n";
    }
}

void htmlRows(std::string& out, const Sheet& sheet) {
    const auto& speak = sheet.speak;
    out += fmt::format(
        "<h2>{}</h2>\n<table><tr><th>{}</th><th>{}</th><th>{}</th><th>{}</th><th>{}</th><th>{}</th></tr>\n",
        esc(speak(partName(SheetPart::Cables))), esc(speak(say("Row"))), esc(speak(say("From"))), esc(speak(say("To"))),
        esc(speak(say("Cable"))), esc(speak(say("Should read"))), esc(speak(say("Note"))));
    std::string heading;
    for (const SheetRow& row : sheet.rows) {
        if (row.heading != heading) {
            heading = row.heading;
            out += fmt::format("<tr><th colspan=\"6\">{}</th></tr>\n", esc(heading));
        }
        const std::string note =
            row.late ? row.note + (row.note.empty() ? "" : "; ") + speak(say("closes a loop")) : row.note;
        out += fmt::format("<tr><td>{}</td><td>{}</td><td>{}</td><td>{} {}</td><td>{}</td><td>{}</td></tr>\n",
                           row.number, esc(row.from), esc(row.to), row.length, esc(row.colour),
                           esc(row.detail.empty() ? row.range : row.range + ", " + row.detail), esc(note));
    }
    out += "</table>\n";
}

/// A field between commas: in quotes where it has to be; what a table program would take for a formula does not begin
/// one.
std::string field(std::string text) {
    if (!text.empty() && (text[0] == '=' || text[0] == '@')) text.insert(text.begin(), '\'');
    if (text.find_first_of(",\"\n") == std::string::npos) return text;
    std::string out = "\"";
    for (const char c : text) {
        if (c == '"') out += '"';
        out += c;
    }
    return out + "\"";
}

std::string quoted(const std::string& text) {
    std::string out = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\') out += '\\';
        out += c == '\n' ? ' ' : c;
    }
    return out + "\"";
}

} // namespace

std::string writeHtml(const Sheet& sheet, const SheetSettings& settings, const HtmlParts& parts) {
    std::string out = fmt::format(
        "<!DOCTYPE html>\n<html><head><meta charset=\"utf-8\"><title>{}</title><style>{}</style></head><body>\n",
        esc(sheet.title), kStyle);
    out += fmt::format("<h1>{}</h1>\n<p class=\"soft\">{}</p>\n", esc(sheet.title), esc(summary(sheet)));
    if (!sheet.about.empty()) out += fmt::format("<p>{}</p>\n", esc(sheet.about));
    const std::vector<SheetList> lists = listsOf(sheet, settings);
    const auto print = [&](bool before) {
        for (const SheetList& one : lists) {
            if ((one.part < SheetPart::Chart) != before) continue;
            out += fmt::format("<h2>{}</h2>\n<ul>\n", esc(one.heading));
            for (const std::string& line : one.lines) out += fmt::format("<li>{}</li>\n", esc(line));
            out += "</ul>\n";
        }
    };
    print(true);
    if (settings.has(SheetPart::Chart) && !parts.chart.empty())
        out += fmt::format("<h2>{}</h2>\n<div class=\"chart\">{}</div>\n", esc(sheet.speak(partName(SheetPart::Chart))),
                           parts.chart);
    if (settings.has(SheetPart::Cables)) htmlRows(out, sheet);
    if (settings.has(SheetPart::Knobs)) htmlKnobs(out, sheet, settings.everyKnob());
    if (settings.has(SheetPart::Pattern) && !sheet.pattern.empty()) {
        out += fmt::format("<h2>{}</h2>\n", esc(sheet.speak(partName(SheetPart::Pattern))));
        for (const SheetLine& line : sheet.pattern) {
            out += fmt::format("<h3>{}</h3>\n<div class=\"steps\">", esc(line.name));
            for (const std::string& step : line.steps) out += fmt::format("<span>{}</span>", esc(step));
            out += "</div>\n";
        }
    }
    if (settings.has(SheetPart::Sound) && !sheet.figures.empty())
        out +=
            fmt::format("<h2>{}</h2>\n{}\n", esc(sheet.speak(partName(SheetPart::Sound))), thumbPicture(sheet.sound));
    if (settings.has(SheetPart::Answers) && !sheet.answers.empty()) {
        out += fmt::format("<h2>{}</h2>\n", esc(sheet.speak(partName(SheetPart::Answers))));
        for (std::size_t n = 0; n < sheet.answers.size(); ++n) {
            const SheetAnswer& one = sheet.answers[n];
            out += fmt::format("<h3>{}</h3>\n<p>{}</p>\n", esc(one.question), esc(one.sentence));
            if (n < parts.answers.size() && !parts.answers[n].empty())
                out += fmt::format("<div class=\"answer\">{}</div>\n", parts.answers[n]);
        }
    }
    print(false);
    return out + parts.carried + "</body></html>\n";
}

std::string writeCableCsv(const Sheet& sheet) {
    std::string out = "row,from,to,voice,length,colour,kind,reads,note\n";
    for (const SheetRow& row : sheet.rows)
        out += fmt::format("{},{},{},{},{},{},{},{},{}\n", row.number, field(row.from), field(row.to), field(row.voice),
                           field(row.length), field(row.colour), field(row.kindWord),
                           field(row.detail.empty() ? row.range : row.range + ", " + row.detail), field(row.note));
    return out;
}

std::string writeKnobCsv(const Sheet& sheet) {
    std::string out = "post,module,place,knob,value,position,note\n";
    for (const SheetPost& post : sheet.posts)
        for (const SheetKnob& knob : post.knobs)
            out += fmt::format("{},{},{},{},{},{},{}\n", field(post.name), field(post.module), field(post.place),
                               field(knob.name), field(knob.value), field(knob.hand),
                               field(knob.note.empty() ? knob.idle : knob.note));
    return out;
}

std::string writeDot(const Sheet& sheet) {
    std::string out = fmt::format("digraph {} {{\n  rankdir=LR;\n  node [shape=box];\n", quoted(sheet.title));
    for (std::size_t p = 0; p < sheet.posts.size(); ++p)
        out += fmt::format("  p{} [label={}];\n", p, quoted(sheet.posts[p].name));
    for (const SheetRow& row : sheet.rows)
        out += fmt::format("  p{} -> p{} [label={}];\n", row.fromPost, row.toPost,
                           quoted(fmt::format("{}: {} to {}", row.number, row.fromJack, row.toJack)));
    return out + "}\n";
}

} // namespace lariat
