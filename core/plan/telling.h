// Of the knobs that nobody wrote down: which one's place would tell most.
//
// Each is put to both ends of what is known of it, and the patch run silently; how far what is heard then differs is
// what knowing it would tell. The difference is that of the levels in dB in third octaves from 25 Hz to 16 kHz and of
// the loudness over time in tenths of a second, each as root mean square; what lies 60 dB below the loudest counts as
// silence.
#pragma once

#include "library/unknowns.h"

#include <functional>
#include <span>
#include <vector>

namespace lariat {

struct Telling {
    UnknownKnob unknown;
    double decibels = 0.0; ///< how far both ends are apart
};

/// All of them, what tells most first. Runs of so many seconds each. Fails when `goesOn` says no.
Result<std::vector<Telling>> whatTellsMost(const Patch& patch, const Library& library, double seconds = 2.0,
                                           const std::function<bool(double)>& goesOn = {});
/// How far two sounds of one length differ, in dB.
double soundDistance(std::span<const float> a, std::span<const float> b, double rate);

} // namespace lariat
