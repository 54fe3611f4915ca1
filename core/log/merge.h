// What two people changed since a take that both began with, brought together.
#pragma once

#include "log/differences.h"

namespace lariat {

/// Both touched the same thing, and not in the same way: mine stays.
struct Conflict {
    Difference mine;
    Difference theirs;
};

struct Merged {
    Patch patch;                     ///< mine, with what they changed
    std::vector<Difference> brought; ///< from theirs
    std::vector<Conflict> conflicts;
};

/// Fails only where bringing theirs over does.
Result<Merged> merge(const Patch& base, const Patch& mine, const Patch& theirs, const Library& library);

} // namespace lariat
