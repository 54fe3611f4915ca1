// A tail that runs on: an envelope that is still high when the next hit comes.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kStillHigh = 0.25; ///< part of the peak
constexpr double kTypeAd = 2.0;

} // namespace

Findings findTailRunsOn(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        // Where a gate holds the level, running on is a slur and may be wanted; a struck envelope is meant to end.
        if (!o.is(post.id, "contour") || o.knob(post.id, "contour", "type") != kTypeAd) continue;
        const JackRef gate = o.feed(post.id, "contour", "gate");
        const JackRef jack = o.jackFor(post.id, "contour", "out");
        const auto volts = o.at(jack);
        if (gate.post.empty() || volts.empty()) continue;
        const std::vector<double> hits = risingEdges(o.at(gate), o.rate());
        const double peak = measureLevel(volts).max.value;
        if (hits.size() < 3 || peak < 0.5) continue;
        std::vector<double> left;
        double shortest = 1e9;
        for (std::size_t i = 1; i < hits.size(); ++i) {
            const auto before = static_cast<std::size_t>(std::max(0.0, hits[i] * o.rate() - 8.0));
            if (before < volts.size()) left.push_back(static_cast<double>(volts[before]) / peak);
            shortest = std::min(shortest, hits[i] - hits[i - 1]);
        }
        std::ranges::nth_element(left, left.begin() + std::ssize(left) / 2);
        const double still = left[left.size() / 2];
        if (still < kStillHigh) continue;
        const double decay = o.knob(post.id, "contour", "decay");
        Finding finding{
            "tail-runs-on",
            Severity::Caution,
            o.cableFrom(jack),
            post.id,
            say("still at {:.0f} % after {:.0f} ms, when the next hit comes", 100.0 * still, 1e3 * shortest),
            say("The tail of {} is longer than the step, so hits run into each other.", post.name),
            {}};
        finding.fixes = turnFix(o, post.id, "contour", "decay", std::min(0.8 * decay, 0.8 * shortest));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
