#include "units/pitch.h"

#include <array>
#include <charconv>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr std::array<const char*, 12> kNames = {"C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"};

bool take(std::string_view& text, std::string_view word) {
    if (!text.starts_with(word)) return false;
    text.remove_prefix(word.size());
    return true;
}

} // namespace

Hertz noteToHertz(double note, const PitchReference& reference) {
    return {reference.a4.value * std::exp2((note - 69.0) / 12.0)};
}

Hertz toHertz(Volts pitch, const PitchReference& reference) {
    return {noteToHertz(reference.zeroVoltNote, reference).value * std::exp2(pitch.value)};
}

Volts toVolts(Hertz frequency, const PitchReference& reference) {
    return {std::log2(frequency.value / noteToHertz(reference.zeroVoltNote, reference).value)};
}

Volts noteToVolts(double note, const PitchReference& reference) {
    return {(note - reference.zeroVoltNote) / 12.0};
}

NearestNote nearestNote(Hertz frequency, const PitchReference& reference) {
    const double exact = 69.0 + 12.0 * std::log2(frequency.value / reference.a4.value);
    const double note = std::round(exact);
    return {static_cast<int>(note), Cents{100.0 * (exact - note)}};
}

std::string noteName(int note) {
    const int octave = (note >= 0 ? note / 12 : (note - 11) / 12);
    return fmt::format("{}{}", kNames[static_cast<std::size_t>(note - 12 * octave)], octave - 1);
}

std::string pitchText(Hertz frequency, const PitchReference& reference) {
    const NearestNote near = nearestNote(frequency, reference);
    const double cents = std::round(near.off.value);
    if (cents == 0.0) return noteName(near.note);
    return fmt::format("{} {:+.0f}", noteName(near.note), cents);
}

std::optional<int> parseNote(std::string_view text) {
    if (text.empty()) return std::nullopt;
    constexpr std::string_view letters = "CDEFGAB";
    constexpr std::array<int, 7> semitones = {0, 2, 4, 5, 7, 9, 11};
    const char upper = static_cast<char>(text[0] >= 'a' && text[0] <= 'g' ? text[0] - 'a' + 'A' : text[0]);
    const auto letter = letters.find(upper);
    if (letter == std::string_view::npos) return std::nullopt;
    text.remove_prefix(1);
    int note = semitones[letter];
    if (take(text, "♯") || take(text, "#"))
        ++note;
    else if (take(text, "♭") || take(text, "b"))
        --note;
    int octave = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), octave);
    if (error != std::errc{} || end != text.data() + text.size() || octave < -2 || octave > 11) return std::nullopt;
    return note + 12 * (octave + 1);
}

Cents ratioToCents(double ratio) {
    return {1200.0 * std::log2(ratio)};
}

} // namespace lariat
