// A pulse that is missed: too low for the threshold of an input, or too short for it to be seen.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kThreshold = 2.0; ///< volts, where the module says nothing else

/// Another output of the same post that is made for this, or what makes gates of it.
std::vector<Fix> betterOutput(const Observation& o, const Cable& cable) {
    for (const JackInfo& jack : o.part(cable.from.post)->jacks)
        if (jack.output && jack.id != cable.from.jack && jack.kind == SignalKind::Gate && jack.max > 4.0f)
            return {moveFix(o, cable, {cable.from.post, jack.id}, cable.to)};
    return insertFix(o, cable.id, "comparator", [&](const Post& added, const PartInfo& part, std::vector<Edit>& edits) {
        for (const auto& [control, value] : {std::pair{"threshold", 0.3}, {"gate-time", 0.02}})
            if (const KnobInfo* knob = part.knobFor("comparator", control))
                edits.emplace_back(SetKnob{added.id, knob->id, value});
    });
}

/// Levels on its way, and of what makes it, all the way up.
std::vector<Fix> louder(const Observation& o, const Cable& cable) {
    const Walk w(o);
    const auto from = w.map.graph().outputs.find(cable.from);
    if (from == w.map.graph().outputs.end()) return {};
    std::vector<Fix> fixes = w.fullAlong(from->second);
    const Source begins = w.origin(from->second);
    const std::vector<const Way*> makes = w.map.into(begins.node, begins.output, Does::Strikes);
    if (!makes.empty() && w.map.gain(*makes.front()) < 0.99)
        for (const int level : makes.front()->levels) append(fixes, w.turn(begins.node, level, 100.0));
    return fixes;
}

} // namespace

Findings findPulseMissed(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* jack = o.jack(cable.to);
        const auto volts = o.at(cable.from);
        if (!jack || volts.empty() || (jack->kind != SignalKind::Gate && jack->kind != SignalKind::Clock)) continue;
        const LevelReading level = measureLevel(volts);
        const double threshold = jack->electrics.threshold > 0.0 ? jack->electrics.threshold : kThreshold;
        if (level.max.value - level.min.value < 0.1) continue; // silence is another matter
        if (level.max.value < threshold) {
            std::vector<Fix> fixes = louder(o, cable);
            append(fixes, betterOutput(o, cable));
            out.push_back({"pulse-missed", Severity::Mistake, cable.id, cable.to.post,
                           say("peaks at {:.1f} V, {:.1f} V are needed", level.max.value, threshold),
                           say("{} of {} never sees this: it stays below the threshold of the input.", jack->name,
                               o.nameOf(cable.to.post)),
                           std::move(fixes)});
            continue;
        }
        const double open = longestHigh(volts, o.rate(), threshold);
        if (jack->electrics.shortest > 0.0 && open > 0.0 && open < jack->electrics.shortest)
            out.push_back({"pulse-missed", Severity::Mistake, cable.id, cable.to.post,
                           say("pulses of {:.1f} ms, {:.1f} ms are needed", 1e3 * open, 1e3 * jack->electrics.shortest),
                           say("{} of {} wants longer pulses than these; on metal it misses them.", jack->name,
                               o.nameOf(cable.to.post)),
                           betterOutput(o, cable)});
    }
    return out;
}

} // namespace lariat
