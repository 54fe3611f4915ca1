// What nobody wrote down: knobs and switches of a patch that are unknown.
#pragma once

#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

struct UnknownKnob {
    std::string post;
    std::string knob;
    double low = 0.0; ///< between which values it stands, in its unit
    double high = 0.0;
    double guess = 0.0;    ///< at which it is simulated
    bool narrowed = false; ///< more is known than what the knob can be
};

/// In the order of posts and knobs.
std::vector<UnknownKnob> unknownsOf(const Patch& patch, const Library& library);
/// Knobs and switches of all posts; buttons stand nowhere.
int knobCount(const Patch& patch, const Library& library);
/// "between 10:00 and 12:00, here at 11:10", "anywhere, here at AD".
Sentence unknownText(const UnknownKnob& unknown, const KnobInfo& knob);

} // namespace lariat
