// A trigger into a gate input: the envelope sees only the pulse, so its sustain is never heard.
#include "findings/envelopes.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kLongestTrigger = 0.015;

} // namespace

Findings findTriggerAsGate(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (const Envelope& envelope : envelopesIn(w)) {
        const EnvelopeForm& form = envelope.form;
        if (!form.needsGate || !envelope.gate) continue;
        const auto gate = w.volts(*envelope.gate);
        if (risingEdges(gate, o.rate()).size() < 2) continue;
        const double open = longestHigh(gate, o.rate());
        const bool falls = form.sustain >= 0; // to a sustain, which a trigger never lets it come to
        if (open > kLongestTrigger || (!falls && open >= w.map.control(envelope.node, form.attack))) continue;
        Finding finding{"trigger-as-gate",
                        Severity::Mistake,
                        w.cableOf(*envelope.gate),
                        w.postOf(envelope.node),
                        say("pulses of {:.0f} ms", 1e3 * open),
                        say("{} holds as long as its gate is high, and these are triggers: it falls back before it has "
                            "risen.",
                            w.name(envelope.node)),
                        {}};
        finding.fixes = w.turn(envelope.node, form.mode, 2.0); // what goes through its stages once it is struck
        // The same source may give gates as well.
        if (const Cable* cable = o.patch.cable(finding.cable))
            for (const JackInfo& jack : o.part(cable->from.post)->jacks)
                if (jack.output && jack.kind == SignalKind::Gate &&
                    longestHigh(o.at({cable->from.post, jack.id}), o.rate()) > kLongestTrigger) {
                    finding.fixes.push_back(moveFix(o, *cable, {cable->from.post, jack.id}, cable->to));
                    break;
                }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
