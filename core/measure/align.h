// Two recordings of the same thing laid over each other: start, polarity, gain, and how their clocks drift apart.
#pragma once

#include <optional>
#include <span>
#include <vector>

namespace lariat {

struct Alignment {
    double offset = 0.0; ///< seconds into `b` at which `a` begins; negative: b begins later
    bool inverted = false;
    double gain = 1.0;     ///< by which `a` is to be multiplied to be most like `b`; above zero
    double drift = 0.0;    ///< parts per million by which b runs longer
    double likeness = 0.0; ///< correlation of both at their best, 0…1
};

struct AlignOptions {
    bool mayInvert = true; ///< one may be the other turned over
    double around = 0.0;   ///< seconds: about where b begins …
    double reach = 1e9;    ///< … and how far from there it may
};

/// By cross-correlation (FFT): the offset to a part of a sample, the drift from the offsets of pieces (1 ppm over 10
/// s). Both at one rate. Nothing if one of them is silent, or they have too little in common to tell (below 0.1).
std::optional<Alignment> align(std::span<const float> a, std::span<const float> b, double rate,
                               const AlignOptions& options = {});

/// `b` as it would have been recorded beside `a`: its start, clock, polarity and gain brought to those of a. As long as
/// a.
std::vector<float> aligned(std::span<const float> b, double rate, const Alignment& alignment, std::size_t length);

/// Linear correlation of two signals without their DC, -1…+1, and the lag in seconds (b after a, within ±`most`) at
/// which it is largest in size.
struct Correlation {
    double now = 0.0;
    double best = 0.0;
    double lag = 0.0;
};
std::optional<Correlation> correlate(std::span<const float> a, std::span<const float> b, double rate, double most);

/// A signal at another rate, by libsamplerate (sinc, medium quality).
std::vector<float> resampled(std::span<const float> volts, double from, double to);

} // namespace lariat
