// Is the real one like this? A recording of the real case against the simulation; and which knobs would make them
// alike.
#pragma once

#include "ask/ask.h"
#include "plan/seek.h"

namespace lariat {

/// A recording of what leaves the case, and what the simulation gives for the same time.
struct RealPair {
    Trace simulated;
    Trace recorded;
    double offset = 0.0; ///< seconds into the recording at which the simulation begins
    double drift = 0.0;  ///< ppm by which the recording runs longer
    double gain = 1.0;   ///< by which it is louder
    bool inverted = false;
    double likeness = 0.0; ///< correlation of both then; below 0.3 their waves cannot be laid over each other,
    bool byWave = true;    ///< and only their loudness over time was: drift and polarity are not known then
};

struct RealOptions {
    double seconds = 8.0;
    JackRef at{}; ///< an output that was recorded; an empty post: the way out, left
    std::function<bool(double)> progress{};
};

/// Runs the patch as long as the recording has it, in the real case, and lays both over each other. Fails for a silent
/// recording or patch, or when they have nothing in common.
Result<RealPair> pairUp(const Patch& patch, const Library& library, const Trace& recording, const RealOptions& options);
/// Pitch per note, level, envelope times, spectrum by bands, noise floor, hits: what differs, in words.
Answer askReal(const RealPair& pair, const RealOptions& options = {});

struct FitOptions {
    std::vector<SeekKnob> knobs; ///< none: those that are unknown in the patch
    double seconds = 2.0;        ///< of the recording that are matched, from where it begins
    JackRef at{};
    int mostRuns = 320;
    std::function<bool(double)> progress{};
};

/// What was found, and how alike it made them.
struct Fitted {
    Sought sought;       ///< its goals: alike within so many dB, and pitches
    double before = 0.0; ///< dB of unlikeness as the patch stands
    double after = 0.0;
    /// Brings what was found into the patch: knobs that were unknown stay so, within the range in which they match.
    Edits edits;
};
/// Turns knobs until a silent run is like the recording; each with the range in which, the others
/// staying, it still is. Fails if no knob is given or unknown, or as pairUp and seek do.
Result<Fitted> fitToRecording(const Patch& patch, const Library& library, const Trace& recording,
                              const FitOptions& options);
/// In figures and a sentence.
Answer fitAnswer(const Fitted& fitted, const Patch& patch, const Library& library);

} // namespace lariat
