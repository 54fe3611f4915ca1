#include "units/tuning.h"

#include <algorithm>
#include <charconv>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

std::string_view word(std::string_view line) {
    const auto first = line.find_first_not_of(" \t\r");
    if (first == std::string_view::npos) return {};
    line.remove_prefix(first);
    return line.substr(0, line.find_first_of(" \t\r!"));
}

std::optional<double> number(std::string_view text) {
    double value = 0.0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc{} || end != text.data() + text.size() || !std::isfinite(value)) return std::nullopt;
    return value;
}

std::optional<double> pitch(std::string_view text) {
    if (text.find('.') != std::string_view::npos) return number(text);
    const auto slash = text.find('/');
    const auto over = number(text.substr(0, slash));
    const auto under = slash == std::string_view::npos ? 1.0 : number(text.substr(slash + 1));
    if (!over || !under || *over <= 0.0 || *under <= 0.0) return std::nullopt;
    return 1200.0 * std::log2(*over / *under);
}

} // namespace

std::optional<Tuning> readScala(std::string_view text, Sentence& why) {
    Tuning tuning;
    int line = 0;
    int row = 0; // lines that are no comments
    double count = 0.0;
    std::vector<double> pitches;
    while (!text.empty()) {
        const auto end = text.find('\n');
        const std::string_view now = text.substr(0, end);
        text = end == std::string_view::npos ? std::string_view{} : text.substr(end + 1);
        ++line;
        if (now.starts_with('!')) continue;
        if (row == 0) {
            tuning.name = std::string(now.substr(0, now.find('\r')));
        } else if (row == 1) {
            const auto read = number(word(now));
            if (!read || *read < 1.0 || *read > 1000.0 || *read != std::floor(*read)) {
                why = say("line {} should be the number of notes, 1 to 1000", line);
                return std::nullopt;
            }
            count = *read;
        } else if (pitches.size() < static_cast<std::size_t>(count)) {
            const auto read = pitch(word(now));
            if (!read || *read < 0.0 || *read > 12000.0) {
                why = say("line {}: \"{}\" is neither cents with a point nor a ratio such as 3/2", line, word(now));
                return std::nullopt;
            }
            pitches.push_back(*read);
        }
        ++row;
    }
    if (row < 2 || pitches.size() != static_cast<std::size_t>(count)) {
        why = say("it says {} notes and gives {}", count, pitches.size());
        return std::nullopt;
    }
    std::ranges::sort(pitches);
    tuning.period = pitches.back();
    if (tuning.period < 1.0) {
        why = say("its period is shorter than a cent");
        return std::nullopt;
    }
    pitches.pop_back();
    tuning.cents.insert(tuning.cents.end(), pitches.begin(), pitches.end());
    return tuning;
}

double nearestNote(const Tuning& tuning, double cents) {
    const double base = std::floor(cents / tuning.period) * tuning.period;
    double best = base + tuning.period; // the root above
    for (const double note : tuning.cents)
        if (std::abs(base + note - cents) < std::abs(best - cents)) best = base + note;
    return best;
}

} // namespace lariat
