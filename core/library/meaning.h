// Meaning that moves: the words and uses of jacks and knobs that are in force now, given plugs and switches.
#pragma once

#include "library/library.h"

namespace lariat {

/// The jack's word in force.
const std::string& jackWord(const Patch& patch, const Library& library, const JackRef& ref);

/// A knob as it works now.
struct KnobInForce {
    const std::string* name = nullptr;
    BlockPoint at;                ///< the control that it sets
    const Scale* scale = nullptr; ///< in that control's unit
    double value = 0.0;           ///< of that control; the knob keeps its place on the dial when its use changes
};
KnobInForce knobInForce(const Patch& patch, const Post& post, const PartInfo& part, const KnobInfo& knob);

/// True if turning this switch changes what others set.
bool movesMeanings(const PartInfo& part, const std::string& knob);

} // namespace lariat
