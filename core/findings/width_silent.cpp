// Pulse width driven to silence: at 0 or 100 % a pulse does not move, so nothing is heard.
//
// width = knob + amount · 20 % per volt, as in blocks/vco.cpp.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kNarrowest = 1.0; ///< per cent
constexpr double kSafe = 5.0;

bool pulseIsHeard(const Observation& o, const std::string& post) {
    const JackRef pulse = o.jackFor(post, "vco", "pulse");
    return std::ranges::any_of(o.patch.cables, [&](const Cable& cable) { return cable.from == pulse; });
}

} // namespace

Findings findWidthSilent(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "vco") || !pulseIsHeard(o, post.id)) continue;
        const double width = o.knob(post.id, "vco", "width", 50.0);
        const double amount = o.knob(post.id, "vco", "pwm-amount");
        const auto cv = o.arriving(post.id, "vco", "pwm");
        const auto at = [&](double volts) { return width + 0.2 * amount * volts; };
        const auto silent = [&](double w) { return w < kNarrowest || w > 100.0 - kNarrowest; };
        double part = silent(width) ? 1.0 : 0.0;
        if (!cv.empty()) {
            const auto count = std::ranges::count_if(cv, [&](float v) { return silent(at(static_cast<double>(v))); });
            part = static_cast<double>(count) / static_cast<double>(cv.size());
        }
        if (part < 0.01) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "vco", "pwm"));
        const LevelReading level = measureLevel(cv);
        Finding finding{"width-silent",
                        Severity::Mistake,
                        cable ? cable->id : 0,
                        post.id,
                        say("width {:.0f}…{:.0f} %, silent {:.0f} % of the time",
                            std::clamp(std::min(at(level.min.value), at(level.max.value)), 0.0, 100.0),
                            std::clamp(std::max(at(level.min.value), at(level.max.value)), 0.0, 100.0), 100.0 * part),
                        {},
                        {}};
        finding.reason = say("At 0 or 100 % the pulse of {} stands still and is not heard.", post.name);
        // The middle of the swing at 50 %, and its ends inside the safe widths.
        const double half = 0.5 * level.swing().value;
        const double most = half > 0.0 ? std::floor((50.0 - kSafe) / (0.2 * half)) : 0.0;
        const double gentler = std::copysign(std::min(std::abs(amount), most), amount);
        const double centred = 50.0 - 0.2 * gentler * 0.5 * (level.max.value + level.min.value);
        finding.fixes = turnFix(o, post.id, "vco", "width", std::round(centred));
        if (!finding.fixes.empty() && gentler != amount)
            if (const auto less = o.turn(post.id, "vco", "pwm-amount", gentler))
                finding.fixes.front().edits.emplace_back(*less);
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
