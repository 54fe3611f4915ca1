// Steps and MIDI: what was played, as a line of steps, and a line as it is played.
#pragma once

#include "model/pattern.h"
#include "model/performance.h"
#include "timing/pattern_edits.h"

#include <optional>

namespace lariat {

struct StepsFromMidi {
    double stepsPerBeat = 4.0;  ///< 16ths
    std::optional<int> channel; ///< 0…15; nothing: all
    std::optional<int> note;    ///< only this one, as for a drum lane
    int lowest = 0;             ///< a split of the keyboard
    int highest = 127;
    int quantize = 100; ///< per cent of the way to the step
};

/// Notes as steps: where several fall on one, the last one stays; what lasts longer is tied. As long as it needs in
/// whole bars of 16, 64 steps at most; `left` counts the notes that did not fit or were covered.
Steps stepsFrom(const Performance& performance, const StepsFromMidi& how, int* left = nullptr);
/// The same for a lane: hits, accented from velocity 113 on.
Hits hitsFrom(const Performance& performance, const StepsFromMidi& how, int* left = nullptr);

/// A track, or a lane on one note, once through: for a file of its own.
Performance performanceOf(const Track& track, double tempo, int channel = 0, double stepsPerBeat = 4.0);
Performance performanceOf(const Lane& lane, int note, double tempo, int channel = 9, double stepsPerBeat = 4.0);

} // namespace lariat
