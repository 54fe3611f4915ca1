// A cascade loses channels: a plug in an output takes its channels out of the sum further down, and nothing brings them
// to the way out by another road.
#include "building/breaks.h"
#include "findings/rules.h"

#include <algorithm>

namespace lariat {
namespace {

/// True if this output's signal reaches a way out.
bool isHeard(const Observation& o, const JackRef& output) {
    std::vector<std::string> reached;
    const auto visit = [&](const std::string& post) {
        if (std::ranges::find(reached, post) == reached.end()) reached.push_back(post);
    };
    for (const Cable& cable : o.patch.cables)
        if (cable.from == output) visit(cable.to.post);
    for (std::size_t i = 0; i < reached.size(); ++i) {
        if (o.is(reached[i], "line-out")) return true;
        for (const Cable& cable : o.patch.cables)
            if (cable.from.post == reached[i]) visit(cable.to.post);
    }
    return false;
}

} // namespace

Findings findCascadeLoses(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        Patch without = o.patch;
        std::erase_if(without.cables, [&](const Cable& c) { return c.from == cable.from; });
        const std::vector<JackRef> losing = cascadeBrokenBy(without, *o.library, cable.from);
        if (losing.empty() || isHeard(o, cable.from)) continue;
        const JackInfo& jack = *o.jack(cable.from);
        out.push_back(
            {"cascade-loses",
             Severity::Mistake,
             cable.id,
             cable.from.post,
             say("{} channels are missing from {}", jack.at.index + 1, o.jack(losing.back())->name),
             say("A plug in {} of {} takes its channels out of the sum, and they reach the way out by no other "
                 "road.",
                 jack.name, o.nameOf(cable.from.post)),
             {{say("Take the cable out"), {RemoveCable{cable.id}}}}});
    }
    return out;
}

} // namespace lariat
