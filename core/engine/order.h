// The order in which nodes run: groups that follow one another, each a single node or a loop.
#pragma once

#include "engine/graph.h"

#include <vector>

namespace lariat {

/// A node, or one of its sections.
struct RunUnit {
    int node = 0;
    int section = 0;
    bool operator==(const RunUnit&) const = default;
};

/// An input inside a loop that hears the sample before.
struct LateInput {
    int node = 0;
    int input = 0;
};

struct Group {
    std::vector<RunUnit> units;
    std::vector<LateInput> late; ///< empty unless the group is a loop
};

/// Groups in running order, found on the graph of sections. Strongly connected components by Tarjan's algorithm (1972);
/// inside a loop, units follow a depth-first order from the start that leaves the fewest late inputs. Nodes are in
/// order of their keys, so ties are broken by these.
std::vector<Group> orderNodes(const Graph& graph);

} // namespace lariat
