// Hits: cut at their trigger, laid over each other, and what there is to say of each.
#pragma once

#include "measure/measure.h"

#include <optional>
#include <span>
#include <vector>

namespace lariat {

/// How loud a sound is from sample to sample: the magnitude of its analytic signal (Gabor 1946), by FFT. Of a sine that
/// dies away, its envelope.
std::vector<float> envelopeOf(std::span<const float> volts);

/// A sine that dies away, a·exp(-t/τ)·sin(…) + DC, fitted by least squares (Levenberg-Marquardt). From one and a half
/// periods on.
struct DampedSine {
    double hertz = 0.0;
    double decay = 0.0;     ///< τ in seconds; negative: it grows
    double amplitude = 0.0; ///< volts at the start
    double unlike = 0.0;    ///< RMS of what is left against RMS of the whole, 0…1
};
/// `near`: about where its frequency lies. Nothing if no such sine is in it.
std::optional<DampedSine> fitDampedSine(std::span<const float> volts, double rate, double near);

struct HitReading {
    double at = 0.0;             ///< seconds of its trigger in the recording
    double peak = 0.0;           ///< volts
    double level = 0.0;          ///< RMS in volts over its first 100 ms, or as long as it is
    double attack = 0.0;         ///< seconds from its trigger to its loudest
    std::optional<double> click; ///< seconds until what is above 200 Hz is 20 dB below its own loudest
    std::optional<double> t20;   ///< seconds from its loudest until it stays 20 dB below
    std::optional<double> t60;   ///< 60 dB; from the slope of its envelope where the next hit comes before
    bool t60Reached = false;     ///< and not worked out from the slope
    std::optional<double> tail;  ///< hertz, of the sine it ends in
    double late = 0.0;           ///< seconds by which it comes later after its trigger than the first one
    double louder = 0.0;         ///< dB against the first one
    double differs = 0.0;        ///< RMS of its difference from the first one against the RMS of that, in per cent
    double differsAt = 0.0;      ///< seconds after the trigger where the difference is largest
    std::span<const float> volts;
};

/// Where sounds begin by themselves: twice as loud as 20 ms before, and a quarter of the loudest. In seconds.
std::vector<double> onsets(std::span<const float> volts, double rate);

inline constexpr double kLongestHit = 4.0; ///< seconds of a hit that are looked at

/// All hits that have room: cut at the triggers (in seconds), each to the next one. Compared over the first 200 ms, or
/// the shortest of them. Hits quieter than 60 dB below the loudest are none.
std::vector<HitReading> measureHits(std::span<const float> volts, double rate, std::span<const double> triggers);

} // namespace lariat
