// What nobody wrote down: knobs and switches of a patch that are unknown.
#pragma once

#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

/// The module that stands for one that nobody knows; it passes on what comes in.
inline constexpr const char* kUnknownModule = "unknown-module";

struct UnknownKnob {
    std::string post;
    std::string knob;
    double low = 0.0; ///< between which values it stands, in its unit
    double high = 0.0;
    double guess = 0.0;    ///< at which it is simulated
    bool narrowed = false; ///< more is known than what the knob can be
};

/// What of a patch nobody wrote down, counted.
struct UnknownCount {
    int knobs = 0;
    int steps = 0; ///< of all lines and variations
    int ends = 0;  ///< of cables
    int parts = 0; ///< that nobody knows what they are
    [[nodiscard]] bool any() const { return knobs + steps + ends + parts > 0; }
};
UnknownCount countUnknown(const Patch& patch, const Library& library);
/// "7 of 61 knobs unknown", "3 steps unknown"; empty if all is known.
std::vector<Sentence> unknownFacts(const Patch& patch, const Library& library);
/// "Osc Saw to nobody knows where", "… Filter In 1 from: the other sequencer".
Sentence openEndText(const OpenEnd& end, const Patch& patch, const Library& library);

/// In the order of posts and knobs.
std::vector<UnknownKnob> unknownsOf(const Patch& patch, const Library& library);
/// Knobs and switches of all posts; buttons stand nowhere.
int knobCount(const Patch& patch, const Library& library);
/// "between 10:00 and 12:00, here at 11:10", "anywhere, here at AD".
Sentence unknownText(const UnknownKnob& unknown, const KnobInfo& knob);

} // namespace lariat
