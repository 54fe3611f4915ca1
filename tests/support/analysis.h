// What tests look for in a recording.
#pragma once

#include <span>
#include <string>
#include <vector>

namespace lariat::test {

inline constexpr double kPi = 3.14159265358979323846;

/// The signal as a file at 48 kHz would have it, without its first tenth of a second.
std::vector<float> atFileRate(const std::vector<float>& volts);
/// Loudest thing between 20 Hz and 18 kHz that is no harmonic of `hertz`, in dB below the strongest of the first eight.
double aliasFloor(const std::vector<float>& volts, double hertz, double rate = 48000.0);
/// Steady amplitude of a sine in the last part of a recording, over whole cycles.
double amplitudeOf(const std::vector<float>& volts, double hertz, double rate = 96000.0, double lastSeconds = 0.3);
/// Part of a recording.
std::vector<float> part(const std::vector<float>& volts, double from, double to, double rate = 96000.0);
/// Mean of a recording.
double meanOf(std::span<const float> volts);
/// Highest absolute value of a recording.
double peakOf(std::span<const float> volts);
/// Hertz of a recording; 0 if it has no pitch.
double pitchOf(std::span<const float> volts, double rate = 96000.0);

/// Notes a measured figure of a block for docs/blocks.md, in the file that $LARIAT_FIGURES names, if it does.
void figure(const char* block, const std::string& text);
/// Notes the worst of all values given for one quantity of a block, when the program ends: "pitch within 0.04 cent".
void worst(const char* block, const char* what, double value, const char* unit);

} // namespace lariat::test
