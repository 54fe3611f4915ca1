// DC from one-sided squares: each is 0 to 10 V, so a sum of them stands far above zero and soon meets the rails.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kTooMuchDc = 1.5; ///< volts of DC

} // namespace

Findings findOneSidedSum(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "mixer")) continue;
        const JackRef mix = o.jackFor(post.id, "mixer", "mix");
        const LevelReading level = measureLevel(o.at(mix));
        std::vector<const Cable*> oneSided;
        for (int n = 1; n <= 4; ++n) {
            const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "mixer", fmt::format("in-{}", n)));
            if (!cable) continue;
            const LevelReading in = measureLevel(o.at(cable->from));
            const bool squares = static_cast<double>(risingEdges(o.at(cable->from), o.rate()).size()) > 20.0;
            if (std::abs(in.mean.value) > 0.3 * in.swing().value && squares) oneSided.push_back(cable);
        }
        const Cable* on = o.patch.cable(o.cableFrom(mix));
        if (on && o.is(on->to.post, "dc-blocker") && level.peak().value < 10.0) continue; // seen to already
        if (oneSided.size() < 2 || std::abs(level.mean.value) < kTooMuchDc) continue;
        Finding finding{"one-sided-sum",
                        Severity::Mistake,
                        o.cableFrom(mix),
                        post.id,
                        say("{:+.1f} V of DC under the sum", level.mean.value),
                        say("{} waves that never go below zero are added up in {}. Turning half of them over keeps the "
                            "sum around 0 V.",
                            oneSided.size(), post.name),
                        {}};
        // Turn over every second one, as far as the case has something to do it with.
        Observation later = o;
        std::vector<Edit> edits;
        int turned = 0;
        for (std::size_t i = 1; i < oneSided.size(); i += 2) {
            auto fix = insertFix(later, oneSided[i]->id, "attenuverter",
                                 [](const Post& added, const PartInfo& part, std::vector<Edit>& more) {
                                     if (const KnobInfo* knob = part.knobFor("attenuverter", "amount"))
                                         more.emplace_back(SetKnob{added.id, knob->id, -100.0});
                                 });
            if (fix.empty()) break;
            edits.insert(edits.end(), fix.front().edits.begin(), fix.front().edits.end());
            if (auto next = applyEdits(later.patch, fix.front().edits)) later.patch = std::move(*next);
            ++turned;
        }
        if (turned > 0) finding.fixes.push_back({say("Turn {} of them over with free attenuverters", turned), edits});
        for (Fix& fix : insertFix(o, finding.cable, "dc-blocker")) finding.fixes.push_back(std::move(fix));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
