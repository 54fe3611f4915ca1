// What a steady sound is made of: harmonics, sidebands, and the floor beneath them.
#pragma once

#include "measure/measure.h"

#include <span>
#include <vector>

namespace lariat {

struct Partials {
    double hertz = 0.0;            ///< of the first harmonic
    std::vector<double> amplitude; ///< volts, of harmonics 1, 2, …, 40 at most, below half the rate
    double even = 0.0;             ///< RMS in volts of 2, 4, 6, …
    double odd = 0.0;              ///< of 3, 5, 7, …
    double floor = 0.0;            ///< RMS in volts of what is between them, 20 Hz to 20 kHz
    double bandFloor = 0.0;        ///< the same as volts per root hertz, the median
};
/// Good to 0.02 dB for what repeats itself at least twelve times in the span.
Partials measurePartials(const Spectrum& spectrum, double hertz);

struct Sideband {
    int order = 0; ///< 0: the carrier; +2: the second above it
    double hertz = 0.0;
    double amplitude = 0.0;
};
/// Lines at carrier + order · modulator, those within 80 dB of the loudest; a line below zero is folded back.
std::vector<Sideband> measureSidebands(const Spectrum& spectrum, double carrier, double modulator, int most = 8);

/// The loudest line above 20 Hz of one spectrum that the other has not, such as what aliasing adds: hertz and volts.
/// Lines of `other` count within ±`near` bins and 6 dB. Amplitude 0 if there is none.
Spectrum::Partial loudestOnlyIn(const Spectrum& spectrum, const Spectrum& other, double upTo, int near = 6);

/// Power in thirds of an octave from 25 Hz up, in dB of the whole (at least -120).
inline constexpr std::size_t kThirds = 30;
std::vector<double> thirdsOf(const Spectrum& spectrum);
/// Centre of the third octave.
double thirdHertz(std::size_t band);
/// Centre of the power spectrum between 20 Hz and 20 kHz; 0 of silence.
double brightnessOf(const Spectrum& spectrum);

/// Averaged over overlapping frames of `size` samples (Welch 1967), in volts of amplitude; of what is shorter, one
/// frame.
Spectrum averagedSpectrum(std::span<const float> volts, double rate, std::size_t size);

} // namespace lariat
