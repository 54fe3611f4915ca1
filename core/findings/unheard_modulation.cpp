// Modulation of a wave that nobody hears: pulse width is moved, and the saw is what is listened to.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>

namespace lariat {

Findings findUnheardModulation(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (const Cable& cable : o.patch.cables) {
        const FlowMap::At at = w.map.inputAt(cable.to);
        if (at.node < 0) continue;
        const Node& node = w.map.node(at.node);
        std::vector<int> moved; // outputs that it does something to
        bool moves = true;
        for (const Way& way : w.map.ways(at.node))
            if (way.input == at.index) {
                moved.push_back(way.output);
                moves = moves && way.does == Does::Moves;
            }
        const auto heard = [&](int output) { return output >= 0 && node.heard[idx(output)]; };
        if (moved.empty() || !moves || moved.size() == node.type->outputs.size() || std::ranges::any_of(moved, heard))
            continue;
        const Cable* listening = nullptr; // to another wave of the same
        for (const Cable& other : o.patch.cables)
            if (other.from.post == cable.to.post && !listening) listening = &other;
        if (!listening) continue;
        std::vector<Fix> fixes;
        for (const int output : moved)
            for (const JackInfo& one : o.part(cable.to.post)->jacks)
                if (one.output && one.at.index == output && one.kind == SignalKind::Audio)
                    fixes.push_back(moveFix(o, *listening, {cable.to.post, one.id}, listening->to));
        fixes.push_back({say("Take cable {} out", o.patch.row(cable.id)), {RemoveCable{cable.id}}});
        out.push_back({"modulation-unheard", Severity::Caution, cable.id, cable.to.post,
                       say("0 of {} waves that it moves are heard", moved.size()),
                       say("What is in the {} of {} moves a wave to which nobody listens.", o.jack(cable.to)->name,
                           o.nameOf(cable.to.post)),
                       std::move(fixes)});
    }
    return out;
}

} // namespace lariat
