// Sustain never reached: the gate closes before attack and decay are over.
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kShortest = 0.015; ///< anything shorter is a trigger, not a gate

double knobOf(const Observation& o, const std::string& post, std::string_view control) {
    const KnobInfo* knob = o.part(post)->knobFor("contour", control);
    return knob ? knobValue(*o.patch.post(post), *knob) : 0.0;
}

/// Opens every note of the sequencer long enough, if one makes the gates.
std::vector<Fix> longerGates(const Observation& o, const std::string& source, double now, double wanted) {
    const Pattern* pattern = o.patch.pattern(source);
    if (!pattern || now <= 0.0) return {};
    Pattern longer = *pattern;
    double widest = 0.0;
    for (Track& track : longer.tracks)
        for (Step& step : track.steps) {
            step.gate = std::min(1.0, std::ceil(100.0 * step.gate * wanted / now) / 100.0);
            widest = std::max(widest, step.gate);
        }
    if (widest >= 0.98) return {}; // it would slur every note
    return {{say("Lengthen the gates to {:.0f} % of a step", 100.0 * widest), {SetPattern{std::move(longer)}}}};
}

} // namespace

Findings findSustainNotReached(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "contour") || knobOf(o, post.id, "type") != 0.0 || knobOf(o, post.id, "sustain") < 1.0)
            continue;
        const JackRef gate = o.feeder(o.jackFor(post.id, "contour", "gate"));
        if (gate.post.empty() || o.at(gate).empty()) continue;
        const double open = longestHigh(o.at(gate), o.rate());
        const double attack = knobOf(o, post.id, "attack");
        const double decay = knobOf(o, post.id, "decay");
        if (open < kShortest || open + 5e-4 >= attack + decay) continue;
        const KnobInfo& knob = *o.part(post.id)->knobFor("contour", "decay");
        Finding finding{"sustain-not-reached",
                        Severity::Mistake,
                        0,
                        post.id,
                        say("gate {:.0f} ms, attack + decay {:.0f} ms", 1e3 * open, 1e3 * (attack + decay)),
                        {},
                        {}};
        for (const Cable& cable : o.patch.cables)
            if (cable.from == o.jackFor(post.id, "contour", "out") && finding.cable == 0) finding.cable = cable.id;
        finding.reason =
            say("The gate of {} closes before its decay is over, so sustain is never reached and release starts early.",
                post.name);
        const double shorter = std::floor(1e3 * (open - attack) * 0.95) / 1e3;
        if (shorter >= knob.scale.min)
            finding.fixes.push_back(
                {say("Shorten decay to {}", knob.scale.text(shorter)), {SetKnob{post.id, knob.id, shorter}}});
        for (Fix& fix : longerGates(o, gate.post, open, 1.05 * (attack + decay)))
            finding.fixes.push_back(std::move(fix));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
