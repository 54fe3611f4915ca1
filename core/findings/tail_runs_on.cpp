// A tail that runs on: an envelope that is still high when the next hit comes.
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
Tails tailsOf(const Observation& o, const Post& post, const JackRef& gate) {
    Tails out;
    if (const ContourResponse* response = o.response(post.id)) {
        float peak = 0.0f;
        for (const MinMax& column : response->picture) peak = std::max({peak, column.max, -column.min});
        for (const Strike& strike : response->strikes) {
            const float still = strike.cutOff() ? std::abs(strike.atNext) : 0.0f;
            out.left.push_back(peak > 0.5f ? static_cast<double>(still / peak) : 0.0);
            out.shortest = std::min(out.shortest, strike.next);
        }
        return out;
    }
    const auto volts = o.at(o.jackFor(post.id, "contour", "out"));
    if (volts.empty()) return out;
    const std::vector<double> hits = risingEdges(o.at(gate), o.rate());
    const double peak = measureLevel(volts).max.value;
    if (hits.size() < kFewest || peak < 0.5) return out;
    for (std::size_t i = 1; i < hits.size(); ++i) {
        const auto before = static_cast<std::size_t>(std::max(0.0, hits[i] * o.rate() - 8.0));
        if (before < volts.size()) out.left.push_back(static_cast<double>(volts[before]) / peak);
        out.shortest = std::min(out.shortest, hits[i] - hits[i - 1]);
    }
    return out;
}

} // namespace

Findings findTailRunsOn(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        // Where a gate holds the level, running on is a slur and may be wanted; a struck envelope is meant to end.
        const double type = o.knob(post.id, "contour", "type");
        if (!o.is(post.id, "contour") || type < 2.0) continue;
        const JackRef gate = o.feed(post.id, "contour", "gate");
        if (gate.post.empty()) continue;
        Tails tails = tailsOf(o, post, gate);
        if (tails.left.empty()) continue;
        std::ranges::nth_element(tails.left, tails.left.begin() + std::ssize(tails.left) / 2);
        const double still = tails.left[tails.left.size() / 2];
        if (still < kStillHigh) continue;
        const char* stage = type == 2.0 ? "decay" : "release";
        Finding finding{
            "tail-runs-on",
            Severity::Caution,
            o.cableFrom(o.jackFor(post.id, "contour", "out")),
            post.id,
            say("still at {:.0f} % after {:.0f} ms, when the next hit comes", 100.0 * still, 1e3 * tails.shortest),
            say("The tail of {} is longer than the step, so hits run into each other.", post.name),
            {}};
        const double now = o.knob(post.id, "contour", stage);
        finding.fixes = turnFix(o, post.id, "contour", stage, std::min(0.8 * now, 0.8 * tails.shortest));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
