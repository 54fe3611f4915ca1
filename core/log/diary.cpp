#include "log/diary.h"

#include <algorithm>

#include <boost/beast/core/detail/base64.hpp>

namespace lariat {
namespace {

constexpr double kWidth = 360.0;
constexpr double kOutlineHeight = 56.0;
constexpr double kBandsTop = 62.0;
constexpr double kBandsHeight = 34.0;
constexpr double kBandSteps = 192.0; ///< of Thumb::bands

std::string dots(int rating) {
    std::string out;
    for (int i = 0; i < rating; ++i) out += "●";
    return out;
}

std::string figuresText(const Figures& figures, const Speaker& speak) {
    std::string out;
    for (const FigureInfo& info : allFigures())
        if (const auto found = figures.find(info.id); found != figures.end())
            out += (out.empty() ? "" : " · ") + speak(figureName(info)) + " " + figureText(info, found->second);
    return out;
}

/// The line under a name: time, what made it, tags, rating.
std::string about(const DiaryEntry& entry, const Speaker& speak) {
    std::string out = entry.time;
    if (!entry.take.label.name.empty() || entry.take.kind != TakeKind::ByHand)
        out += " · " + speak(takeKindText(entry.take.kind));
    if (!entry.from.empty()) out += " · " + speak(say("from {}", entry.from));
    for (const std::string& tag : entry.take.label.tags) out += " #" + tag;
    if (entry.take.label.rating > 0) out += " " + dots(entry.take.label.rating);
    return out;
}

std::string base64(const std::string& text) {
    std::string out(boost::beast::detail::base64::encoded_size(text.size()), '\0');
    out.resize(boost::beast::detail::base64::encode(out.data(), text.data(), text.size()));
    return out;
}

} // namespace

std::string escapedHtml(const std::string& text) {
    std::string out;
    for (const char c : text) {
        switch (c) {
        case '&':
            out += "&amp;";
            break;
        case '<':
            out += "&lt;";
            break;
        case '>':
            out += "&gt;";
            break;
        case '"':
            out += "&quot;";
            break;
        default:
            out += c;
        }
    }
    return out;
}

std::string thumbPicture(const Thumb& thumb) {
    std::string out = fmt::format(
        R"(<svg xmlns="http://www.w3.org/2000/svg" width="{0:g}" height="96" viewBox="0 0 {0:g} 96"><path d=")",
        kWidth);
    const double step = kWidth / static_cast<double>(kThumbColumns);
    for (std::size_t c = 0; c < kThumbColumns; ++c) {
        const double x = step * (static_cast<double>(c) + 0.5);
        const double middle = 0.5 * kOutlineHeight;
        out += fmt::format("M{:.1f} {:.1f}V{:.1f}", x, middle - middle * thumb.outline[c].high / 127.0 - 0.3,
                           middle - middle * thumb.outline[c].low / 127.0 + 0.3);
    }
    out += fmt::format(R"(" stroke="currentColor" stroke-width="{:.1f}" fill="none"/><path d=")", 0.8 * step);
    const double band = kWidth / static_cast<double>(kThumbBands);
    for (std::size_t b = 0; b < kThumbBands; ++b) {
        const double height = kBandsHeight * thumb.bands[b] / kBandSteps;
        out += fmt::format("M{:.1f} {:.1f}v{:.1f}h{:.1f}v{:.1f}z", band * static_cast<double>(b) + 1.0,
                           kBandsTop + kBandsHeight, -height, band - 2.0, height);
    }
    return out + R"(" fill="currentColor" fill-opacity="0.55"/></svg>)";
}

std::string diaryAsMarkdown(const std::string& heading, const std::vector<DiaryEntry>& entries, const Speaker& speak) {
    std::string out = fmt::format("# {}\n", heading);
    for (const DiaryEntry& entry : entries) {
        out += fmt::format("\n## {} · {}\n\n{}\n", entry.take.id, takeName(entry.take, speak), about(entry, speak));
        out += fmt::format("\n![{}](data:image/svg+xml;base64,{})\n", speak(say("outline and spectrum")),
                           base64(thumbPicture(entry.take.thumb)));
        if (!entry.chart.empty())
            out += fmt::format("\n![{}](data:image/svg+xml;base64,{})\n", speak(say("chart, with what is different")),
                               base64(entry.chart));
        if (!entry.take.label.notes.empty()) out += fmt::format("\n{}\n", entry.take.label.notes);
        if (!entry.changes.empty()) out += "\n";
        for (const std::string& change : entry.changes) out += fmt::format("- {}\n", change);
        if (const std::string figures = figuresText(entry.figures, speak); !figures.empty())
            out += fmt::format("\n{}\n", figures);
    }
    return out;
}

std::string diaryAsHtml(const std::string& heading, const std::vector<DiaryEntry>& entries, const Speaker& speak) {
    std::string out = fmt::format(R"(<!DOCTYPE html>
<html><head><meta charset="utf-8"><title>{0}</title><style>
body {{ font: 15px/1.5 sans-serif; color: #23272b; background: #fdfcf8; max-width: 46em; margin: 2em auto; padding: 0 1em }}
h1 {{ font-size: 22px }} h2 {{ font-size: 17px; margin: 2em 0 0 }} .about, .figures {{ color: #5d6369 }}
svg {{ color: #2f5d8a; display: block; margin: .6em 0 }} pre {{ white-space: pre-wrap; font: inherit }}
</style></head><body>
<h1>{0}</h1>
)",
                                  escapedHtml(heading));
    for (const DiaryEntry& entry : entries) {
        out += fmt::format("<h2>{} · {}</h2>\n<div class=\"about\">{}</div>\n{}\n{}\n", entry.take.id,
                           escapedHtml(takeName(entry.take, speak)), escapedHtml(about(entry, speak)),
                           thumbPicture(entry.take.thumb), entry.chart);
        if (!entry.take.label.notes.empty()) out += fmt::format("<pre>{}</pre>\n", escapedHtml(entry.take.label.notes));
        if (!entry.changes.empty()) {
            out += "<ul>\n";
            for (const std::string& change : entry.changes) out += fmt::format("<li>{}</li>\n", escapedHtml(change));
            out += "</ul>\n";
        }
        if (const std::string figures = figuresText(entry.figures, speak); !figures.empty())
            out += fmt::format("<div class=\"figures\">{}</div>\n", escapedHtml(figures));
    }
    return out + "</body></html>\n";
}

} // namespace lariat
