// An envelope that runs free: it loops because nothing is in its gate, while the voice that it opens has notes to play.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {

Findings findFreeRunning(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        if (!o.is(cable.from.post, "contour") || o.knob(cable.from.post, "contour", "loop") < 0.5) continue;
        if (!o.feed(cable.from.post, "contour", "gate").post.empty()) continue;
        const JackInfo* target = o.jack(cable.to);
        const bool opens = o.is(cable.to.post, "vca") && (cable.to == o.jackFor(cable.to.post, "vca", "lin-cv") ||
                                                          cable.to == o.jackFor(cable.to.post, "vca", "exp-cv"));
        if (!target || !opens) continue;
        // A tune plays in this voice: it brings the gate that is missing here.
        for (const std::string& id : o.upstream(cable.to.post)) {
            if (!o.is(id, "track-sequencer") && !o.is(id, "keys") && !o.is(id, "midi-to-cv")) continue;
            const std::vector<double> rounds = risingEdges(o.at(cable.from), o.rate(), 1.0);
            Finding finding{"free-running",
                            Severity::Caution,
                            cable.id,
                            cable.from.post,
                            say("starts {} times in {:.0f} s by itself", rounds.size(),
                                static_cast<double>(o.at(cable.from).size()) / o.rate()),
                            say("{} loops because nothing is in its gate, so notes are not what opens the voice.",
                                o.nameOf(cable.from.post)),
                            {}};
            const JackRef gate = o.jackFor(cable.from.post, "contour", "gate");
            for (const JackInfo& jack : o.part(id)->jacks)
                if (jack.output && jack.kind == SignalKind::Gate && !gate.post.empty()) {
                    finding.fixes.push_back(tieFix(o, {id, jack.id}, gate));
                    break;
                }
            for (Fix& fix : turnFix(o, cable.from.post, "contour", "loop", 0.0))
                finding.fixes.push_back(std::move(fix));
            out.push_back(std::move(finding));
            break;
        }
    }
    return out;
}

} // namespace lariat
