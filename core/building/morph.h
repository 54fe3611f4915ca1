// Settings of a whole patch: where all knobs stand, and the way from one to another.
#pragma once

#include "building/edits.h"
#include "library/library.h"

namespace lariat {

/// Where all knobs of a patch stand, those at their initial place too.
Setting settingOf(const Patch& patch, const Library& library);
/// The way from where the knobs stand to a mix of two settings: 0 is `a`, 1 is `b`; in between each knob stands between
/// its two places on the dial, and a switch changes in the middle. Locked knobs and posts that are gone stay out.
Edits morph(const Patch& patch, const Library& library, const Setting& a, const Setting& b, double mix);

} // namespace lariat
