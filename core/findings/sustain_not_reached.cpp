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

/// How long its gate is, and how long it takes to come to where it holds.
struct Reach {
    double open = 0.0;
    double needed = 0.0;
    bool missed = false;
};

/// Notes of a sequencer are judged one by one, as the contour itself tells it; a gate from elsewhere by its longest.
std::optional<Reach> reachOf(const Observation& o, const Post& post, const JackRef& gate) {
    if (const ContourResponse* response = o.response(post.id)) {
        const auto& strikes = response->strikes;
        if (strikes.empty() || response->notHeld() < static_cast<int>(strikes.size())) return std::nullopt;
        const auto longest = std::ranges::max_element(strikes, {}, &Strike::open);
        return Reach{longest->open, longest->open + longest->missing, longest->missing > 5e-4};
    }
    if (o.at(gate).empty() || knobOf(o, post.id, "short-gate") == 1.0) return std::nullopt;
    const double open = longestHigh(o.at(gate), o.rate());
    const double decay = knobOf(o, post.id, "type") == 1.0 ? 0.0 : knobOf(o, post.id, "decay");
    const double needed = knobOf(o, post.id, "attack") + decay;
    return Reach{open, needed, open + 5e-4 < needed};
}

} // namespace

Findings findSustainNotReached(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "contour")) continue;
        const double type = knobOf(o, post.id, "type");
        const bool rises = type == 1.0; // AR holds at its top; the others that a gate holds, at their sustain
        if (!rises && (type != 0.0 || knobOf(o, post.id, "sustain") < 1.0)) continue;
        const JackRef gate = o.feeder(o.jackFor(post.id, "contour", "gate"));
        if (gate.post.empty()) continue;
        const auto reach = reachOf(o, post, gate);
        if (!reach || !reach->missed || reach->open < kShortest) continue;
        const auto [open, needed, missed] = *reach;
        const KnobInfo* knob = o.part(post.id)->knobFor("contour", rises ? "attack" : "decay");
        Finding finding{"sustain-not-reached",
                        Severity::Mistake,
                        0,
                        post.id,
                        rises ? say("gate {:.0f} ms, attack {:.0f} ms", 1e3 * open, 1e3 * needed)
                              : say("gate {:.0f} ms, attack + decay {:.0f} ms", 1e3 * open, 1e3 * needed),
                        {},
                        {}};
        for (const Cable& cable : o.patch.cables)
            if (cable.from == o.jackFor(post.id, "contour", "out") && finding.cable == 0) finding.cable = cable.id;
        finding.reason =
            rises
                ? say("The gate of {} closes before its attack is over, so it never comes to its top.", post.name)
                : say("The gate of {} closes before its decay is over, so sustain is never reached and release starts "
                      "early.",
                      post.name);
        const double attack = knobOf(o, post.id, "attack");
        const double shorter = std::floor(1e3 * (rises ? open : open - attack) * 0.95) / 1e3;
        if (knob && shorter >= knob->scale.min)
            finding.fixes.push_back({rises ? say("Shorten attack to {}", knob->scale.text(shorter))
                                           : say("Shorten decay to {}", knob->scale.text(shorter)),
                                     {SetKnob{post.id, knob->id, shorter}}});
        const KnobInfo* rise = o.part(post.id)->knobFor("contour", "attack");
        if (rise && knob && attack > 0.5 * open) {
            const double quick = std::floor(1e3 * 0.2 * open) / 1e3;
            std::vector<Edit> edits = {SetKnob{post.id, rise->id, std::max(rise->scale.min, quick)}};
            if (!rises)
                edits.emplace_back(
                    SetKnob{post.id, knob->id, std::clamp(2.0 * quick, knob->scale.min, knob->scale.max)});
            finding.fixes.push_back({say("Shorten attack to {}", rise->scale.text(quick)), std::move(edits)});
        }
        for (Fix& fix : longerGates(o, gate.post, open, 1.05 * needed)) finding.fixes.push_back(std::move(fix));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
