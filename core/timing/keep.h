// What was recorded into a sequencer while it ran, taken into the patch.
#pragma once

#include "blocks/block.h"
#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

/// The steps that a quantizer tells of (Block::tell of quantizer.cpp): what its present slot holds, to the nearest
/// semitone. Empty if it holds none.
std::vector<Step> toldSteps(const Told& told);
/// What is written for a post with those steps in the slot that they were told of. Fails if there are none.
Result<Pattern> keptPattern(const Patch& patch, const std::string& post, const Told& told);
/// The same after a silent run of so many seconds from the patch's start: what comes to the record jack is recorded.
/// Fails if the post has no sequence that records, or nothing was.
Result<Pattern> recordedPattern(const Patch& patch, const Library& library, const std::string& post, double seconds);

} // namespace lariat
