// Closed: a VCA that never opens, or a filter that lets nothing through, while sound arrives at it.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kArrives = 0.2;   ///< volts peak to peak
constexpr double kThrough = 0.005; ///< part of it that is let through by something closed

double swingOf(std::span<const float> volts) {
    return measureLevel(volts).swing().value;
}

/// Largest swing of the post's outputs that are listened to; negative if none is.
double out(const Observation& o, const std::string& post) {
    double most = -1.0;
    for (const JackInfo& jack : o.part(post)->jacks)
        if (jack.output && jack.kind == SignalKind::Audio && !o.at({post, jack.id}).empty())
            most = std::max(most, swingOf(o.at({post, jack.id})));
    return most;
}

std::optional<Finding> closedAt(const Observation& o, const Post& post, const char* type, const char* input) {
    if (!o.is(post.id, type)) return std::nullopt;
    const double in = swingOf(o.arriving(post.id, type, input));
    const double through = out(o, post.id);
    if (in < kArrives || through < 0.0 || through > kThrough * in) return std::nullopt;
    const Cable* into = o.patch.cableInto(o.jackFor(post.id, type, input));
    return Finding{"closed",
                   Severity::Mistake,
                   into ? into->id : 0,
                   post.id,
                   say("{:.1f} V go in, {:.3f} V come out", in, through),
                   {},
                   {}};
}

} // namespace

Findings findClosed(const Observation& o) {
    Findings all;
    for (const Post& post : o.patch.posts) {
        if (auto found = closedAt(o, post, "vca", "in")) {
            const std::span<const float> lin = o.arriving(post.id, "vca", "lin-cv");
            const std::span<const float> exp = o.arriving(post.id, "vca", "exp-cv");
            const double highest = std::max(measureLevel(lin).max.value, measureLevel(exp).max.value);
            found->reason =
                lin.empty() && exp.empty()
                    ? say("{} is closed: its offset is at nothing and no cable opens it.", post.name)
                    : say("{} is closed: what should open it never rises above {:.1f} V.", post.name, highest);
            found->fixes = turnFix(o, post.id, "vca", "offset", 80.0);
            all.push_back(std::move(*found));
        }
        if (auto found = closedAt(o, post, "low-pass-gate", "in")) {
            found->reason = say("{} is dark: nothing lights its lamp, so it lets no sound through.", post.name);
            found->fixes = turnFix(o, post.id, "low-pass-gate", "offset", 60.0);
            all.push_back(std::move(*found));
        }
        for (const auto& [type, input] : {std::pair{"svf", "in-1"}, std::pair{"ladder", "in"}})
            if (auto found = closedAt(o, post, type, input)) {
                found->reason = say("The cutoff of {} is so low that nothing of the sound is left.", post.name);
                found->fixes = turnFix(o, post.id, type, "cutoff", 1000.0);
                all.push_back(std::move(*found));
            }
    }
    return all;
}

} // namespace lariat
