// Sudden loudness: the patch jumps up by 20 dB or more once it has been going, as resonance, feedback and sync can.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kJump = 20.0;   ///< dB
constexpr double kHeard = -60.0; ///< dBFS; below it nothing was playing yet

/// The loudest 50 ms of each second, in dBFS.
std::vector<double> loudestOfEachSecond(std::span<const float> volts, double rate) {
    const auto window = static_cast<std::size_t>(0.05 * rate);
    std::vector<double> out;
    for (std::size_t i = 0; i + window <= volts.size(); i += window) {
        const double now = toDbfs(measureLevel(volts.subspan(i, window)).rms).value;
        const auto second = static_cast<std::size_t>(static_cast<double>(i) / rate);
        if (out.size() <= second) out.resize(second + 1, kSilenceDecibels);
        out[second] = std::max(out[second], now);
    }
    return out;
}

} // namespace

Findings findSuddenLoudness(const Observation& o) {
    Findings out;
    const std::vector<double> seconds = loudestOfEachSecond(o.recorded.left, o.rate());
    double biggest = 0.0;
    std::size_t when = 0;
    for (std::size_t i = 1; i < seconds.size(); ++i)
        if (seconds[i - 1] > kHeard && seconds[i] - seconds[i - 1] > biggest) {
            biggest = seconds[i] - seconds[i - 1];
            when = i;
        }
    if (biggest < kJump) return out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "line-out", "left"));
        Finding finding{
            "sudden-loudness",
            Severity::Caution,
            cable ? cable->id : 0,
            post.id,
            say("{:.0f} dB louder within second {}", biggest, when + 1),
            say("Mind your ears and speakers: start with the monitor down, and find what jumps before it is "
                "turned up."),
            {}};
        finding.fixes = turnFix(o, post.id, "line-out", "level", o.knob(post.id, "line-out", "level") - biggest + 6.0);
        out.push_back(std::move(finding));
        break;
    }
    return out;
}

} // namespace lariat
