// A tuning that nobody hears: a scale is chosen for a quantizer whose switch stands at another one.
#include "findings/fixes.h"
#include "findings/rules.h"

namespace lariat {

Findings findTuningUnheard(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (post.tuning.empty() || !o.is(post.id, "quantizer")) continue;
        const KnobInfo* scale = o.part(post.id)->knobFor("quantizer", "scale");
        if (!scale || knobValue(post, *scale) == 0.0) continue;
        Finding finding{"tuning-unheard", Severity::Caution, 0, post.id, say("{} is not heard", post.tuning), {}, {}};
        finding.reason = say("{} of {} stands at {}; a tuning is kept to where it stands at {}.", scale->name,
                             post.name, scale->scale.text(knobValue(post, *scale)), scale->scale.text(0.0));
        finding.fixes = turnFix(o, post.id, "quantizer", "scale", 0.0);
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
