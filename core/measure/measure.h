// Readings of a signal: range, level, pitch, spectrum.
#pragma once

#include "units/quantity.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace lariat {

struct LevelReading {
    Volts min{};
    Volts max{};
    Volts mean{}; ///< DC
    Volts rms{};  ///< DC included
    /// RMS without the DC: what is heard.
    [[nodiscard]] Volts alternating() const;
    [[nodiscard]] Volts swing() const { return {max.value - min.value}; } ///< peak to peak
    [[nodiscard]] Volts peak() const { return {max.value > -min.value ? max.value : -min.value}; }
};

/// A level read piece by piece.
class LevelMeter {
  public:
    void add(std::span<const float> volts);
    /// All zero before the first sample.
    [[nodiscard]] LevelReading reading() const;

  private:
    double min_ = 0.0;
    double max_ = 0.0;
    double sum_ = 0.0;
    double squares_ = 0.0;
    std::size_t count_ = 0;
};

/// All zero for an empty span.
LevelReading measureLevel(std::span<const float> volts);

struct PitchReading {
    Hertz hertz{};
    double clarity =
        0.0; ///< how alike one period is to the next: 1 for a perfect repeat, below 0.95 for a moving sound
};

/// Frequency of a periodic signal, or nothing if it does not repeat itself at least four times within the
/// span, lies below `quietest` RMS, or is noise. Autocorrelation by FFT (McLeod & Wyvill 2005: normalised square
/// difference, first peak above 0.9 of the best), with parabolic interpolation; then refined by
/// the phase of the fundamental. Accurate to about 0.02 cent for a steady signal of fifty periods.
std::optional<PitchReading> measurePitch(std::span<const float> volts, double rate, Volts quietest = {0.05});
/// The same for a sound of which nothing is known: only if it is one tone. A chord, two tones, noise and a loop of
/// drums repeat themselves too, but below what is heard as a pitch (20 Hz), or without a share of the sound at the
/// multiples of it; they have none. From -80 dB of full scale (1) on.
std::optional<PitchReading> measureTone(std::span<const float> sound, double rate);

/// Times in seconds at which the signal rises through `level`, with a hysteresis of a quarter volt.
std::vector<double> risingEdges(std::span<const float> volts, double rate, double level = 1.5);
/// Longest time in seconds for which the signal stays above `level`.
double longestHigh(std::span<const float> volts, double rate, double level = 1.5);

/// Magnitude spectrum in volts of amplitude: a sine of amplitude A shows as A at its bin.
struct Spectrum {
    double binHertz = 1.0;
    std::vector<float> amplitude;
    /// Largest amplitude within ±width bins of a frequency.
    [[nodiscard]] double at(double hertz, int width = 4) const;
    /// The same between the bins: a parabola through the logarithms of the highest bin and its neighbours, within 0.02
    /// dB.
    [[nodiscard]] double peakNear(double hertz, int width = 4) const;

    struct Partial {
        double hertz = 0.0;
        double amplitude = 0.0;
    };
    /// The strongest peaks, loudest first, wherever they lie; those less than 80 dB below the loudest.
    [[nodiscard]] std::vector<Partial> strongest(std::size_t most) const;
};

/// Blackman-Harris windowed FFT of the whole span (side lobes below -92 dB; main lobe ±4 bins).
Spectrum measureSpectrum(std::span<const float> volts, double rate);

} // namespace lariat
