// Eurorack level into a line input: a case is 10 to 20 dB hotter than line, and the way out has to bring it down.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <set>

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
    const Walk w(o);
    std::set<int> said; // it has two sides
    for (const Way* way : w.waysOut()) {
        const Source from = w.map.feeding(*way);
        const double arrives = from.node < 0 ? 0.0 : std::max(std::abs(w.life(from).min), std::abs(w.life(from).max));
        // Of several ways out, those that let something out.
        if (arrives * w.map.gain(*way) < 0.1 * peak || !said.insert(way->node).second) continue;
        Finding finding{"hot-line",
                        Severity::Caution,
                        w.cableOf(*way),
                        w.postOf(way->node),
                        say("{:+.1f} dBu at the way out, line level is +4", dbu),
                        say("{} lets the case out almost as hot as it is. A line, phone or instrument input can be "
                            "overdriven or damaged.",
                            w.name(way->node)),
                        {}};
        for (const int level : way->levels)
            if (w.map.node(way->node).type->controls[idx(level)].scale.unit == Unit::Decibels)
                append(finding.fixes,
                       w.turn(way->node, level, std::floor(w.map.control(way->node, level) - (dbu - kSafePeak))));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
