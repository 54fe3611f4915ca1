#include "units/scale.h"

#include "units/calibration.h"
#include "units/letters.h"
#include "units/pitch.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kTravelMinutes = 600.0; // 7:00 to 5:00
constexpr int kStartMinute = 7 * 60;

/// A number and what is written behind it.
struct Written {
    double number;
    std::string unit;
};

std::optional<Written> split(std::string_view text) {
    std::string plain(text);
    if (const auto minus = plain.find("−"); minus == 0) plain.replace(0, std::string("−").size(), "-");
    if (!plain.empty() && plain.front() == '+') plain.erase(0, 1);
    double number = 0.0;
    const auto [end, error] = std::from_chars(plain.data(), plain.data() + plain.size(), number);
    if (error != std::errc{} || !std::isfinite(number)) return std::nullopt;
    const auto rest = static_cast<std::size_t>(end - plain.data());
    return Written{number, lower(trimmed(std::string_view(plain).substr(rest)))};
}

/// Three significant figures without a trailing ".0" for large numbers.
std::string figures(double value) {
    const double size = std::abs(value);
    const int decimals = size >= 99.95 ? 0 : size >= 9.995 ? 1 : 2;
    std::string out = fmt::format("{:.{}f}", value, decimals);
    if (out.find('.') != std::string::npos) {
        out.erase(out.find_last_not_of('0') + 1);
        if (out.back() == '.') out.pop_back();
    }
    return out == "-0" ? "0" : out;
}

std::string signedFigures(double value) {
    return fmt::format("{}{}", value > 0.0 ? "+" : "", figures(value));
}

std::string secondsText(double seconds) {
    if (seconds < 0.0995) return figures(seconds * 1e3) + " ms";
    if (seconds < 1.0) return fmt::format("{:.0f} ms", seconds * 1e3);
    return figures(seconds) + " s";
}

std::string hertzText(double hertz) {
    if (hertz >= 1e4) return figures(hertz / 1e3) + " kHz";
    return figures(hertz) + " Hz";
}

/// What another unit means here: a period as a rate, a pitch voltage as hertz or semitones, decibels as a level.
std::optional<double> fromOtherUnit(Unit unit, const Written& w) {
    const auto is = [&](auto... words) { return ((w.unit == words) || ...); };
    const double seconds = is("ms") ? w.number / 1e3 : w.number;
    switch (unit) {
    case Unit::Hertz:
        if (is("s", "ms") && seconds > 0.0) return 1.0 / seconds;
        if (is("v")) return toHertz(Volts{w.number}).value;
        if (is("bpm")) return w.number / 60.0;
        break;
    case Unit::Seconds:
        if (is("hz", "k", "khz") && w.number > 0.0) return 1.0 / (is("hz") ? w.number : w.number * 1e3);
        if (is("bpm") && w.number > 0.0) return 60.0 / w.number;
        break;
    case Unit::Percent:
        if (is("db")) return 100.0 * std::pow(10.0, w.number / 20.0);
        break;
    case Unit::Decibels:
        if (is("%") && w.number > 0.0) return 20.0 * std::log10(w.number / 100.0);
        break;
    case Unit::Semitones:
        if (is("v")) return w.number * 12.0;
        break;
    case Unit::Cents:
        if (is("v")) return w.number * 1200.0;
        break;
    case Unit::Octaves:
        if (is("v")) return w.number;
        break;
    case Unit::Bpm:
        if (is("hz")) return w.number * 60.0;
        if (is("s", "ms") && seconds > 0.0) return 60.0 / seconds;
        break;
    default:
        break;
    }
    return std::nullopt;
}

/// "1/8", "1/8." (dotted) or "1/8t" (triplet) as quarter notes.
std::optional<double> noteValue(std::string_view text) {
    const auto slash = text.find('/');
    if (slash == std::string_view::npos) return std::nullopt;
    double factor = 4.0;
    if (text.ends_with('.')) factor *= 1.5;
    if (text.ends_with('t') || text.ends_with('T')) factor *= 2.0 / 3.0;
    if (factor != 4.0) text.remove_suffix(1);
    const auto number = [](std::string_view digits) {
        int out = 0;
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), out);
        return error == std::errc{} && end == digits.data() + digits.size() ? out : 0;
    };
    const int above = number(text.substr(0, slash));
    const int below = number(text.substr(slash + 1));
    if (above < 1 || below < 1) return std::nullopt;
    return factor * above / below;
}

/// "major 4:5:6:8" or "major" alone.
bool isWord(const std::string& word, const std::string& wanted) {
    const std::string plain = lower(word);
    return plain == wanted || trimmed(plain.substr(0, plain.find_first_of("0123456789"))) == wanted;
}

std::optional<double> inUnit(Unit unit, const Written& w) {
    const auto is = [&](auto... words) { return ((w.unit == words) || ...); };
    switch (unit) {
    case Unit::Hertz:
        if (is("", "hz")) return w.number;
        if (is("k", "khz")) return w.number * 1e3;
        break;
    case Unit::Seconds:
        if (is("", "s")) return w.number;
        if (is("ms")) return w.number / 1e3;
        break;
    case Unit::Percent:
        if (is("", "%")) return w.number;
        break;
    case Unit::Volts:
        if (is("", "v")) return w.number;
        if (is("mv")) return w.number / 1e3;
        break;
    case Unit::Semitones:
        if (is("", "st")) return w.number;
        if (is("c", "ct", "cents")) return w.number / 100.0;
        if (is("oct")) return w.number * 12.0;
        break;
    case Unit::Cents:
        if (is("", "c", "ct", "cents")) return w.number;
        if (is("st")) return w.number * 100.0;
        break;
    case Unit::Octaves:
        if (is("", "oct")) return w.number;
        if (is("st")) return w.number / 12.0;
        break;
    case Unit::Decibels:
        if (is("", "db")) return w.number;
        break;
    case Unit::Bpm:
        if (is("", "bpm")) return w.number;
        break;
    case Unit::Times:
        if (is("", "×", "x")) return w.number;
        break;
    case Unit::None:
        if (is("")) return w.number;
        break;
    }
    return fromOtherUnit(unit, w);
}

} // namespace

double Scale::toFraction(double value) const {
    if (!marks.empty()) return backAlongMarks(marks, value, taper == Taper::Log);
    double x = 0.0;
    switch (taper) {
    case Taper::Linear:
        x = (value - min) / (max - min);
        break;
    case Taper::Log:
        x = value > 0.0 ? std::log(value / min) / std::log(max / min) : 0.0;
        break;
    case Taper::Squared:
        x = std::sqrt(std::max(0.0, (value - min) / (max - min)));
        break;
    case Taper::Switch:
        x = words.size() > 1 ? std::round(value) / static_cast<double>(words.size() - 1) : 0.0;
        break;
    }
    return std::clamp(x, 0.0, 1.0);
}

double Scale::toValue(double fraction) const {
    const double x = std::clamp(fraction, 0.0, 1.0);
    if (!marks.empty()) return alongMarks(marks, x, taper == Taper::Log);
    switch (taper) {
    case Taper::Linear:
        return min + x * (max - min);
    case Taper::Log:
        return std::clamp(min * std::pow(max / min, x), min, max);
    case Taper::Squared:
        return min + x * x * (max - min);
    case Taper::Switch:
        return words.empty() ? 0.0 : std::round(x * static_cast<double>(words.size() - 1));
    }
    return min;
}

std::string Scale::text(double value) const {
    if (taper != Taper::Switch && !words.empty()) {
        const auto zone = static_cast<std::size_t>(toFraction(value) * static_cast<double>(words.size()));
        return words[std::min(zone, words.size() - 1)];
    }
    if (taper == Taper::Switch) {
        const double last = static_cast<double>(words.size()) - 1.0;
        return words.empty() ? "" : words[static_cast<std::size_t>(std::clamp(std::round(value), 0.0, last))];
    }
    switch (unit) {
    case Unit::None:
        return figures(value);
    case Unit::Volts:
        return signedFigures(value) + " V";
    case Unit::Hertz:
        return hertzText(value);
    case Unit::Seconds:
        return secondsText(value);
    case Unit::Percent:
        return (min < 0.0 ? signedFigures(value) : figures(value)) + " %";
    case Unit::Semitones:
        return signedFigures(value) + " st";
    case Unit::Cents:
        return signedFigures(value) + " ct";
    case Unit::Octaves:
        return signedFigures(value) + " oct";
    case Unit::Decibels:
        return signedFigures(value) + " dB";
    case Unit::Bpm:
        return figures(value) + " BPM";
    case Unit::Times:
        return fmt::format("×{}", figures(value));
    }
    return figures(value);
}

std::optional<double> Scale::parse(std::string_view input, double tempo) const {
    const std::string_view written = trimmed(input);
    if (taper == Taper::Switch) {
        const std::string wanted = lower(written);
        for (std::size_t i = 0; i < words.size(); ++i)
            if (lower(words[i]) == wanted) return static_cast<double>(i);
        return std::nullopt;
    }
    for (std::size_t i = 0; i < words.size(); ++i)
        if (isWord(words[i], lower(written)))
            return toValue((static_cast<double>(i) + 0.5) / static_cast<double>(words.size()));
    if (written.find(':') != std::string_view::npos) {
        const auto fraction = parseClockHand(written);
        return fraction ? std::optional(toValue(*fraction)) : std::nullopt;
    }
    if (tempo > 0.0 && (unit == Unit::Hertz || unit == Unit::Seconds))
        if (const auto quarters = noteValue(written)) {
            const double seconds = *quarters * 60.0 / tempo;
            return unit == Unit::Seconds ? seconds : 1.0 / seconds;
        }
    if (unit == Unit::Hertz)
        if (const auto note = parseNote(written)) return noteToHertz(*note).value;
    constexpr std::string_view kTimes = "×"; // before the figure, as `text` writes it
    const auto parts =
        split(unit == Unit::Times && written.starts_with(kTimes) ? written.substr(kTimes.size()) : written);
    return parts ? inUnit(unit, *parts) : std::nullopt;
}

std::string Scale::expectation() const {
    if (taper == Taper::Switch) return fmt::format("one of: {}", fmt::join(words, ", "));
    if (!words.empty())
        return fmt::format("one of: {}; or a clock-hand position from 7:00 to 5:00", fmt::join(words, ", "));
    const std::string range = fmt::format("{} to {}", text(min), text(max));
    const char* note = unit == Unit::Hertz ? ", a note such as D3" : "";
    return fmt::format("{}{}, or a clock-hand position from 7:00 to 5:00", range, note);
}

std::string clockHand(double fraction) {
    const int minute = kStartMinute + static_cast<int>(std::lround(std::clamp(fraction, 0.0, 1.0) * kTravelMinutes));
    const int hour = (minute / 60 + 11) % 12 + 1;
    return fmt::format("{}:{:02}", hour, minute % 60);
}

std::optional<double> parseClockHand(std::string_view text) {
    const auto colon = text.find(':');
    if (colon == std::string_view::npos) return std::nullopt;
    int hour = 0;
    int minute = 0;
    const auto number = [](std::string_view digits, int& out) {
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), out);
        return error == std::errc{} && end == digits.data() + digits.size();
    };
    if (!number(text.substr(0, colon), hour) || !number(text.substr(colon + 1), minute)) return std::nullopt;
    if (hour < 1 || hour > 12 || minute < 0 || minute > 59) return std::nullopt;
    const int passed = ((hour % 12) * 60 + minute - kStartMinute + 720) % 720;
    if (passed > kTravelMinutes) return std::nullopt;
    return passed / kTravelMinutes;
}

} // namespace lariat
