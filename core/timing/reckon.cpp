#include "timing/reckon.h"

#include "units/level.h"
#include "units/number.h"
#include "units/pitch.h"
#include "units/scale.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <numeric>
#include <optional>

#include <fmt/format.h>

namespace lariat {
namespace {

using Answers = std::vector<Reckoned>;

constexpr double kSixteenths = 4.0; ///< to a beat
constexpr double kPulsesPerBar = 16.0;
constexpr std::array<const char*, 13> kIntervals = {
    "unison", "minor second", "major second", "minor third",   "major third",   "fourth", "tritone",
    "fifth",  "minor sixth",  "major sixth",  "minor seventh", "major seventh", "octave"};

std::string shortened(double value, int digits) {
    std::string text = fmt::format("{:.{}f}", value, digits);
    if (text.find('.') == std::string::npos) return text;
    while (text.back() == '0') text.pop_back();
    if (text.back() == '.') text.pop_back();
    return text == "-0" ? "0" : text;
}

std::string seconds(double s) {
    return s < 1.0 ? fmt::format("{} ms", shortened(1e3 * s, s < 0.01 ? 3 : 2)) : fmt::format("{} s", shortened(s, 3));
}
std::string hertz(double hz) {
    return hz >= 1000.0 ? fmt::format("{} kHz", shortened(hz / 1000.0, 4))
                        : fmt::format("{} Hz", shortened(hz, hz < 10 ? 4 : 2));
}
std::string volts(double v) {
    return fmt::format("{} V", shortened(v, 4));
}

void add(Answers& out, Sentence what, std::string value) {
    out.push_back({std::move(what), std::move(value)});
}

void addPitch(Answers& out, double hz) {
    add(out, say("note"), pitchText({hz}));
    add(out, say("pitch at 1 V per octave, 0 V is C4"), volts(toVolts({hz}).value));
    const double c0 = noteToHertz(12).value; // of the school that doubles its volts with each octave, 1 V is C0
    add(out, say("pitch in volts per hertz, 1 V is C0"), volts(hz / c0));
}

void addSamples(Answers& out, double s, const ReckonContext& context) {
    add(out, say("samples at {} kHz", shortened(context.rate / 1000.0, 1)), shortened(s * context.rate, 1));
}

Answers ofTempo(double bpm, const ReckonContext& context) {
    Answers out;
    const double beat = 60.0 / bpm;
    for (const auto& [what, part] : {std::pair{say("a bar of four"), 4.0},
                                     {say("a quarter"), 1.0},
                                     {say("an 8th"), 0.5},
                                     {say("a 16th"), 0.25},
                                     {say("a 32nd"), 0.125},
                                     {say("a dotted 8th"), 0.75},
                                     {say("a triplet 8th"), 1.0 / 3.0},
                                     {say("a triplet 16th"), 1.0 / 6.0}})
        add(out, what, seconds(part * beat));
    add(out, say("rate of the quarters"), hertz(1.0 / beat));
    add(out, say("rate of the 16ths"), hertz(kSixteenths / beat));
    add(out, say("a pulse of 24 to the quarter"), seconds(beat / 24.0));
    addSamples(out, beat, context);
    return out;
}

Answers ofTime(double s, const ReckonContext& context) {
    Answers out;
    add(out, say("rate"), hertz(1.0 / s));
    add(out, say("tempo, if it is a quarter"), fmt::format("{} BPM", shortened(60.0 / s, 2)));
    add(out, say("tempo, if it is a 16th"), fmt::format("{} BPM", shortened(15.0 / s, 2)));
    addSamples(out, s, context);
    if (context.tempo > 0.0)
        add(out, say("part of a 16th at {} BPM", shortened(context.tempo, 2)),
            fmt::format("{} %", shortened(100.0 * s * context.tempo / 15.0, 1)));
    if (1.0 / s >= 16.0) addPitch(out, 1.0 / s);
    return out;
}

Answers ofHertz(double hz, const ReckonContext& context) {
    Answers out;
    addPitch(out, hz);
    add(out, say("rate"), hertz(hz));
    add(out, say("period"), seconds(1.0 / hz));
    addSamples(out, 1.0 / hz, context);
    if (hz <= 40.0) {
        add(out, say("tempo, if it is a quarter"), fmt::format("{} BPM", shortened(60.0 * hz, 2)));
        add(out, say("tempo, if it is a 16th"), fmt::format("{} BPM", shortened(15.0 * hz, 2)));
    }
    return out;
}

void addLevel(Answers& out, double peak) {
    const double rms = std::abs(peak) / std::numbers::sqrt2;
    if (rms <= 0.0) return;
    add(out, say("a sine of that peak, RMS"), volts(rms));
    add(out, say("a sine of that peak, peak to peak"), volts(2.0 * std::abs(peak)));
    add(out, say("its level"), fmt::format("{} dBu", shortened(toDbu({rms}).value, 2)));
    add(out, say("below full scale"), fmt::format("{} dBFS", shortened(toDbfs({std::abs(peak)}).value, 2)));
}

Answers ofVolts(double v) {
    Answers out;
    add(out, say("interval at 1 V per octave"), fmt::format("{} st", shortened(12.0 * v, 2)));
    if (std::abs(v) <= 9.0) {
        const double hz = toHertz({v}).value;
        add(out, say("note at 1 V per octave"), pitchText({hz}));
        add(out, say("pitch at 1 V per octave"), hertz(hz));
    }
    addLevel(out, v);
    return out;
}

Answers ofRatio(double ratio) {
    Answers out;
    const double cents = ratioToCents(ratio).value;
    add(out, say("interval"), fmt::format("{} ct", shortened(cents, 2)));
    add(out, say("in semitones"), fmt::format("{} st", shortened(cents / 100.0, 3)));
    add(out, say("at 1 V per octave"), volts(cents / 1200.0));
    const double within = std::abs(cents) - 1200.0 * std::floor(std::abs(cents) / 1200.0);
    const auto nearest = static_cast<std::size_t>(std::lround(within / 100.0));
    add(out, say("near"),
        fmt::format("{}{} {:+.1f} ct", std::abs(cents) >= 1200.0 && nearest < 12 ? "compound " : "",
                    kIntervals[nearest], within - 100.0 * static_cast<double>(nearest)));
    return out;
}

/// Pieces between spaces and commas.
std::vector<std::string> wordsOf(std::string_view line) {
    std::vector<std::string> words;
    std::string word;
    for (const char c : line) {
        if (c == ' ' || c == '\t' || c == ',') {
            if (!word.empty()) words.push_back(std::move(word));
            word.clear();
        } else {
            word += c;
        }
    }
    if (!word.empty()) words.push_back(std::move(word));
    return words;
}

struct Amount {
    double value = 0.0;
    std::string unit; ///< lower case; "note" for hertz that were written as a note
};

std::optional<Amount> amountIn(std::string_view text) {
    while (text.starts_with(' ')) text.remove_prefix(1);
    while (text.ends_with(' ')) text.remove_suffix(1);
    if (const auto note = parseNote(text)) return Amount{noteToHertz(*note).value, "note"};
    const auto digits = std::min(text.find_first_not_of("0123456789.+-"), text.size());
    std::string_view number = text.substr(0, digits);
    if (number.starts_with('+')) number.remove_prefix(1);
    const auto value = parseNumber(number);
    if (!value || !std::isfinite(*value)) return std::nullopt;
    std::string unit;
    for (const char c : text.substr(digits))
        if (c != ' ') unit += static_cast<char>(c >= 'A' && c <= 'Z' ? c - 'A' + 'a' : c);
    return Amount{*value, unit};
}

/// What anybody would ask for; beyond it figures overflow and mean nothing.
bool within(double value, double min, double max) {
    return value >= min && value <= max;
}
bool isPitch(double hz) {
    return within(hz, 1e-3, 1e6);
}
bool isRatio(double ratio) {
    return within(ratio, 1e-6, 1e6);
}

/// Hertz of a pitch, however it is written.
std::optional<double> pitchIn(const Amount& amount) {
    const double hz = amount.unit == "khz" ? 1000.0 * amount.value : amount.value;
    if (amount.unit == "note" || amount.unit == "hz" || amount.unit == "khz")
        return isPitch(hz) ? std::optional(hz) : std::nullopt;
    if (amount.unit == "v" && std::abs(amount.value) <= 10.0) return toHertz({amount.value}).value;
    return std::nullopt;
}

/// Divided or multiplied: "d4 / 4 5 6".
std::optional<Answers> ofDivisions(std::string_view line) {
    const auto sign = line.find_first_of("/*");
    if (sign == std::string_view::npos) return std::nullopt;
    const auto left = amountIn(line.substr(0, sign));
    const auto pitch = left ? pitchIn(*left) : std::nullopt;
    if (!pitch) return std::nullopt;
    Answers out;
    std::string chord;
    for (const std::string& word : wordsOf(line.substr(sign + 1))) {
        const auto by = parseNumber(word);
        if (!by || !(*by > 0.0 && *by <= 10000.0)) return std::nullopt;
        const double hz = line[sign] == '/' ? *pitch / *by : *pitch * *by;
        const std::string note = hz >= 8.0 && hz < 20000.0 ? pitchText({hz}) : std::string();
        add(out, line[sign] == '/' ? say("divided by {}", shortened(*by, 3)) : say("times {}", shortened(*by, 3)),
            hertz(hz));
        if (note.empty()) continue;
        add(out, say("which is the note"), note);
        chord += (chord.empty() ? "" : " ") + note;
    }
    if (out.empty()) return std::nullopt;
    if (chord.find(' ') != std::string::npos && out.size() > 2) add(out, say("together"), chord);
    return out;
}

std::optional<Answers> ofLengths(const std::vector<std::string>& words, const ReckonContext& context) {
    if (words.size() < 2 || words.size() > 16) return std::nullopt;
    long whole = 1;
    for (const std::string& word : words) {
        const auto length = parseNumber(word);
        if (!length || *length < 1.0 || *length > 4096.0 || *length != std::floor(*length)) return std::nullopt;
        whole = std::lcm(whole, static_cast<long>(*length));
        if (whole > 1'000'000'000L) return std::nullopt;
    }
    Answers out;
    add(out, say("they meet again after"), fmt::format("{} steps", whole));
    add(out, say("in bars of 16"), shortened(static_cast<double>(whole) / kPulsesPerBar, 3));
    if (context.tempo > 0.0) {
        const double s = static_cast<double>(whole) * 15.0 / context.tempo;
        add(out, say("in 16ths at {} BPM", shortened(context.tempo, 2)),
            s < 60.0 ? seconds(s)
                     : fmt::format("{} min {:02.0f} s", static_cast<long>(s) / 60, std::fmod(std::floor(s), 60.0)));
    }
    for (const std::string& word : words)
        add(out, say("times that {} is played", word), shortened(static_cast<double>(whole) / *parseNumber(word), 0));
    return out;
}

/// "2 v at 38 %": what an attenuator leaves. "7 st from 5 v": where it has to stand.
std::optional<Answers> ofAttenuator(std::string_view line) {
    Answers out;
    if (const auto at = line.find(" at "); at != std::string_view::npos) {
        const auto whole = amountIn(line.substr(0, at));
        const auto part = amountIn(line.substr(at + 4));
        if (!whole || !part || whole->unit != "v" || part->unit != "%" || !within(whole->value, -1e4, 1e4) ||
            !within(part->value, -1e4, 1e4))
            return std::nullopt;
        const double left = 0.01 * part->value * whole->value;
        add(out, say("what is left"), volts(left));
        add(out, say("in semitones at 1 V per octave"), fmt::format("{} st", shortened(12.0 * left, 2)));
        if (part->value >= 0.0 && part->value <= 100.0)
            add(out, say("where an attenuator stands for it"), clockHand(0.01 * part->value));
        return out;
    }
    if (const auto from = line.find(" from "); from != std::string_view::npos) {
        const auto wanted = amountIn(line.substr(0, from));
        const auto whole = amountIn(line.substr(from + 6));
        if (!wanted || !whole || whole->unit != "v" || whole->value == 0.0 || !within(whole->value, -1e4, 1e4) ||
            !within(wanted->value, -1e6, 1e6))
            return std::nullopt;
        const double semitones = wanted->unit == "st"   ? wanted->value
                                 : wanted->unit == "ct" ? 0.01 * wanted->value
                                                        : NAN;
        if (std::isnan(semitones)) return std::nullopt;
        const double part = semitones / 12.0 / whole->value;
        add(out, say("volts that it takes"), volts(semitones / 12.0));
        add(out, say("part of the whole"), fmt::format("{} %", shortened(100.0 * part, 2)));
        if (part >= 0.0 && part <= 1.0) {
            add(out, say("where an attenuator stands for it"), clockHand(part));
            add(out, say("where an attenuverter stands for it"), clockHand(0.5 + 0.5 * part));
        } else if (part >= -1.0 && part < 0.0) {
            add(out, say("where an attenuverter stands for it"), clockHand(0.5 + 0.5 * part));
        } else {
            add(out, say("an attenuator cannot; amplify"), fmt::format("× {}", shortened(part, 2)));
        }
        return out;
    }
    return std::nullopt;
}

std::optional<double> ratioIn(std::string_view line) {
    const auto sign = line.find_first_of("/:");
    if (sign == std::string_view::npos) return std::nullopt;
    const auto a = amountIn(line.substr(0, sign));
    const auto b = amountIn(line.substr(sign + 1));
    if (!a || !b || !a->unit.empty() || !b->unit.empty() || !(a->value > 0.0) || !(b->value > 0.0)) return std::nullopt;
    return a->value / b->value;
}

} // namespace

Result<std::vector<Reckoned>> reckon(std::string_view line, const ReckonContext& context) {
    const auto first = line.find_first_not_of(" \t");
    if (first == std::string_view::npos || line.size() > 200)
        return failure(
            say("write what is to be reckoned: 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, 2 v at 38 %, "
                "7 st from 5 v, +4 dbu, or lengths such as 5 7 16"));
    line.remove_prefix(first);
    if (auto answers = ofAttenuator(line)) return std::move(*answers);
    if (const auto ratio = ratioIn(line); ratio && isRatio(*ratio)) return ofRatio(*ratio);
    if (auto answers = ofDivisions(line)) return std::move(*answers);
    if (auto answers = ofLengths(wordsOf(line), context)) return std::move(*answers);
    if (const auto amount = amountIn(line)) {
        const auto& [value, unit] = *amount;
        if (unit == "bpm" && within(value, 1e-3, 1e5)) return ofTempo(value, context);
        if (unit == "ms" && within(value, 1e-3, 1e9)) return ofTime(1e-3 * value, context);
        if ((unit == "s" || unit == "sec") && within(value, 1e-6, 1e6)) return ofTime(value, context);
        if (unit == "samples" && within(value, 0.1, 1e12)) return ofTime(value / context.rate, context);
        if (unit == "hz" || unit == "khz" || unit == "note")
            if (const auto pitch = pitchIn(*amount)) return ofHertz(*pitch, context);
        if (unit == "v" && within(value, -1e4, 1e4)) return ofVolts(value);
        if (unit == "st" && within(value, -200, 200)) return ofRatio(std::exp2(value / 12.0));
        if (unit == "ct" && within(value, -20'000, 20'000)) return ofRatio(std::exp2(value / 1200.0));
        if ((unit == "dbu" || unit == "dbfs" || unit == "dbv") && within(value, -300, 100)) {
            const double rms = unit == "dbu"   ? std::sqrt(0.6) * toRatio({value})
                               : unit == "dbv" ? toRatio({value})
                                               : kFullScaleVolts / std::numbers::sqrt2 * toRatio({value});
            Answers out;
            add(out, say("peak"), volts(std::numbers::sqrt2 * rms));
            addLevel(out, std::numbers::sqrt2 * rms);
            return out;
        }
        if (unit == "db" && within(value, -300, 300)) {
            Answers out;
            add(out, say("as a factor"), fmt::format("× {}", shortened(toRatio({value}), 4)));
            add(out, say("of a voltage"), fmt::format("{} %", shortened(100.0 * toRatio({value}), 2)));
            return out;
        }
    }
    return failure(say("\"{}\" cannot be reckoned; write 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, "
                       "2 v at 38 %, 7 st from 5 v, +4 dbu, or lengths such as 5 7 16",
                       line));
}

} // namespace lariat
