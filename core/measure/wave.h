// The shape of a signal: period, duty, rise and overshoot, phase between two, and the stages of an envelope.
#pragma once

#include "measure/measure.h"

#include <optional>
#include <span>
#include <vector>

namespace lariat {

/// What a wave is in figures. Levels after IEEE 181: base and top are the fullest places of the lower and the upper
/// part of a histogram; passages are read at 10, 50 and 90 % between them, between the samples.
struct WaveReading {
    LevelReading level;
    std::optional<double> hertz;     ///< if it repeats itself at least twice
    std::optional<double> duty;      ///< part of the period above half way, 0…1
    std::optional<double> rise;      ///< seconds from 10 to 90 %, median of all edges
    std::optional<double> fall;      ///< the same downwards
    std::optional<double> overshoot; ///< beyond its top, as a part of base to top; only of what has flat tops
};
/// Nothing but the level for what stands still or is too short.
WaveReading measureWave(std::span<const float> volts, double rate);

/// Where a signal passes a level upwards, or downwards, in samples, with a hysteresis of `tenth` of its swing.
std::vector<double> passages(std::span<const float> volts, double level, bool rising, double hysteresis);

/// By how many degrees, -180…+180, b comes before a, at the frequency that both share; nothing if they do not.
/// Read at their fundamentals (Hann window), so that different shapes compare.
std::optional<double> phaseBetween(std::span<const float> a, std::span<const float> b, double rate);
/// The same where their frequencies, in hertz, have been measured.
std::optional<double> phaseBetween(std::span<const float> a, double hertzA, std::span<const float> b, double hertzB,
                                   double rate);

/// The stages of one strike of an envelope, in seconds from its start and in volts.
struct Stages {
    double attack = 0.0;           ///< to its highest place
    double peak = 0.0;             ///< volts there
    std::optional<double> decay;   ///< from there until it has come to its sustain; nothing if it does not hold any
    double sustain = 0.0;          ///< volts just before the gate closes
    double open = 0.0;             ///< how long the gate was open
    std::optional<double> release; ///< from the gate's end to rest; nothing if the next strike comes before
    bool straight = false;         ///< its decay is a line: ends are where the lines meet; else within 1 % of the way
};
/// One strike: `volts` from the edge that opens the gate to the next one (or the end), the gate closing at sample
/// `close`. Ends of straight stages are good to a sample. Nothing for an envelope that does not rise.
std::optional<Stages> measureStages(std::span<const float> volts, double rate, double close);

} // namespace lariat
