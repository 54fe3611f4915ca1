// What scenes do to knobs, as lines over the beats of the song: compiled once, played run by run.
//
// A knob that a scene sets goes there when the scene begins, switches at once, others smoothly. A knob that is moved
// follows its move: its place on the dial is a straight line between the beats at which the move begins and ends, read
// at both ends of each run. Live and offline obey the same lines, so they give the same samples.
#pragma once

#include "blocks/block.h"
#include "library/library.h"

#include <vector>

namespace lariat {

/// A stretch of a knob's line.
struct AutomationPiece {
    double from = 0.0;  ///< beats from the start of the song
    double to = 0.0;    ///< the same as `from`: it is set there
    double begin = 0.0; ///< fractions of the travel
    double end = 0.0;
};

struct AutomationLine {
    std::string post;
    std::string knob;
    Scale scale;
    std::vector<AutomationPiece> pieces; ///< in order of time

    /// The last piece that has begun at a beat; -1: none.
    [[nodiscard]] int pieceAt(double beat) const;
    /// The value at a beat, in the knob's unit, as the piece has it.
    [[nodiscard]] double valueAt(int piece, double beat) const;
};

/// One line for each knob that a scene of the patch sets or moves.
std::vector<AutomationLine> automationOf(const Patch& patch, const Library& library);
/// Beats of all scenes.
double beatsOf(const std::vector<Scene>& scenes);
/// Seconds of all scenes, at the tempos that they set.
double secondsOf(const Patch& patch, const Library& library);
/// The scene at a beat, and the beat at which it began; -1 before the first and behind the last.
std::pair<int, double> sceneAt(const std::vector<Scene>& scenes, double beat);

} // namespace lariat
