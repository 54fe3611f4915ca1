// DC from one-sided squares: each is 0 to 10 V, so a sum of them stands far above zero and soon meets the rails.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kTooMuchDc = 1.5; ///< volts of DC
constexpr double kOneSided = 0.3;  ///< part of the swing by which its middle is off zero
constexpr double kSquares = 3.0;   ///< a second: slower ones are gates that are combined
constexpr double kSeenTo = 0.3;    ///< volts of DC that are left where somebody has taken it out

/// What comes together in an output and never goes below zero, or above it.
std::vector<const Way*> oneSidedAt(const Walk& w, const Source& sum) {
    std::vector<const Way*> found = w.fed(sum, Does::Passes);
    std::erase_if(found, [&](const Way* way) {
        const Life& life = w.arriving(*way);
        return std::abs(life.mean) <= kOneSided * life.swing() || life.rises < kSquares * w.o.seconds ||
               w.map.gain(*way) == 0.0;
    });
    return found;
}

/// Everything that listens to it has the DC taken out at once.
bool isSeenTo(const Walk& w, const Source& sum) {
    const Life& life = w.life(sum);
    if (std::max(std::abs(life.min), std::abs(life.max)) >= 10.0f) return false;
    int listeners = 0;
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (const Way& way : w.map.ways(n)) {
            const Source from = w.map.feeding(way);
            if (from.node != sum.node || from.output != sum.output) continue;
            ++listeners;
            if (way.does != Does::Passes || way.output < 0 || std::abs(w.life({n, way.output, 0}).mean) > kSeenTo)
                return false;
        }
    return listeners > 0;
}

/// Turns over every second one: at its level, where that goes below zero, else with an attenuverter that is free.
std::optional<Fix> turnedOver(const Walk& w, const std::vector<const Way*>& ways) {
    Observation later = w.o;
    std::vector<Edit> edits;
    int turned = 0;
    for (std::size_t i = 1; i < ways.size(); i += 2) {
        const Way& way = *ways[i];
        const int level = way.hasAmount ? way.levels.front() : -1;
        const auto knob = level < 0 ? std::nullopt : w.map.knobAt(way.node, level);
        std::vector<Edit> more;
        if (knob && knob->scale->min < 0.0) {
            for (const Fix& fix : w.turn(way.node, level, -w.map.control(way.node, level))) more = fix.edits;
        } else {
            for (const Fix& fix : insertFix(later, w.cableOf(way), "attenuverter",
                                            [](const Post&added, const PartInfo&part, std::vector<Edit>&further) {
                                                if (const KnobInfo* amount = part.knobFor("attenuverter", "amount"))
                                                    further.emplace_back(SetKnob{added.id, amount->id, -100.0});
                                            }))
                more = fix.edits;
            if (auto next = applyEdits(later.patch, more); next && !more.empty()) later.patch = std::move(*next);
        }
        if (more.empty()) break;
        edits.insert(edits.end(), more.begin(), more.end());
        ++turned;
    }
    if (turned == 0) return std::nullopt;
    return Fix{turned == 1 ? say("Turn one of them over") : say("Turn {} of them over", turned), std::move(edits)};
}

} // namespace

Findings findOneSidedSum(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (int output = 0; output < static_cast<int>(w.map.node(n).heard.size()); ++output) {
            const Source sum{n, output, 0};
            if (!w.map.node(n).heard[idx(output)] || std::abs(w.life(sum).mean) < kTooMuchDc) continue;
            const auto oneSided = oneSidedAt(w, sum);
            if (oneSided.size() < 2 || isSeenTo(w, sum)) continue;
            Finding finding{
                "one-sided-sum",
                Severity::Mistake,
                w.cableFrom(sum),
                w.postOf(n),
                say("{:+.1f} V of DC under the sum", w.life(sum).mean),
                say("{} waves that never go below zero are added up in {}. Turning half of them over keeps the sum "
                    "around 0 V.",
                    oneSided.size(), w.name(n)),
                {}};
            if (auto over = turnedOver(w, oneSided)) finding.fixes.push_back(std::move(*over));
            append(finding.fixes, insertFix(o, finding.cable, "dc-blocker"));
            out.push_back(std::move(finding));
            break; // the same sum may come out at several jacks
        }
    return out;
}

} // namespace lariat
