// A part that somebody wrote down and nobody knows any more: it stands in the patch, passes on what comes in, and is
// exchanged for a part of the case once it is clear which one it was.
#pragma once

#include "building/capacity.h"
#include "building/edits.h"

#include <string>

namespace lariat {

[[nodiscard]] bool isUnknownPart(const Post& post);

/// Such a part under that name, in no place of the case.
Post unknownPart(const Patch& patch, const std::string& name, const std::string& voice);

/// Edits that make it the part of the case that it was. Cables stay where only one jack of that part can be meant;
/// the others keep their known end, and the other one is open. Fails if the post is none that nobody knows.
Result<Edits> knownAs(const Patch& patch, const Library& library, const std::string& post, const FreePart& part);

} // namespace lariat
