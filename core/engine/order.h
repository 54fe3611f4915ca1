// The order in which nodes run: groups that follow one another, each a single node or a loop.
#pragma once

#include "engine/graph.h"

#include <vector>

namespace lariat {

/// An input inside a loop that hears the sample before.
struct LateInput {
    int node = 0;
    int input = 0;
};

struct Group {
    std::vector<int> nodes;
    std::vector<LateInput> late; ///< empty unless the group is a loop
};

/// Groups in running order. Strongly connected components by Tarjan's algorithm (1972); inside a loop, nodes
/// follow a depth-first order from the start that leaves the fewest late inputs.
std::vector<Group> orderNodes(const Graph& graph);

} // namespace lariat
