// The order of posts along the flow: sources before what they feed, the way out last.
#pragma once

#include "building/edits.h"
#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

/// Ids of the posts in that order: voices stay together, and where nothing decides, posts keep their order. Cables that
/// close a loop are not counted.
std::vector<std::string> orderAlongFlow(const Patch& patch);
/// The edits that bring the posts into it; none if they stand so already.
Edits orderPosts(const Patch& patch);

/// Cables, and behind them the edits that bring posts which had none until now to where their first cable wants them:
/// a source before what it feeds, a target behind what feeds it. Posts that have been tied before stay where they are.
Edits withNewcomersPlaced(const Patch& patch, Edits ties);

} // namespace lariat
