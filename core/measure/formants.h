// Formants: the resonances that make a voice say what it says.
#pragma once

#include <span>
#include <vector>

namespace lariat {

struct Formant {
    double hertz = 0.0;
    double decibels = 0.0; ///< of the smoothed spectrum there, relative to its highest place
};

/// Peaks of the spectral envelope between 200 Hz and 4 kHz, lowest first. The sound is brought down to 10 kHz, raised
/// by 6 dB per octave, and fitted with an all-pole model of order 12 (autocorrelation method, Levinson-Durbin; Makhoul
/// 1975). Needs at least 50 ms; good to a few per cent for a voice below 200 Hz.
std::vector<Formant> measureFormants(std::span<const float> volts, double rate);

} // namespace lariat
