// What if the tempo changes: at which tempos what holds now still holds, found by silent runs; and knobs that make it
// hold.
#pragma once

#include "model/edit.h"
#include "timing/responses.h"

#include <functional>
#include <string>
#include <utility>
#include <vector>

namespace lariat {

inline constexpr double kSlowest = 40.0; ///< beats per minute, of a forecast
inline constexpr double kFastest = 240.0;

/// One thing that may or may not hold of a contour.
struct Forecast {
    Fact::Kind kind = Fact::Kind::Sustain; ///< Sustain: every note reaches it; Tail: every tail ends in time
    std::string post;
    bool holdsNow = false;
    bool wanted = true; ///< it is a fault if it does not hold; tails of what a gate holds may run on
    std::vector<std::pair<double, double>> spans{}; ///< tempos between which it holds, slowest first
    Sentence text;                                  ///< "up to 131 BPM every note reaches sustain"
    std::string knob{}; ///< that moves those tempos; empty: it holds at all of them, or the panel has none
    Sentence mover{};   ///< "its Decay moves that"
};

/// Everything that can be foretold of the contours that a sequencer opens. Tempos are found by halving to a tenth of a
/// beat per minute; what changes twice within ten beats per minute may be missed. Fails like responsesOf.
Result<std::vector<Forecast>> forecastOf(const Patch& patch, const Library& library, const std::string& sequencer,
                                         const ResponseOptions& options = {});

/// What a contour is fitted to.
enum class Fit {
    ReachSustain, ///< decay: as long as it may be, for sustain to be reached
    EndBeforeNext ///< release, or the decay of one that has none: as long as it may be, to end before the next note
};
/// The knob and its value, found by silent runs to 0.1 %: for all notes, or for those of one step. Fails if the panel
/// has no such knob, or no position does it; says which stage is too long then.
Result<SetKnob> fitToStep(const Patch& patch, const Library& library, const std::string& sequencer,
                          const std::string& contour, Fit fit, int step = -1, const ResponseOptions& options = {});

} // namespace lariat
