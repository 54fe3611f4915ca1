// A tuning that nobody hears: a scale is chosen for a quantizer whose switch stands at another one.
#include "findings/rules.h"
#include "library/meaning.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr const char* kScale = "scale"; ///< the switch of what keeps to a tuning: the first place is the tuning's

} // namespace

Findings findTuningUnheard(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        const PartInfo* part = o.part(post.id);
        if (post.tuning.empty() || !part) continue;
        for (const KnobInfo& knob : part->knobs) {
            const KnobInForce now = knobInForce(o.patch, post, *part, knob);
            const auto& control = part->blocks[idx(now.at.block)].type->controls[idx(now.at.index)];
            if (control.id != kScale || now.value == 0.0) continue;
            Finding finding{
                "tuning-unheard", Severity::Caution, 0, post.id, say("{} is not heard", post.tuning), {}, {}};
            finding.reason = say("{} of {} stands at {}; a tuning is kept to where it stands at {}.", knob.name,
                                 post.name, now.scale->text(now.value), now.scale->text(0.0));
            finding.fixes = {{say("Turn {} of {} to {}", knob.name, post.name, knob.scale.text(0.0)),
                              {SetKnob{post.id, knob.id, 0.0}}}};
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
