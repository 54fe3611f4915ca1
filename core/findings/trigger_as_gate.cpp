// A trigger into a gate input: the envelope sees only the pulse, so its sustain is never heard.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kLongestTrigger = 0.015;
constexpr double kSustains[] = {0.0, 1.0, 3.0}; ///< types that hold while the gate is high: ADSR, AR, AHR

} // namespace

Findings findTriggerAsGate(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        const double type = o.knob(post.id, "contour", "type", 2.0);
        if (!o.is(post.id, "contour") || std::ranges::find(kSustains, type) == std::end(kSustains)) continue;
        const bool adsr = type == 0.0;
        if (adsr && o.knob(post.id, "contour", "sustain") < 1.0) continue;
        const JackRef gate = o.feed(post.id, "contour", "gate");
        if (gate.post.empty() || risingEdges(o.at(gate), o.rate()).size() < 2) continue;
        const double open = longestHigh(o.at(gate), o.rate());
        if (open > kLongestTrigger || (!adsr && open >= o.knob(post.id, "contour", "attack"))) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "contour", "gate"));
        Finding finding{"trigger-as-gate",
                        Severity::Mistake,
                        cable ? cable->id : 0,
                        post.id,
                        say("pulses of {:.0f} ms", 1e3 * open),
                        say("{} holds as long as its gate is high, and these are triggers: it falls back before it has "
                            "risen.",
                            post.name),
                        {}};
        finding.fixes = turnFix(o, post.id, "contour", "type", 2.0);
        if (cable) // the same source may give gates as well
            for (const JackInfo& jack : o.part(gate.post)->jacks)
                if (jack.output && jack.kind == SignalKind::Gate &&
                    longestHigh(o.at({gate.post, jack.id}), o.rate()) > kLongestTrigger) {
                    finding.fixes.push_back(moveFix(o, *cable, {gate.post, jack.id}, cable->to));
                    break;
                }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
