// Sustain never reached: the gate closes before attack and decay are over.
#include "findings/envelopes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kShortest = 0.015; ///< anything shorter is a trigger, not a gate

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
std::optional<Reach> reachOf(const Walk& w, const Envelope& envelope) {
    if (const ContourResponse* response = w.o.response(w.postOf(envelope.node))) {
        const auto& strikes = response->strikes;
        if (strikes.empty() || response->notHeld() < static_cast<int>(strikes.size())) return std::nullopt;
        const auto longest = std::ranges::max_element(strikes, {}, &Strike::open);
        return Reach{longest->open, longest->open + longest->missing, longest->missing > 5e-4};
    }
    const auto gate = w.volts(*envelope.gate);
    if (gate.empty() || envelope.form.finishes) return std::nullopt;
    const double open = longestHigh(gate, w.o.rate());
    const double needed = w.map.control(envelope.node, envelope.form.attack) +
                          (envelope.form.decay < 0 ? 0.0 : w.map.control(envelope.node, envelope.form.decay));
    return Reach{open, needed, open + 5e-4 < needed};
}

} // namespace

Findings findSustainNotReached(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (const Envelope& envelope : envelopesIn(w)) {
        const auto& [node, form, gate, output] = envelope;
        if (!form.holds || !gate) continue;
        const bool rises = form.decay < 0; // it holds at its top; others at their sustain
        const auto reach = reachOf(w, envelope);
        if (!reach || !reach->missed || reach->open < kShortest) continue;
        const auto [open, needed, missed] = *reach;
        Finding finding{"sustain-not-reached",
                        Severity::Mistake,
                        w.cableFrom(output),
                        w.postOf(node),
                        rises ? say("gate {:.0f} ms, attack {:.0f} ms", 1e3 * open, 1e3 * needed)
                              : say("gate {:.0f} ms, attack + decay {:.0f} ms", 1e3 * open, 1e3 * needed),
                        {},
                        {}};
        finding.reason =
            rises
                ? say("The gate of {} closes before its attack is over, so it never comes to its top.", w.name(node))
                : say("The gate of {} closes before its decay is over, so sustain is never reached and release starts "
                      "early.",
                      w.name(node));
        const auto knob = w.map.knobAt(node, rises ? form.attack : form.decay);
        const auto rise = w.map.knobAt(node, form.attack);
        const double attack = w.map.control(node, form.attack);
        const double shorter = std::floor(1e3 * (rises ? open : open - attack) * 0.95) / 1e3;
        if (knob && shorter >= knob->scale->min)
            for (Fix& fix : w.turn(node, rises ? form.attack : form.decay, shorter)) {
                fix.label = rises ? say("Shorten attack to {}", knob->scale->text(shorter))
                                  : say("Shorten decay to {}", knob->scale->text(shorter));
                finding.fixes.push_back(std::move(fix));
            }
        if (rise && knob && attack > 0.5 * open) {
            const double quick = std::floor(1e3 * 0.2 * open) / 1e3;
            for (Fix& fix : w.turn(node, form.attack, quick)) {
                fix.label = say("Shorten attack to {}", rise->scale->text(quick));
                if (!rises)
                    for (Fix& more : w.turn(node, form.decay, 2.0 * quick))
                        fix.edits.insert(fix.edits.end(), more.edits.begin(), more.edits.end());
                finding.fixes.push_back(std::move(fix));
            }
        }
        append(finding.fixes, longerGates(o, w.postOf(w.origin(w.map.feeding(*gate)).node), open, 1.05 * needed));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
