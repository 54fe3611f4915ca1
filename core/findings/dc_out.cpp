// DC or subsonic movement at the way out: it is not heard, takes headroom, and heats loudspeakers.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace lariat {
namespace {

constexpr double kDc = 0.25;          ///< volts
constexpr double kSubsonic = 15.0;    ///< Hz
constexpr double kSubsonicPart = 0.2; ///< of the RMS

/// Part of the RMS that moves below kSubsonic, DC left out: a one-pole low-pass, twice.
double subsonicPart(std::span<const float> volts, double rate, double mean) {
    const double step = 1.0 - std::exp(-2.0 * std::numbers::pi * kSubsonic / rate);
    double first = 0.0, second = 0.0, low = 0.0, all = 0.0;
    for (const float v : volts) {
        const double x = static_cast<double>(v) - mean;
        first += step * (x - first);
        second += step * (first - second);
        low += second * second;
        all += x * x;
    }
    return all > 0.0 ? std::sqrt(low / all) : 0.0;
}

} // namespace

Findings findDcOut(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "line-out", "left"));
        const double mean = measureLevel(o.recorded.left).mean.value;
        const double rms = measureLevel(o.recorded.left).rms.value;
        const double below = subsonicPart(o.recorded.left, o.rate(), mean);
        const bool dc = std::abs(mean) > kDc;
        if (!cable || rms < 0.01 || (!dc && below < kSubsonicPart)) continue;
        Finding finding{"dc-out",
                        Severity::Mistake,
                        cable->id,
                        post.id,
                        dc ? say("{:+.2f} V of DC", mean)
                           : say("{:.0f} % of the level moves below 15 Hz", 100.0 * below),
                        say("It is not heard, takes headroom away, and heats loudspeakers. A DC blocker takes it out."),
                        {}};
        finding.fixes = insertFix(o, cable->id, "dc-blocker");
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
