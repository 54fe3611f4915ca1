// A cascade loses channels: a plug in an output takes its channels out of the sum further down, and nothing brings them
// to the way out by another road.
#include "building/breaks.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>

namespace lariat {

Findings findCascadeLoses(const Observation& o) {
    Findings out;
    const Walk w(o);
    const auto heard = w.heard();
    const auto isHeard = [&](const JackRef& output) {
        const auto source = w.map.graph().outputs.find(output);
        return source != w.map.graph().outputs.end() && heard.contains({source->second.node, source->second.output});
    };
    for (const Cable& cable : o.patch.cables) {
        Patch without = o.patch;
        std::erase_if(without.cables, [&](const Cable& c) { return c.from == cable.from; });
        std::vector<LostChannel> lost = cascadeBrokenBy(without, *o.library, cable.from);
        if (lost.empty() || isHeard(cable.from)) continue;
        std::erase_if(lost, [&, first = lost.front().from](const LostChannel& one) { return one.from != first; });
        std::string channels;
        for (const LostChannel& one : lost) channels += (channels.empty() ? "" : ", ") + o.jack(one.channel)->name;
        const JackInfo& jack = *o.jack(cable.from);
        out.push_back(
            {"cascade-loses",
             Severity::Mistake,
             cable.id,
             cable.from.post,
             say("missing from {}: {}", o.jack(lost.front().from)->name, channels),
             say("A plug in {} of {} takes its channels out of the sum, and they reach the way out by no other "
                 "road.",
                 jack.name, o.nameOf(cable.from.post)),
             {{say("Take the cable out"), {RemoveCable{cable.id}}}}});
    }
    return out;
}

} // namespace lariat
