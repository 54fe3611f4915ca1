// How loud along the way? The path from a source to the way out as a ladder, stage by stage.
#pragma once

#include "ask/ask.h"

namespace lariat {

struct LoudOptions {
    JackRef source{}; ///< an output; an empty post: the nearest head of what is heard
    double seconds = 6.0;
    bool realCase = true; ///< the floor of noise is only there in the real case
    std::function<bool(double)> progress{};
};

/// One stage of the ladder.
struct Rung {
    JackRef jack;
    int node = -1;   ///< of the flow map …
    int output = 0;  ///< … and its output
    double gain = 1; ///< that knobs give what comes from the rung before
};
/// The shortest way of sound from a source to the way out; empty if none leads there.
std::vector<Rung> ladderOf(const Patch& patch, const Library& library, JackRef source);

/// Runs the patch silently, and once more with the source muted, and measures each stage: peak, RMS, DC, crest,
/// polarity against the source, time beyond ±10 V, gain, noise floor, headroom; opens every sum into its parts; at the
/// way out V, dBu, dBV, dBFS and LUFS. What costs headroom comes with the knob and the place that mends it, tried in a
/// run of its own. Fails if the source is none, nothing leads to a way out, or when stopped.
Result<Answer> askLoud(const Patch& patch, const Library& library, const LoudOptions& options);

} // namespace lariat
