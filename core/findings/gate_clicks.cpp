// A gate straight into a VCA: it opens and shuts within a sample, and each edge is a click.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {

Findings findGateClicks(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "vca")) continue;
        for (const char* cv : {"lin-cv", "exp-cv"}) {
            const JackRef gate = o.feed(post.id, "vca", cv);
            const JackInfo* source = gate.post.empty() ? nullptr : o.jack(gate);
            const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "vca", cv));
            if (!source || !cable || (source->kind != SignalKind::Gate && source->kind != SignalKind::Clock)) continue;
            const double high = measureLevel(o.at(gate)).max.value;
            if (high < 1.0 || measureLevel(o.arriving(post.id, "vca", "in")).peak().value < 0.1) continue;
            Finding finding{
                "gate-clicks",
                Severity::Caution,
                cable->id,
                post.id,
                say("0 to {:.1f} V within one sample", high),
                say("The gate opens {} at once, and every edge is heard as a click. An envelope rounds it.", post.name),
                {}};
            finding.fixes =
                insertFix(o, cable->id, "contour", [&](const Post& added, const PartInfo& part, auto& edits) {
                    // Short flanks: as near to the gate as an ear allows.
                    for (const auto& [control, value] : {std::pair{"type", 1.0}, {"attack", 0.003}, {"release", 0.02}})
                        if (const KnobInfo* knob = part.knobFor("contour", control))
                            edits.emplace_back(SetKnob{added.id, knob->id, value});
                });
            if (finding.fixes.empty()) finding.fixes = insertFix(o, cable->id, "slew");
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
