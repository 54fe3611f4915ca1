// Struck twice: a ringing filter that a hard pulse strikes at both of its ends.
#include "findings/edges.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr double kSoftFall = 0.3; ///< seconds; and this one does not

} // namespace

Findings findStruckTwice(const Observation& o) {
    Findings out;
    const Walk walk(o);
    for (int n = 0; n < walk.map.nodeCount(); ++n) {
        std::set<int> looked; // an input rings at several outputs
        for (const Way& way : walk.map.ways(n)) {
            if (!way.rings || !looked.insert(way.input).second) continue;
            const JackRef input = walk.map.inputJack(n, way.input);
            const Cable* cable = o.patch.cableInto(input);
            if (!cable) continue;
            const JackInfo* jack = o.jack(cable->from);
            if (jack && jack->kind == SignalKind::Audio) continue; // a sound excites it all the time
            const std::size_t begins = hardEdges(o.at(cable->from), o.rate(), true).size();
            const std::size_t ends = hardEdges(o.at(cable->from), o.rate(), false).size();
            if (begins < 2 || ends < begins / 2) continue;
            Finding finding{"struck-twice",
                            Severity::Caution,
                            cable->id,
                            input.post,
                            say("{} pulses, {} strikes", begins, begins + ends),
                            say("The end of a hard pulse strikes {} as its beginning does. A soft fall strikes once.",
                                o.nameOf(input.post)),
                            {}};
            finding.fixes = insertFix(o, cable->id, "slew", [](const Post& added, const PartInfo& part, auto& edits) {
                for (const auto& [control, value] : {std::pair{"rise", 0.0}, {"fall", kSoftFall}, {"law", 1.0}})
                    if (const KnobInfo* knob = part.knobFor("slew", control))
                        edits.emplace_back(SetKnob{added.id, knob->id, std::max(value, knob->scale.min)});
            });
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
