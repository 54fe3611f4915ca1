// Exponential FM pulls the mean pitch: up by an octave counts more hertz than down by one.
//
// The mean frequency is f · mean(2^v), with v the modulation in octaves.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kAudioRate = 20.0; ///< Hz; slower movement is vibrato, and heard as such
constexpr double kAudible = 10.0;   ///< cents

} // namespace

Findings findFmPullsPitch(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "vco")) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "vco", "fm"));
        const double amount = 0.01 * o.knob(post.id, "vco", "fm-amount");
        const auto volts = cable ? o.at(cable->from) : std::span<const float>{};
        if (volts.empty() || amount == 0.0) continue;
        const LevelReading level = measureLevel(volts);
        const double seconds = static_cast<double>(volts.size()) / o.rate();
        if (static_cast<double>(risingEdges(volts, o.rate(), level.mean.value).size()) / seconds < kAudioRate) continue;
        double sum = 0.0;
        for (const float v : volts) sum += std::exp2(amount * static_cast<double>(v));
        const double whole = 1200.0 * std::log2(sum / static_cast<double>(volts.size()));
        const double cents = whole - 1200.0 * amount * level.mean.value; // a steady voltage is tuning, not a pull
        if (std::abs(cents) < kAudible) continue;
        Finding finding{
            "fm-pulls-pitch",
            Severity::Caution,
            cable->id,
            post.id,
            say("the mean pitch moves {:+.0f} cents", cents),
            say("Exponential FM lifts {} more than it lowers it, so the note goes sharp as the depth grows. "
                "Linear FM keeps it.",
                post.name),
            {}};
        const JackRef linear = o.jackFor(post.id, "vco", "lin-fm");
        if (!linear.post.empty() && !o.patch.cableInto(linear)) {
            finding.fixes.push_back(moveFix(o, *cable, cable->from, linear));
            if (const auto depth = o.turn(post.id, "vco", "lin-amount", 100.0))
                finding.fixes.back().edits.emplace_back(*depth);
        }
        const double fine = o.knob(post.id, "vco", "fine") - cents / 100.0;
        if (std::abs(fine) <= 7.0)
            for (Fix& fix : turnFix(o, post.id, "vco", "fine", fine)) finding.fixes.push_back(std::move(fix));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
