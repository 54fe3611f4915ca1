// Modulation pinned at its limit: a cutoff that is pushed past the end of its range stays there for much of the time.
//
// A filter goes to cutoff · 2^(v/oct + amounts · volts), as blocks state beside their jacks (JackSpec::aims).
#include "findings/aims.h"
#include "findings/rules.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kLowest = 16.0; ///< Hz, the ends of what is heard
constexpr double kHighest = 20000.0;
constexpr double kTooLong = 0.25;    ///< part of the time
constexpr double kOfSound = 5000.0;  ///< Hz: a knob that goes so high is a filter's and no slow wave's
constexpr double kHardlyMoved = 0.5; ///< octaves

} // namespace

Findings findPinned(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        const BlockType& type = *w.map.node(n).type;
        for (std::size_t c = 0; c < type.controls.size(); ++c) {
            const Scale& scale = type.controls[c].scale;
            if (scale.unit != Unit::Hertz || scale.max < kOfSound) continue;
            const auto movers = moversOf(w, n, static_cast<int>(c));
            const Mover* strongest = nullptr;
            double widest = kHardlyMoved;
            for (const Mover& mover : movers)
                if (const double swing = std::abs(mover.perVolt) * w.arriving(*mover.way).swing();
                    mover.octaves && mover.amount >= 0 && swing >= widest) {
                    widest = swing;
                    strongest = &mover;
                }
            const std::vector<double> octaves = movedBy(w, movers);
            if (!strongest || octaves.empty()) continue;
            const double cutoff = w.map.control(n, static_cast<int>(c));
            const auto beyond = std::ranges::count_if(octaves, [&](double oct) {
                const double hertz = cutoff * std::exp2(oct);
                return hertz < kLowest || hertz > kHighest;
            });
            const double part = static_cast<double>(beyond) / static_cast<double>(octaves.size());
            if (part < kTooLong) continue;
            const auto [low, high] = std::ranges::minmax_element(octaves);
            const double top = cutoff * std::exp2(*high);
            const double reach =
                top > kHighest ? std::log2(kHighest / cutoff) / *high : std::log2(kLowest / cutoff) / *low;
            const double now = w.map.control(n, strongest->amount);
            out.push_back({"pinned", Severity::Caution, w.cableOf(*strongest->way), w.postOf(n),
                           say("at its limit {:.0f} % of the time, {:.0f} to {:.0f} Hz asked for", 100.0 * part,
                               cutoff * std::exp2(*low), top),
                           say("The cutoff of {} is pushed past the end of its range and stays there.", w.name(n)),
                           w.turn(n, strongest->amount, std::trunc(now * std::clamp(reach, 0.0, 0.95)))});
            break;
        }
    }
    return out;
}

} // namespace lariat
