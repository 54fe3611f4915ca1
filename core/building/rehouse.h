// A patch in another case: which part takes which place, and what is missing.
#pragma once

#include "building/capacity.h"
#include "building/edits.h"
#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

/// Parts that may be a post: those of its own kind first, then whatever has the same jacks and knobs. None may be one
/// that nobody knows.
std::vector<std::size_t> partsFor(const Post& post, const Library& library, const std::vector<FreePart>& parts);

struct Rehousing {
    struct Move {
        std::string post;
        std::string from; ///< slot
        std::string to;
        bool sameKind = true; ///< another module of its kind, not only one that is alike
    };
    std::vector<Move> moves;
    std::vector<std::string> missing; ///< posts for which that case has nothing
    Patch patch;                      ///< in that case, without what is missing and its cables
    int cablesLost = 0;
};
/// Seats every post of a patch in another case, none twice; as many as that case can hold. Parts that nobody knows stay
/// what they are.
Result<Rehousing> rehouse(const Patch& patch, const Library& library, const Case& to);

} // namespace lariat
