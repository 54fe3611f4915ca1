// Clocks: what steps what, as a tree of ratios, measured in a silent run.
#pragma once

#include "library/library.h"
#include "units/sentence.h"

#include <functional>
#include <string>
#include <vector>

namespace lariat {

inline constexpr double kClockSeconds = 12.0; ///< of the run

/// An output that steps or resets something.
struct ClockBranch {
    JackRef output;
    int parent = -1; ///< the branch that its post is stepped by; -1: it keeps time by itself
    int depth = 0;
    std::vector<JackRef> steps; ///< inputs that it steps
    double hertz = 0.0;         ///< mean rate of its pulses; 0: fewer than two came
    int times = 1;              ///< its rate is times/by that of the first branch …
    int by = 1;
    bool simple = false;        ///< … exactly; else it runs by itself
    double drift = 0.0;         ///< ms a minute by which it parts from that ratio
    bool uneven = false;        ///< its pulses do not come at one distance: swing, fills, notes
    std::vector<double> pulses; ///< seconds at which they came
};

/// "7.47 Hz = 448 BPM, 133.9 ms · ×4", or how far it drifts.
Sentence clockText(const ClockBranch& branch);

/// Whether a post that counts is reset, and by what.
struct ResetState {
    std::string post;
    JackRef by; ///< an empty one: it is not reset
};

struct ClockTree {
    std::vector<ClockBranch> branches; ///< parents before their children
    std::vector<ResetState> resets;
};

/// Fails when cancelled.
Result<ClockTree> clocksOf(const Patch& patch, const Library& library,
                           const std::function<bool(double)>& progress = {});

} // namespace lariat
