// A tail that runs on: an envelope that is still high when the next hit comes.
#include "findings/envelopes.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kStillHigh = 0.25; ///< part of the peak
constexpr std::size_t kFewest = 3;  ///< hits, where they do not come from a sequencer whose whole cycle is known

/// Of each hit, the part of the peak at which it still stands when the next one comes.
struct Tails {
    std::vector<double> left;
    double shortest = 1e9; ///< seconds between two hits
};

/// Notes of a sequencer as the contour itself tells them; hits from elsewhere as they were recorded.
Tails tailsOf(const Walk& w, const Envelope& envelope) {
    Tails out;
    if (const ContourResponse* response = w.o.response(w.postOf(envelope.node))) {
        float peak = 0.0f;
        for (const MinMax& column : response->picture) peak = std::max({peak, column.max, -column.min});
        for (const Strike& strike : response->strikes) {
            const float still = strike.cutOff() ? std::abs(strike.atNext) : 0.0f;
            out.left.push_back(peak > 0.5f ? static_cast<double>(still / peak) : 0.0);
            out.shortest = std::min(out.shortest, strike.next);
        }
        return out;
    }
    const auto volts = w.volts(envelope.out);
    const auto pace = paceOf(w, *envelope.gate, kFewest);
    const double peak = measureLevel(volts).peak().value;
    if (volts.empty() || !pace || peak < 0.5) return out;
    out.shortest = pace->shortest;
    for (std::size_t i = 1; i < pace->at.size(); ++i) {
        const auto before = static_cast<std::size_t>(std::max(0.0, pace->at[i] * w.o.rate() - 8.0));
        if (before < volts.size()) out.left.push_back(std::abs(static_cast<double>(volts[before])) / peak);
    }
    return out;
}

} // namespace

Findings findTailRunsOn(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (const Envelope& envelope : envelopesIn(w)) {
        // Where a gate holds the level, running on is a slur and may be wanted; a struck envelope is meant to end.
        const EnvelopeForm& form = envelope.form;
        if (form.followsGate || form.loops || !envelope.gate) continue;
        Tails tails = tailsOf(w, envelope);
        if (tails.left.empty()) continue;
        std::ranges::nth_element(tails.left, tails.left.begin() + std::ssize(tails.left) / 2);
        const double still = tails.left[tails.left.size() / 2];
        if (still < kStillHigh) continue;
        Finding finding{
            "tail-runs-on",
            Severity::Caution,
            w.cableFrom(envelope.out),
            w.postOf(envelope.node),
            say("still at {:.0f} % after {:.0f} ms, when the next hit comes", 100.0 * still, 1e3 * tails.shortest),
            say("The tail of {} is longer than the step, so hits run into each other.", w.name(envelope.node)),
            {}};
        const double now = w.map.control(envelope.node, form.fall());
        const double rise = w.map.control(envelope.node, form.attack);
        finding.fixes = w.turn(envelope.node, form.fall(),
                               std::min(0.8 * now, std::max(0.3 * tails.shortest, 0.8 * tails.shortest - rise)));
        if (rise > 0.5 * tails.shortest) // it is hardly up by then
            for (Fix& fix : w.turn(envelope.node, form.attack, 0.2 * tails.shortest)) {
                for (Fix& shorter : w.turn(envelope.node, form.fall(), std::min(now, 0.5 * tails.shortest)))
                    fix.edits.insert(fix.edits.end(), shorter.edits.begin(), shorter.edits.end());
                finding.fixes.insert(finding.fixes.begin(), std::move(fix));
            }
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
