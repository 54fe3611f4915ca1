#include "engine/order.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

/// Tarjan's algorithm without recursion, so that long chains cannot exhaust the stack. Components come out
/// sources first, because edges are followed from a node to what feeds it.
class Components {
  public:
    explicit Components(const Graph& graph)
        : graph_(graph), index_(graph.nodes.size(), -1), low_(graph.nodes.size(), 0),
          onStack_(graph.nodes.size(), false) {}

    std::vector<std::vector<int>> find() {
        for (int node = 0; node < static_cast<int>(graph_.nodes.size()); ++node)
            if (index_[at(node)] < 0) visit(node);
        return std::move(found_);
    }

  private:
    struct Call {
        int node;
        std::size_t next;
    };
    static std::size_t at(int node) { return static_cast<std::size_t>(node); }

    void open(int node, std::vector<Call>& calls) {
        index_[at(node)] = low_[at(node)] = count_++;
        stack_.push_back(node);
        onStack_[at(node)] = true;
        calls.push_back({node, 0});
    }

    void visit(int root) {
        std::vector<Call> calls;
        open(root, calls);
        while (!calls.empty()) {
            Call& call = calls.back();
            const int node = call.node;
            const auto& inputs = graph_.nodes[at(node)].inputs;
            if (call.next < inputs.size()) {
                const int source = inputs[call.next++].node;
                if (source < 0) continue;
                if (index_[at(source)] < 0)
                    open(source, calls);
                else if (onStack_[at(source)])
                    low_[at(node)] = std::min(low_[at(node)], index_[at(source)]);
                continue;
            }
            if (low_[at(node)] == index_[at(node)]) close(node);
            calls.pop_back();
            if (!calls.empty()) low_[at(calls.back().node)] = std::min(low_[at(calls.back().node)], low_[at(node)]);
        }
    }

    void close(int node) {
        std::vector<int> component;
        int member = -1;
        do {
            member = stack_.back();
            stack_.pop_back();
            onStack_[at(member)] = false;
            component.push_back(member);
        } while (member != node);
        std::ranges::sort(component);
        found_.push_back(std::move(component));
    }

    const Graph& graph_;
    std::vector<int> index_;
    std::vector<int> low_;
    std::vector<bool> onStack_;
    std::vector<int> stack_;
    std::vector<std::vector<int>> found_;
    int count_ = 0;
};

/// Members in depth-first order from `start`, each after those of its sources that were reached before it.
std::vector<int> walk(const Graph& graph, const std::vector<int>& members, int start) {
    std::set<int> open(members.begin(), members.end());
    std::vector<int> order;
    std::vector<int> todo = {start};
    while (!todo.empty() || !open.empty()) {
        if (todo.empty()) todo.push_back(*open.begin());
        const int node = todo.back();
        todo.pop_back();
        if (open.erase(node) == 0) continue;
        order.push_back(node);
        for (auto it = members.rbegin(); it != members.rend(); ++it) {
            const auto& inputs = graph.nodes[static_cast<std::size_t>(*it)].inputs;
            const bool fed = std::ranges::any_of(inputs, [&](const Source& s) { return s.node == node; });
            if (fed && open.contains(*it)) todo.push_back(*it);
        }
    }
    return order;
}

Group loopOf(const Graph& graph, const std::vector<int>& members) {
    constexpr std::size_t mostTries = 64;
    Group best;
    bool first = true;
    for (std::size_t t = 0; t < std::min(members.size(), mostTries); ++t) {
        Group group{walk(graph, members, members[t]), {}};
        for (std::size_t place = 0; place < group.nodes.size(); ++place) {
            const auto& inputs = graph.nodes[static_cast<std::size_t>(group.nodes[place])].inputs;
            for (std::size_t i = 0; i < inputs.size(); ++i) {
                const auto from = std::ranges::find(group.nodes, inputs[i].node);
                if (from != group.nodes.end() && static_cast<std::size_t>(from - group.nodes.begin()) >= place)
                    group.late.push_back({group.nodes[place], static_cast<int>(i)});
            }
        }
        if (first || group.late.size() < best.late.size()) best = std::move(group);
        first = false;
    }
    return best;
}

} // namespace

std::vector<Group> orderNodes(const Graph& graph) {
    std::vector<Group> groups;
    for (const std::vector<int>& members : Components(graph).find()) {
        const auto& inputs = graph.nodes[static_cast<std::size_t>(members.front())].inputs;
        const bool feedsItself =
            std::ranges::any_of(inputs, [&](const Source& s) { return s.node == members.front(); });
        if (members.size() == 1 && !feedsItself)
            groups.push_back({members, {}});
        else
            groups.push_back(loopOf(graph, members));
    }
    return groups;
}

} // namespace lariat
