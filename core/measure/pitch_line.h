// Pitch against time, and what a player does with it: vibrato and glides.
#pragma once

#include "measure/measure.h"

#include <functional>
#include <optional>
#include <span>
#include <vector>

namespace lariat {

struct PitchPoint {
    double at = 0.0;      ///< seconds, the middle of the frame
    double hertz = 0.0;   ///< 0: no pitch there
    double clarity = 0.0; ///< see PitchReading
    double level = 0.0;   ///< RMS of the frame without DC, in volts
    [[nodiscard]] bool clear() const { return hertz > 0.0 && clarity > 0.9; }
};

struct PitchLineOptions {
    std::size_t most = 400; ///< points at most
    double hop = 0.01;      ///< seconds from one to the next, or more where there would be too many
    double lowest = 20.0;   ///< hertz
};
/// Frames of 40 ms, or as long as four periods of what is lower. Nothing if `goesOn` says no.
std::vector<PitchPoint> pitchLine(std::span<const float> whole, double rate, const PitchLineOptions& options = {},
                                  const std::function<bool(double)>& goesOn = {});

struct Vibrato {
    double hertz = 0.0;
    double cents = 0.0; ///< to either side
};
/// A regular sway of 2 to 12 Hz around a pitch that otherwise stays within a semitone; nothing below 2 cents.
std::optional<Vibrato> vibratoOf(std::span<const PitchPoint> line);

struct Glide {
    double from = 0.0; ///< hertz
    double to = 0.0;
    double at = 0.0; ///< seconds where it begins
    double seconds = 0.0;
};
/// Ways from one held pitch to another, at least 30 ms long; a step at once is none. Good to a hop of the line.
std::vector<Glide> glidesOf(std::span<const PitchPoint> line);

} // namespace lariat
