// What is different between two states of a patch, or two patches: posts, cables, knobs, steps, scenes.
#pragma once

#include "library/library.h"
#include "units/sentence.h"

#include <vector>

namespace lariat {

/// One sentence for each thing that is not the same in `b` as in `a`, in this order: title, key and case; posts;
/// cables; knobs; recordings and tunings; lines of patterns; what is played; scenes. Empty if none is. Posts are the
/// same if their ids are; cables if they tie the same jacks; where something stands in the list does not count.
std::vector<Sentence> differences(const Patch& a, const Patch& b, const Library& library);

} // namespace lariat
