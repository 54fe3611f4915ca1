// Two patches on one chart: the posts of either, and every cable of either with what became of it.
#pragma once

#include "library/library.h"

#include <string>
#include <vector>

namespace lariat {

struct BothPost {
    enum class State { Same, Changed, OnlyBefore, OnlyAfter } state = State::Same;
    std::string id;
    std::string name; ///< as it is after, if it is
    int knobs = 0;    ///< that stand elsewhere
};

struct BothRow {
    enum class State { Same, Moved, OnlyBefore, OnlyAfter } state = State::Same;
    JackRef from;
    JackRef to;
    JackRef was{};  ///< of one that moved: the output that it left before
    int before = 0; ///< its row; 0: none
    int after = 0;
};

struct Both {
    std::vector<BothPost>
        posts;                 ///< in the order of the second patch; what only the first one has, behind its neighbour
    std::vector<BothRow> rows; ///< the same of cables, which are the same if they enter the same jack
};

Both bothOf(const Patch& before, const Patch& after, const Library& library);

/// As a small picture (SVG, 360 wide): posts as lines, cables as rows, before in red and dashed, after in blue.
std::string chartPicture(const Both& both);

} // namespace lariat
