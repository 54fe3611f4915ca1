// What has to happen to what runs when one patch becomes the next.
//
// Decided in this one place for the live engine, for offline renderers and for whoever moves knobs by itself:
//   knobs      controls go to another value, smoothly; nothing else is touched
//   materials  posts get another pattern, performance, recording or tuning, exchanged in place
//   compile    blocks or wires are others: a new schedule takes over the state of every block that goes on
// Names, notes, headings and the order of posts and rows are nothing to what runs.
#pragma once

#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

struct Change {
    struct Knob {
        std::string post;
        std::string knob;
        double value = 0.0; ///< of the control that the knob sets now, in its unit
    };
    std::vector<Knob> knobs;
    std::vector<std::string> materials; ///< posts
    bool compile = false;               ///< the lists above are empty then: all of it is in the new schedule

    [[nodiscard]] bool nothing() const { return !compile && knobs.empty() && materials.empty(); }
};

/// Both patches must have passed checkPatch.
Change planChange(const Patch& before, const Patch& after, const Library& library);

} // namespace lariat
