// Pulse width driven to silence: at 0 or 100 % a pulse does not move, so nothing is heard.
//
// The width is the knob and what its CV inputs add, as blocks state beside their jacks. Whether the wave stands still
// there is looked for in the wave.
#include "findings/aims.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kNarrowest = 1.0; ///< per cent
constexpr double kSafe = 5.0;
constexpr double kSeldom = 0.01;  ///< part of the time
constexpr std::size_t kStill = 8; ///< looks in a row, in which a wave that moves would be seen
constexpr float kHardly = 0.2f;   ///< volts

std::set<int> widthsOf(const Walk& w, int node) {
    std::set<int> found;
    for (const Way& way : w.map.ways(node))
        if (const int control = widthMovedBy(w, way); control >= 0) found.insert(control);
    return found;
}

bool isExtreme(double width) {
    return width < kNarrowest || width > 100.0 - kNarrowest;
}

/// The part of the time for which the wave stands still because of its width.
double stillPart(std::span<const float> wave, const std::vector<double>& moved, double knob) {
    const std::size_t looks = wave.size() / kLookEvery;
    std::size_t still = 0;
    for (std::size_t i = 0; i + kStill <= looks; i += kStill) {
        bool extreme = true;
        for (std::size_t k = i; k < i + kStill; ++k)
            extreme = extreme && isExtreme(knob + (k < moved.size() ? moved[k] : 0.0));
        if (!extreme) continue;
        const auto [low, high] = std::ranges::minmax(wave.subspan(i * kLookEvery, kStill * kLookEvery));
        if (high - low < kHardly) still += kStill;
    }
    return looks == 0 ? 0.0 : static_cast<double>(still) / static_cast<double>(looks);
}

} // namespace

Findings findWidthSilent(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (const int control : widthsOf(w, n)) {
            const auto movers = moversOf(w, n, control);
            const std::vector<double> moved = movedBy(w, movers);
            const double width = w.map.control(n, control);
            double part = 0.0;
            for (int output = 0; output < static_cast<int>(w.map.node(n).heard.size()); ++output)
                if (const Source wave{n, output, 0}; w.oscillates(wave))
                    part = std::max(part, stillPart(w.volts(wave), moved, width));
            if (part < kSeldom) continue;
            double low = width;
            double high = width;
            if (!moved.empty()) {
                const auto [least, most] = std::ranges::minmax_element(moved);
                low += *least;
                high += *most;
            }
            const Mover* mover = movers.empty() ? nullptr : &movers.front();
            Finding finding{"width-silent",
                            Severity::Mistake,
                            mover ? w.cableOf(*mover->way) : 0,
                            w.postOf(n),
                            say("width {:.0f}…{:.0f} %, silent {:.0f} % of the time", std::clamp(low, 0.0, 100.0),
                                std::clamp(high, 0.0, 100.0), 100.0 * part),
                            say("At 0 or 100 % the pulse of {} stands still and is not heard.", w.name(n)),
                            {}};
            // The middle of the swing at 50 %, and its ends inside the safe widths.
            const double swing = high - low;
            const double gentler = swing > 100.0 - 2.0 * kSafe ? (100.0 - 2.0 * kSafe) / swing : 1.0;
            const double centred = 50.0 - gentler * (0.5 * (low + high) - width);
            finding.fixes = w.turn(n, control, std::round(centred));
            if (gentler < 1.0 && mover && mover->amount >= 0) {
                std::vector<Fix> less = w.turn(n, mover->amount, std::trunc(gentler * w.map.control(n, mover->amount)));
                if (finding.fixes.empty())
                    finding.fixes = less;
                else if (!less.empty())
                    finding.fixes.front().edits.insert(finding.fixes.front().edits.end(), less.front().edits.begin(),
                                                       less.front().edits.end());
            }
            out.push_back(std::move(finding));
        }
    return out;
}

} // namespace lariat
