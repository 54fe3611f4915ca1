// Attenuator at zero: a cable arrives at an input whose own level stands at nothing.
#include "findings/rules.h"
#include "measure/measure.h"

#include <cmath>

namespace lariat {
namespace {

constexpr double kFelt = 0.002; ///< volts; 2 cents of pitch

} // namespace

Findings findZeroAttenuator(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* jack = o.jack(cable.to);
        if (!jack || jack->amountKnob.empty()) continue;
        const KnobInfo& knob = *o.part(cable.to.post)->knob(jack->amountKnob);
        const double value = knobValue(*o.patch.post(cable.to.post), knob);
        const LevelReading level = measureLevel(o.at(cable.from));
        const double passes = std::abs(value) / knob.scale.max * level.swing().value;
        if (value != 0.0 && (std::abs(value) > 0.002 * knob.scale.max || passes > kFelt)) continue;
        const bool audio = jack->kind == SignalKind::Audio;
        const double suggestion = (audio ? 0.8 : 0.25) * knob.scale.max;
        Finding finding{"zero-attenuator",
                        Severity::Mistake,
                        cable.id,
                        cable.to.post,
                        say("{:.1f} V arrive, {} pass", level.max.value - level.min.value, knob.scale.text(value)),
                        {},
                        {}};
        finding.reason = say("{} of {} scales this input and stands at {} ({}), so the cable has no effect.", knob.name,
                             o.nameOf(cable.to.post), knob.scale.text(value), clockHand(knob.scale.toFraction(value)));
        finding.fixes.push_back({say("Open {} to {}", knob.name, knob.scale.text(suggestion)),
                                 {SetKnob{cable.to.post, knob.id, suggestion}}});
        finding.fixes.push_back({say("Take the cable out"), {RemoveCable{cable.id}}});
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
