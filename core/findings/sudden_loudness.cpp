// Sudden loudness: the patch jumps up by 20 dB or more once it has been going, as resonance, feedback and sync can.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kJump = 20.0;   ///< dB
constexpr double kLoud = -20.0;  ///< dBFS; what comes up to less startles nobody
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
    const Walk w(o);
    double biggest = 0.0;
    std::size_t when = 0;
    for (const auto& side : {std::span<const float>(o.recorded.left), std::span<const float>(o.recorded.right)}) {
        const std::vector<double> seconds = loudestOfEachSecond(side, o.rate());
        // Against all that was heard before: a second without a hit is no silence that it comes out of.
        double before = seconds.empty() ? kSilenceDecibels : seconds.front();
        for (std::size_t i = 1; i < seconds.size(); ++i) {
            if (before > kHeard && seconds[i] > kLoud && seconds[i] - before > biggest) {
                biggest = seconds[i] - before;
                when = i;
            }
            before = std::max(before, seconds[i]);
        }
    }
    if (biggest < kJump) return out;
    for (const Way* way : w.waysOut()) {
        if (w.map.feeding(*way).node < 0 || w.map.gain(*way) == 0.0) continue;
        Finding finding{
            "sudden-loudness",
            Severity::Caution,
            w.cableOf(*way),
            w.postOf(way->node),
            say("{:.0f} dB louder within second {}", biggest, when + 1),
            say("Mind your ears and speakers: start with the monitor down, and find what jumps before it is "
                "turned up."),
            {}};
        for (const int level : way->levels)
            if (w.map.node(way->node).type->controls[idx(level)].scale.unit == Unit::Decibels)
                append(finding.fixes, w.turn(way->node, level, w.map.control(way->node, level) - biggest + 6.0));
        out.push_back(std::move(finding));
        break;
    }
    return out;
}

} // namespace lariat
