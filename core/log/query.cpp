#include "log/query.h"

#include "log/heard.h"
#include "units/letters.h"
#include "units/number.h"
#include "units/pitch.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <limits>
#include <sstream>

namespace lariat {
namespace {

constexpr std::int64_t kDay = 24LL * 60 * 60 * 1000;
constexpr double kAbout = 0.02;   ///< how near a value has to be to one that is named
constexpr double kHalfNote = 0.5; ///< in semitones

std::vector<std::string> split(std::string_view text, char at) {
    std::vector<std::string> out;
    std::istringstream in{std::string(text)};
    for (std::string part; std::getline(in, part, at);) out.push_back(part);
    return out;
}

std::vector<std::string> wordsOf(const std::string& text) {
    std::istringstream in(text);
    std::vector<std::string> out;
    for (std::string word; in >> word;) out.push_back(word);
    return out;
}

/// A value with its unit, "1.2 kHz", as the figure is kept; `unit` is taken where the text has none.
std::optional<double> valueOf(std::string text, FigureKind kind, const std::string& unit = {}) {
    std::erase(text, ' ');
    if (kind == FigureKind::Note) {
        const auto note = parseNote(text);
        return note ? std::optional<double>(*note) : std::nullopt;
    }
    const auto letters =
        std::ranges::find_if(text, [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); });
    std::string ending(letters, text.end());
    text.erase(letters, text.end());
    const auto number = parseNumber(text);
    if (!number) return {};
    if (ending.empty()) ending = unit;
    if (ending == "k" || ending == "kHz" || ending == "khz") return *number * 1000.0;
    if (ending == "ms") return *number / 1000.0;
    return number;
}

std::string unitOf(std::string text) {
    const auto letters =
        std::ranges::find_if(text, [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); });
    return {letters, text.end()};
}

std::optional<FigureRange> rangeOf(const FigureInfo& figure, const std::vector<std::string>& words) {
    constexpr double kEndless = std::numeric_limits<double>::infinity();
    if (words.empty()) return {};
    const bool above = words[0] == "above";
    const bool below = words[0] == "below";
    std::string rest;
    for (std::size_t i = above || below ? 1 : 0; i < words.size(); ++i) rest += (rest.empty() ? "" : " ") + words[i];
    if (above || below) {
        const auto value = valueOf(rest, figure.kind);
        if (!value) return {};
        return above ? FigureRange{figure.id, *value, kEndless} : FigureRange{figure.id, -kEndless, *value};
    }
    for (const std::string_view dash : {"–", "…", "-"}) {
        const auto at = rest.find(dash, 1); // a first one is a sign
        if (at == std::string::npos || (figure.kind == FigureKind::Note && dash == "-" && rest[at - 1] != ' ' &&
                                        parseNote(rest))) // "C-1" is a note
            continue;
        const auto low = valueOf(rest.substr(0, at), figure.kind, unitOf(rest.substr(at + dash.size())));
        const auto high = valueOf(rest.substr(at + dash.size()), figure.kind);
        if (!low || !high || *low > *high) return {};
        return FigureRange{figure.id, *low, *high};
    }
    const auto value = valueOf(rest, figure.kind);
    if (!value) return {};
    if (figure.kind == FigureKind::Note) return FigureRange{figure.id, *value - kHalfNote, *value + kHalfNote};
    const double by = figure.kind == FigureKind::Count ? 0.0 : std::max(0.005, kAbout * std::abs(*value));
    return FigureRange{figure.id, *value - by, *value + by};
}

/// Whoever writes that behind a figure's name wants a figure; "a note on the door" does not.
bool meantAsValue(const std::string& word) {
    return word == "above" || word == "below" || word.find_first_of("0123456789") != std::string::npos;
}

std::optional<std::int64_t> dayOf(const std::string& text, std::int64_t midnight) {
    if (text == "today") return midnight;
    if (text == "yesterday") return midnight - kDay;
    int year = 0;
    unsigned month = 0;
    unsigned day = 0;
    char tail = 0;
    if (std::sscanf(text.c_str(), "%4d-%2u-%2u%c", &year, &month, &day, &tail) != 3) return {};
    const std::chrono::year_month_day date{std::chrono::year(year), std::chrono::month(month), std::chrono::day(day)};
    if (!date.ok()) return {};
    // Midnight of that day where the reader is: as far from today's as the days are apart.
    const std::int64_t utc = std::chrono::sys_days(date).time_since_epoch() / std::chrono::milliseconds(1);
    const std::int64_t today = ((midnight + kDay / 2) / kDay) * kDay; // the day that began nearest to it, in UTC
    return utc - today + midnight;
}

/// True if the part was one of dates, ratings and the like.
Result<bool> readWord(TakeQuery& query, const std::vector<std::string>& words, const std::string& part,
                      std::int64_t midnight) {
    const std::string first = lower(words[0]);
    if (words.size() == 1 && first.size() > 1 && first[0] == '#') {
        query.tags.push_back(first.substr(1));
        return true;
    }
    if (words.size() == 1 && (first == "today" || first == "yesterday")) {
        query.since = dayOf(first, midnight);
        query.until = *query.since + kDay;
        return true;
    }
    if (words.size() != 2) return false;
    const std::string second = lower(words[1]);
    if (first == "since" || first == "until") {
        const auto day = dayOf(second, midnight);
        if (!day) return failure(say("\"{}\" is no day: write since 2026-11-03, today or yesterday", part));
        (first == "since" ? query.since : query.until) = first == "since" ? *day : *day + kDay;
        return true;
    }
    if (first == "rated") {
        const auto number = parseNumber(second);
        if (!number || *number < 1.0 || *number > 5.0)
            return failure(say("\"{}\" is no rating: write rated 1 to rated 5", part));
        query.rating = static_cast<int>(*number);
        return true;
    }
    if (first == "has" && second == "sound") return query.sound = true;
    if (first == "no" && second == "findings") {
        query.figures.push_back({"findings", 0.0, 0.0});
        return true;
    }
    if (first == "with") {
        query.words.push_back(second);
        return true;
    }
    return false;
}

} // namespace

Result<TakeQuery> readQuery(std::string_view text, std::int64_t midnight) {
    TakeQuery query;
    for (const std::string& part : split(text, ',')) {
        const std::vector<std::string> words = wordsOf(part);
        if (words.empty()) continue;
        const auto known = readWord(query, words, part, midnight);
        if (!known) return tl::unexpected(known.error());
        if (*known) continue;
        // A figure may be named behind other words: "kick tail D1".
        std::size_t text_until = words.size();
        for (std::size_t i = 0; i + 1 < words.size(); ++i) {
            const FigureInfo* figure = figureNamed(lower(words[i]));
            if (!figure) continue;
            const auto range = rangeOf(*figure, {words.begin() + static_cast<std::ptrdiff_t>(i) + 1, words.end()});
            if (!range) {
                if (meantAsValue(words[i + 1]))
                    return failure(say("\"{}\" has no value that can be read: write tail D1, decay 300-500 ms, "
                                       "brightness above 2 kHz",
                                       part));
                continue; // a word that happens to be called so
            }
            query.figures.push_back(*range);
            text_until = i;
            break;
        }
        for (std::size_t i = 0; i < text_until; ++i) {
            if (words[i].size() > 1 && words[i][0] == '#')
                query.tags.push_back(lower(words[i]).substr(1));
            else
                query.words.push_back(lower(words[i]));
        }
    }
    return query;
}

} // namespace lariat
