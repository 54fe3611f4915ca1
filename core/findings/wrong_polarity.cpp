// Bipolar into a unipolar input: a VCA is shut for half of every swing. Unipolar where an offset is wanted: a pan that
// only ever goes to one side.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kShutTooLong = 0.1; ///< part of the time

std::optional<Finding> shutVca(const Observation& o, const Post& post) {
    const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "vca", "lin-cv"));
    if (!cable) return std::nullopt;
    const auto volts = o.at(cable->from);
    const double amount = o.knob(post.id, "vca", "lin-amount", 100.0);
    const double offset = o.knob(post.id, "vca", "offset");
    const LevelReading level = measureLevel(volts);
    if (volts.empty() || amount <= 0.0 || level.min.value > -0.5 || level.max.value < 0.5) return std::nullopt;
    const auto shut =
        std::ranges::count_if(volts, [&](float v) { return offset + amount * static_cast<double>(v) / 8.0 < 0.0; });
    const double part = static_cast<double>(shut) / static_cast<double>(volts.size());
    if (part < kShutTooLong) return std::nullopt;
    Finding finding{
        "wrong-polarity",
        Severity::Caution,
        cable->id,
        post.id,
        say("{:.1f}…{:+.1f} V, shut {:.0f} % of the time", level.min.value, level.max.value, 100.0 * part),
        say("{} opens from 0 V on; what goes below zero shuts it. An offset lifts the whole swing.", post.name),
        {}};
    const double wanted = -level.min.value * amount / 8.0;
    if (wanted <= 100.0) {
        finding.fixes = turnFix(o, post.id, "vca", "offset", std::ceil(wanted));
    } else { // more than the offset can lift: halve both
        finding.fixes = turnFix(o, post.id, "vca", "offset", 50.0);
        if (!finding.fixes.empty())
            if (const auto less = o.turn(post.id, "vca", "lin-amount", std::floor(50.0 * 8.0 / -level.min.value)))
                finding.fixes.front().edits.emplace_back(*less);
    }
    return finding;
}

std::optional<Finding> lopsidedPan(const Observation& o, const Post& post) {
    const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "panner", "pan-cv"));
    if (!cable) return std::nullopt;
    const LevelReading level = measureLevel(o.at(cable->from));
    const double amount = o.knob(post.id, "panner", "pan-amount", 100.0);
    const double pan = o.knob(post.id, "panner", "pan");
    const double middle = pan + 20.0 * amount / 100.0 * 0.5 * (level.max.value + level.min.value);
    if (level.swing().value < 1.0 || level.min.value < -0.2 || std::abs(middle) < 20.0 || std::abs(pan) > 5.0)
        return std::nullopt;
    const double lift = std::clamp(-middle, -100.0, 100.0);
    return Finding{"wrong-polarity",
                   Severity::Caution,
                   cable->id,
                   post.id,
                   say("0…{:+.1f} V pans to one side only", level.max.value),
                   say("{} stands in the middle and is pushed only one way. Set its pan to the other side.", post.name),
                   turnFix(o, post.id, "panner", "pan", std::round(lift))};
}

} // namespace

Findings findWrongPolarity(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (o.is(post.id, "vca"))
            if (auto found = shutVca(o, post)) out.push_back(std::move(*found));
        if (o.is(post.id, "panner"))
            if (auto found = lopsidedPan(o, post)) out.push_back(std::move(*found));
    }
    return out;
}

} // namespace lariat
