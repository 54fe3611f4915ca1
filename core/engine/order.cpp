#include "engine/order.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

/// The units of a graph, and what each waits for.
struct Units {
    /// `input` -1: the section before it, which cannot be late.
    struct Wait {
        int unit;
        int input;
    };
    std::vector<RunUnit> all;
    std::vector<std::vector<Wait>> waits;

    explicit Units(const Graph& graph) {
        std::vector<int> first;
        for (std::size_t n = 0; n < graph.nodes.size(); ++n) {
            first.push_back(static_cast<int>(all.size()));
            const int sections = std::max(1, static_cast<int>(graph.nodes[n].type->sections.size()));
            for (int s = 0; s < sections; ++s) all.push_back({static_cast<int>(n), s});
        }
        const auto maker = [&](const Source& source) { // the unit that makes it
            const auto& sections = graph.nodes[idx(source.node)].type->sections;
            int place = 0;
            for (std::size_t s = 0; s < sections.size(); ++s)
                if (sections[s].outputs >> source.output & 1u) place = static_cast<int>(s);
            return first[idx(source.node)] + place;
        };
        for (const RunUnit& unit : all) {
            std::vector<Wait> list;
            const Node& node = graph.nodes[idx(unit.node)];
            const auto& sections = node.type->sections;
            for (std::size_t i = 0; i < node.inputs.size(); ++i) {
                if (node.inputs[i].node < 0) continue;
                if (!sections.empty() && !(sections[idx(unit.section)].inputs >> i & 1u)) continue;
                list.push_back({maker(node.inputs[i]), static_cast<int>(i)});
            }
            if (unit.section > 0) list.push_back({first[idx(unit.node)] + unit.section - 1, -1});
            waits.push_back(std::move(list));
        }
    }
};

/// Tarjan's algorithm without recursion, so that long chains cannot exhaust the stack. Components come out
/// sources first, because edges are followed from a unit to what it waits for.
class Components {
  public:
    explicit Components(const Units& units)
        : units_(units), index_(units.all.size(), -1), low_(units.all.size(), 0), onStack_(units.all.size(), false) {}

    std::vector<std::vector<int>> find() {
        for (int unit = 0; unit < static_cast<int>(units_.all.size()); ++unit)
            if (index_[idx(unit)] < 0) visit(unit);
        return std::move(found_);
    }

  private:
    struct Call {
        int unit;
        std::size_t next;
    };

    void open(int unit, std::vector<Call>& calls) {
        index_[idx(unit)] = low_[idx(unit)] = count_++;
        stack_.push_back(unit);
        onStack_[idx(unit)] = true;
        calls.push_back({unit, 0});
    }

    void visit(int root) {
        std::vector<Call> calls;
        open(root, calls);
        while (!calls.empty()) {
            Call& call = calls.back();
            const int unit = call.unit;
            const auto& waits = units_.waits[idx(unit)];
            if (call.next < waits.size()) {
                const int source = waits[call.next++].unit;
                if (index_[idx(source)] < 0)
                    open(source, calls);
                else if (onStack_[idx(source)])
                    low_[idx(unit)] = std::min(low_[idx(unit)], index_[idx(source)]);
                continue;
            }
            if (low_[idx(unit)] == index_[idx(unit)]) close(unit);
            calls.pop_back();
            if (!calls.empty()) low_[idx(calls.back().unit)] = std::min(low_[idx(calls.back().unit)], low_[idx(unit)]);
        }
    }

    void close(int unit) {
        std::vector<int> component;
        int member = -1;
        do {
            member = stack_.back();
            stack_.pop_back();
            onStack_[idx(member)] = false;
            component.push_back(member);
        } while (member != unit);
        std::ranges::sort(component);
        found_.push_back(std::move(component));
    }

    const Units& units_;
    std::vector<int> index_;
    std::vector<int> low_;
    std::vector<bool> onStack_;
    std::vector<int> stack_;
    std::vector<std::vector<int>> found_;
    int count_ = 0;
};

/// Members in depth-first order from `start`, each after those of its sources that were reached before it.
std::vector<int> walk(const Units& units, const std::vector<int>& members, int start) {
    std::set<int> open(members.begin(), members.end());
    std::vector<int> order;
    std::vector<int> todo = {start};
    while (!todo.empty() || !open.empty()) {
        if (todo.empty()) todo.push_back(*open.begin());
        const int unit = todo.back();
        todo.pop_back();
        if (open.erase(unit) == 0) continue;
        order.push_back(unit);
        for (auto it = members.rbegin(); it != members.rend(); ++it) {
            const bool fed =
                std::ranges::any_of(units.waits[idx(*it)], [&](const Units::Wait& w) { return w.unit == unit; });
            if (fed && open.contains(*it)) todo.push_back(*it);
        }
    }
    return order;
}

/// Sections of one node follow each other, at the places that the order has for them.
void sortSections(const Units& units, std::vector<int>& order) {
    for (std::size_t a = 0; a < order.size(); ++a)
        for (std::size_t b = a + 1; b < order.size(); ++b)
            if (units.all[idx(order[a])].node == units.all[idx(order[b])].node && order[a] > order[b])
                std::swap(order[a], order[b]);
}

Group loopOf(const Units& units, const std::vector<int>& members) {
    constexpr std::size_t mostTries = 64;
    Group best;
    bool first = true;
    for (std::size_t t = 0; t < std::min(members.size(), mostTries); ++t) {
        std::vector<int> order = walk(units, members, members[t]);
        sortSections(units, order);
        Group group;
        for (std::size_t place = 0; place < order.size(); ++place) {
            const RunUnit& unit = units.all[idx(order[place])];
            group.units.push_back(unit);
            for (const Units::Wait& wait : units.waits[idx(order[place])]) {
                const auto from = std::ranges::find(order, wait.unit);
                if (wait.input >= 0 && from != order.end() && idx(from - order.begin()) >= place)
                    group.late.push_back({unit.node, wait.input});
            }
        }
        if (first || group.late.size() < best.late.size()) best = std::move(group);
        first = false;
    }
    return best;
}

} // namespace

std::vector<Group> orderNodes(const Graph& graph) {
    const Units units(graph);
    std::vector<Group> groups;
    for (const std::vector<int>& members : Components(units).find()) {
        const int only = members.front();
        const bool feedsItself =
            std::ranges::any_of(units.waits[idx(only)], [&](const Units::Wait& w) { return w.unit == only; });
        if (members.size() == 1 && !feedsItself)
            groups.push_back({{units.all[idx(only)]}, {}});
        else
            groups.push_back(loopOf(units, members));
    }
    return groups;
}

} // namespace lariat
