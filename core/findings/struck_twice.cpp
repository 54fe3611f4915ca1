// Struck twice: a ringing filter that a hard pulse strikes at both of its ends.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kHardSeconds = 0.0005; ///< an edge that takes no longer strikes
constexpr double kSoftFall = 0.3;       ///< seconds; and this one does not
constexpr float kLeastVolts = 1.0f;

/// How often the volts go through most of their range within the time of a hard edge, up or down.
std::size_t hardEdges(std::span<const float> volts, double rate, bool rising) {
    if (volts.empty()) return 0;
    const auto [low, high] = std::ranges::minmax(volts);
    if (high - low < kLeastVolts) return 0;
    const auto step = static_cast<std::size_t>(kHardSeconds * rate);
    std::size_t found = 0;
    for (std::size_t i = step; i < volts.size(); ++i) {
        const float moved = volts[i] - volts[i - step];
        if ((rising ? moved : -moved) < 0.6f * (high - low)) continue;
        ++found;
        i += 2 * step;
    }
    return found;
}

} // namespace

Findings findStruckTwice(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "resonator-bank")) continue;
        const JackRef source = o.feed(post.id, "resonator-bank", "in");
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "resonator-bank", "in"));
        if (source.post.empty() || !cable) continue;
        const JackInfo* jack = o.jack(source);
        if (jack && jack->kind == SignalKind::Audio) continue; // a sound excites it all the time
        const std::size_t begins = hardEdges(o.at(source), o.rate(), true);
        const std::size_t ends = hardEdges(o.at(source), o.rate(), false);
        if (begins < 2 || ends < begins / 2) continue;
        Finding finding{
            "struck-twice",
            Severity::Caution,
            cable->id,
            post.id,
            say("{} pulses, {} strikes", begins, begins + ends),
            say("The end of a hard pulse strikes {} as its beginning does. A soft fall strikes once.", post.name),
            {}};
        finding.fixes = insertFix(o, cable->id, "slew", [](const Post& added, const PartInfo& part, auto& edits) {
            for (const auto& [control, value] : {std::pair{"rise", 0.0}, {"fall", kSoftFall}, {"law", 1.0}})
                if (const KnobInfo* knob = part.knobFor("slew", control))
                    edits.emplace_back(SetKnob{added.id, knob->id, std::max(value, knob->scale.min)});
        });
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
