// Putting a part into a cable that is there: oscillator → filter → VCA in one move.
#pragma once

#include "building/edits.h"
#include "library/library.h"

namespace lariat {

/// Puts a part into a cable: what left for the cable's input goes into the part, and on from there. The part may be
/// new or a post of the patch. Through which jacks it goes is the part's first fitting input and output that are free.
/// Fails if it has none.
Result<Edits> insertInto(const Patch& patch, const Library& library, int cable, const Post& post);

} // namespace lariat
