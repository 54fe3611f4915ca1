// A pulse that is missed: too low for the threshold of an input, or too short for it to be seen.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kThreshold = 2.0; ///< volts, where the module says nothing else

/// Another output of the same post that is made for this.
std::vector<Fix> betterOutput(const Observation& o, const Cable& cable) {
    for (const JackInfo& jack : o.part(cable.from.post)->jacks)
        if (jack.output && jack.id != cable.from.jack && jack.kind == SignalKind::Gate && jack.max > 4.0f)
            return {moveFix(o, cable, {cable.from.post, jack.id}, cable.to)};
    return insertFix(o, cable.id, "comparator", [&](const Post& added, const PartInfo& part, std::vector<Edit>& edits) {
        if (const KnobInfo* knob = part.knobFor("comparator", "threshold"))
            edits.emplace_back(SetKnob{added.id, knob->id, 0.3});
        if (const KnobInfo* knob = part.knobFor("comparator", "gate-time"))
            edits.emplace_back(SetKnob{added.id, knob->id, 0.02});
    });
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
            out.push_back({"pulse-missed", Severity::Mistake, cable.id, cable.to.post,
                           say("peaks at {:.1f} V, {:.1f} V are needed", level.max.value, threshold),
                           say("{} of {} never sees this: it stays below the threshold of the input.", jack->name,
                               o.nameOf(cable.to.post)),
                           betterOutput(o, cable)});
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
