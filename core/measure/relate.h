// How two or more relate: intervals and chords by just ratios, beats, and gates against gates.
#pragma once

#include "units/sentence.h"

#include <optional>
#include <span>
#include <vector>

namespace lariat {

struct Ratio {
    long above = 1;
    long below = 1;
    double cents = 0.0; ///< by which what is measured lies above it
};
/// The simplest ratio of whole numbers up to `most` within `within` cents; nothing if there is none.
std::optional<Ratio> simpleRatio(double ratio, long most = 16, double within = 25.0);
/// The interval that a just ratio is called, "fifth", with octaves left out: "2 octaves and a fifth" is told by
/// `octaves`. Empty if it has no usual name.
struct Interval {
    Sentence name;
    int octaves = 0;
};
Interval intervalName(const Ratio& ratio);

struct Chord {
    std::vector<long> parts; ///< 4, 5, 6, lowest first
    double cents = 0.0;      ///< by which the farthest one is off
    Sentence name;           ///< "major triad"; may be empty
};
/// Whole numbers that several frequencies (lowest first after sorting) stand in, the smallest up to `most`.
std::optional<Chord> chordOf(std::vector<double> hertz, long most = 32, double within = 20.0);

/// One train of gates against another.
struct GateRelation {
    double hertzA = 0.0;
    double hertzB = 0.0;
    double offset = 0.0;  ///< seconds by which the nearest of b come after those of a, the median
    double jitterA = 0.0; ///< seconds RMS of what its times are off an even grid
    double jitterB = 0.0;
    std::optional<double> meet; ///< seconds after which both come together again
};
/// Times in seconds; nothing for fewer than three of one of them.
std::optional<GateRelation> relateGates(std::span<const double> a, std::span<const double> b);

} // namespace lariat
