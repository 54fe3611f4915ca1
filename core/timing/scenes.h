// Scenes in words, and what a player would say of them.
//
//   Intro: 8 bars
//     tracks variation A
//     filter cutoff 310 Hz
//     left: filter cutoff 310 Hz > 1.2 kHz, bar 3 to 7
//     right: vca offset 0 % > 40 %, bar 5.3 to 6
//   Swell: 16 bars x2
//
// A line with a colon and bars begins a scene; "x2" plays it twice. What follows sets a knob when the scene begins, or
// is a move of the left hand, the right one, or the foot: from > to, and the bars between which it goes. "bar 5.3" is
// the third beat of bar 5. Posts are named as in the chart, knobs as on their panel, values as a knob takes them.
#pragma once

#include "library/library.h"
#include "model/case.h"
#include "units/sentence.h"

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// The error names the line, what was not understood, and what is possible.
Result<std::vector<Scene>> readScenes(std::string_view text, const Patch& patch, const Library& library);
std::string writeScenes(const std::vector<Scene>& scenes, const Patch& patch, const Library& library);

/// Variations of a sequencer one after another, a scene each: "A A B4 C2x2" is A twice, B for four bars, and C for two,
/// played twice; a letter alone has `bars`. Fails, saying what is possible, for a letter that it does not have.
Result<std::vector<Scene>> chainedVariations(std::string_view words, const Patch& patch, const Library& library,
                                             const std::string& post, int bars = 4);

/// What makes a plan unplayable, or what was forgotten.
struct SceneWarning {
    enum class Kind { TwoAtOnce, TooFar, TooFast, LeftDown, Gone, Jumps };
    Kind kind = Kind::TwoAtOnce;
    int scene = 0;
    double beat = 0.0; ///< from the start of the scene
    Sentence text;
};

/// Two moves of one hand at once; a hand that has to be elsewhere sooner than it can (0.3 s, and a second for every
/// 120 HP between the modules, a row counting as 26 HP); a move faster than a hand turns (a whole travel takes a
/// quarter of a second); what is turned down or muted and never comes back; a knob that is gone; a move that does not
/// begin where the knob stands.
std::vector<SceneWarning> checkScenes(const Patch& patch, const Library& library, const Case* housing);

/// The next move at or after a beat of the song, for whoever plays it.
struct NextMove {
    const Move* move = nullptr; ///< of the patch
    int scene = -1;
    double beats = 0.0; ///< until it begins; negative: it is on its way
};
NextMove nextMove(const std::vector<Scene>& scenes, double beat);

/// "filter cutoff 310 Hz · 8:10 > 1.2 kHz · 11:30"
std::string moveText(const Move& move, const Patch& patch, const Library& library);

} // namespace lariat
