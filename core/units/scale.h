// The scale of a knob or switch: unit, range and taper, and its clock-hand position.
//
// A knob turns from 7 o'clock to 5 o'clock, ten hours on the dial, so a fraction x of the travel stands at
// 7:00 + 600 x minutes; noon is one half. Value <-> fraction:
//   linear   value = min + x (max - min)
//   log      value = min (max / min)^x            (min, max > 0; equal steps are equal ratios)
//   squared  value = min + x^2 (max - min)        (levels and times that start at zero)
//   switch   value = round(x (n - 1)), n positions with words
// A knob that was read off its own metal has marks instead: value runs through them, monotone.
// Another scale may have words as well: then its travel falls into as many zones of one size, each with its word, which
// may end in figures of its own ("major 4:5:6:8").
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

enum class Unit { None, Volts, Hertz, Seconds, Percent, Semitones, Cents, Octaves, Decibels, Bpm, Times };
enum class Taper { Linear, Log, Squared, Switch };

/// What stands at a place of the travel.
struct Mark {
    double fraction = 0.0;
    double value = 0.0;
    bool operator==(const Mark&) const = default;
};

struct Scale {
    Unit unit = Unit::None;
    double min = 0.0;
    double max = 1.0;
    Taper taper = Taper::Linear;
    std::vector<std::string> words{}; ///< the positions of a switch, or the zones of another scale, first to last
    /// A calibrated knob: two or more, rising; the value runs through them (calibration.h) instead of along the taper.
    std::vector<Mark> marks{};

    bool operator==(const Scale&) const = default;

    /// Position within the travel, 0…1, of a value; values outside the range stop at its ends.
    [[nodiscard]] double toFraction(double value) const;
    /// Inverse of toFraction.
    [[nodiscard]] double toValue(double fraction) const;
    /// The value with its unit as people write it: "412 Hz", "38 %", "62 ms", or the word of a switch.
    [[nodiscard]] std::string text(double value) const;
    /// Reads a value ("412 Hz", "1.2k", "D3", "35 %", "62 ms"), a clock-hand position ("10:20") or a switch word; also
    /// in a unit that means the same: a period as a rate, "0.35 V" as pitch, "-12 dB" as a level, and with a tempo in
    /// beats per minute a note value, "1/8", "1/8." or "1/8t". Nothing if it cannot be read; a readable value outside
    /// the range is returned as it is.
    [[nodiscard]] std::optional<double> parse(std::string_view text, double tempo = 0.0) const;
    /// What `parse` accepts, for error messages: "Hz, a note such as D3, or a clock-hand position".
    [[nodiscard]] std::string expectation() const;
};

/// Clock-hand position of a fraction of the travel: 0 is "7:00", 0.5 is "12:00", 1 is "5:00".
std::string clockHand(double fraction);
/// Inverse of clockHand to the minute: "10:20" is 1/3. Nothing for times the knob cannot point at.
std::optional<double> parseClockHand(std::string_view text);

} // namespace lariat
