// What tests look for in a recording.
#pragma once

#include <span>
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

} // namespace lariat::test
