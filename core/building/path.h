// A signal path: what reaches a jack, and what it reaches.
#pragma once

#include "library/library.h"

#include <vector>

namespace lariat {

/// Every cable by which something reaches this jack, and every one by which this jack reaches something.
std::vector<int> pathThrough(const Patch& patch, const Library& library, const JackRef& jack);

} // namespace lariat
