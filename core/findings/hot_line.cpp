// Eurorack level into a line input: a case is 10 to 20 dB hotter than line, and the way out has to bring it down.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kTooHot = 12.0;  ///< dBu; 8 dB above the level of studio equipment, 20 above that of a home
constexpr double kSafePeak = 8.0; ///< dBu of the peaks after the fix

} // namespace

Findings findHotLine(const Observation& o) {
    Findings out;
    const double peak =
        std::max(measureLevel(o.recorded.left).peak().value, measureLevel(o.recorded.right).peak().value);
    // A sine of that peak, so that the figure is the one on a line meter.
    const double dbu = toDbu({peak / std::sqrt(2.0)}).value;
    if (dbu <= kTooHot) return out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        const double level = o.knob(post.id, "line-out", "level");
        if (level <= -60.0) continue;
        const Cable* cable = o.patch.cableInto(o.jackFor(post.id, "line-out", "left"));
        Finding finding{"hot-line",
                        Severity::Caution,
                        cable ? cable->id : 0,
                        post.id,
                        say("{:+.1f} dBu at the way out, line level is +4", dbu),
                        say("{} lets the case out almost as hot as it is. A line, phone or instrument input can be "
                            "overdriven or damaged.",
                            post.name),
                        {}};
        finding.fixes = turnFix(o, post.id, "line-out", "level", std::floor(level - (dbu - kSafePeak)));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
