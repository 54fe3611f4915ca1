// Sum clips: a mixer adds up to more than the rails allow.
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace lariat {
namespace {

constexpr float kLinear = 10.0f; ///< where softRail begins to bend
constexpr double kComfortable = 9.0;

/// What the mixer would put out if there were no rails, before its main level.
std::vector<float> idealSum(const Observation& o, const std::string& mixer) {
    std::vector<float> sum;
    for (int channel = 1; channel <= 4; ++channel) {
        const JackRef from = o.feeder(o.jackFor(mixer, "mixer", fmt::format("in-{}", channel)));
        const auto volts = from.post.empty() ? std::span<const float>{} : o.at(from);
        const KnobInfo* level = o.part(mixer)->knobFor("mixer", fmt::format("level-{}", channel));
        if (volts.empty() || !level) continue;
        const auto gain = static_cast<float>(0.01 * knobValue(*o.patch.post(mixer), *level));
        sum.resize(std::max(sum.size(), volts.size()), 0.0f);
        for (std::size_t i = 0; i < volts.size(); ++i) sum[i] += gain * volts[i];
    }
    return sum;
}

} // namespace

Findings findSumClips(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "mixer")) continue;
        const KnobInfo* main = o.part(post.id)->knobFor("mixer", "main");
        const double level = main ? knobValue(post, *main) : 100.0;
        const std::vector<float> sum = idealSum(o, post.id);
        const auto gain = static_cast<float>(0.01 * level);
        const auto over = std::ranges::count_if(sum, [&](float v) { return std::abs(gain * v) > kLinear; });
        const double part = sum.empty() ? 0.0 : static_cast<double>(over) / static_cast<double>(sum.size());
        const double peak = 0.01 * level * measureLevel(sum).peak().value;
        if (peak <= static_cast<double>(kLinear)) continue;
        Finding finding{"sum-clips",
                        Severity::Mistake,
                        0,
                        post.id,
                        say("sums to {:.1f} V, over the rails {:.1f} % of the time", peak, 100.0 * part),
                        {},
                        {}};
        for (const Cable& cable : o.patch.cables)
            if (cable.from.post == post.id && finding.cable == 0) finding.cable = cable.id;
        finding.reason = say("{} adds up to more than the ±10 V that it can put out, so the sum is bent.", post.name);
        if (main) {
            const double lower = std::floor(level * kComfortable / peak);
            finding.fixes.push_back(
                {say("Turn {} down to {}", main->name, main->scale.text(lower)), {SetKnob{post.id, main->id, lower}}});
        }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
