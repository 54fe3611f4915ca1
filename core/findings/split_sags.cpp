// A passive split sags: an output that feeds several inputs loses volts to each, and pitch goes flat.
#include "building/split.h"
#include "engine/electrics.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kAudibleCents = 5.0; ///< cents

/// The output that is loaded: behind passive splits, whose jacks are only joined.
JackRef loaded(const Observation& o, JackRef output) {
    for (std::size_t guard = 0; guard < o.patch.posts.size(); ++guard) {
        const JackInfo* jack = o.jack(output);
        if (!jack) break;
        const PartInfo& part = *o.part(output.post);
        if (!part.blocks[idx(jack->at.block)].type->passive) break;
        const auto in = std::ranges::find_if(
            part.jacks, [&](const JackInfo& one) { return !one.output && one.at.block == jack->at.block; });
        const JackRef before =
            in == part.jacks.end() ? JackRef{} : feederOf(o.patch, *o.library, {output.post, in->id});
        if (before.post.empty()) break;
        output = before;
    }
    return output;
}

} // namespace

Findings findSplitSags(const Observation& o) {
    Findings out;
    const Electrics electrics(o.patch, *o.library);
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* jack = o.jack(cable.to);
        if (!jack || jack->kind != SignalKind::Pitch || electrics.sharers(cable.to) < 2) continue;
        const LevelReading pitch = measureLevel(o.at(cable.from));
        const double highest = std::max(std::abs(pitch.max.value), std::abs(pitch.min.value));
        const double cents = 1200.0 * highest * (1.0 - electrics.gainInto(cable.to));
        if (cents < kAudibleCents) continue;
        Finding finding{"split-sags",
                        Severity::Caution,
                        cable.id,
                        cable.to.post,
                        say("{:.0f} cents flat at {:.1f} V", cents, highest),
                        say("On metal, {} inputs share one output and each takes about 1 % of its voltage. "
                            "A buffered mult takes nothing.",
                            electrics.sharers(cable.to)),
                        {}};
        Patch without = o.patch;
        std::erase_if(without.cables, [&](const Cable& c) { return c.id == cable.id; });
        for (Split& way : waysToSplit(without, *o.library, o.housing, loaded(o, cable.from), cable.to)) {
            if (way.sagPerVolt > 1e-4 || way.way != Split::Way::Mult) continue;
            way.edits.insert(way.edits.begin(), RemoveCable{cable.id});
            finding.fixes.push_back({say("Split with {}", way.with), std::move(way.edits)});
            break;
        }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
