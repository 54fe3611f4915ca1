// Chaos that was caught: states of a shift register, kept in the patch under names of their own.
//
// A state is a setting of the patch (like A and B) that names one post and what its knobs are, the bits among them, so
// that it is saved, compared and copied like every setting.
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

struct CaughtState {
    std::string setting; ///< its name among the patch's settings
    std::string name;
    unsigned bits = 0; ///< stage 1 the lowest
};

/// The knob that holds the bits of a post's register; nullptr if it has none.
const KnobInfo* stateKnob(const Patch& patch, const Library& library, const std::string& post);
/// States that were caught of a post, by name.
std::vector<CaughtState> caughtStates(const Patch& patch, const Library& library, const std::string& post);
/// Keeps these bits with all the post's knobs. Of a register that runs free the last eight steps are what was heard: it
/// is kept locked to them, and so comes back exactly. Fails if the post has no register, or no name is given, or one
/// that a state of it has.
Result<Edits> catchState(const Patch& patch, const Library& library, const std::string& post, unsigned bits,
                         const std::string& name);
/// The knobs as they were caught; the register takes the bits at once. Fails if there is no such state.
Result<Edits> goToState(const Patch& patch, const Library& library, const std::string& post, const std::string& name);
/// Without that state.
Result<Edits> forgetState(const Patch& patch, const Library& library, const std::string& post, const std::string& name);

} // namespace lariat
