// Pitch cable on a synced follower: the leader sets what is heard, so the tune only changes the colour.
#include "findings/rules.h"
#include "measure/measure.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

/// How far, in cents, the leader's pitch moves: from its shortest to its longest period.
double leaderSpan(std::span<const float> volts, double rate) {
    const std::vector<double> edges = risingEdges(volts, rate);
    double shortest = 1e9;
    double longest = 0.0;
    for (std::size_t i = 1; i < edges.size(); ++i) {
        shortest = std::min(shortest, edges[i] - edges[i - 1]);
        longest = std::max(longest, edges[i] - edges[i - 1]);
    }
    return longest > 0.0 ? ratioToCents(longest / shortest).value : 0.0;
}

} // namespace

Findings findPitchOnFollower(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        if (!o.is(cable.to.post, "vco") || cable.to != o.jackFor(cable.to.post, "vco", "voct")) continue;
        const JackInfo* source = o.jack(cable.from);
        if (!source || source->kind != SignalKind::Pitch) continue;
        const JackRef leaderOut = o.feeder(o.jackFor(cable.to.post, "vco", "sync"));
        if (leaderOut.post.empty() || !o.is(leaderOut.post, "vco") || leaderOut.post == cable.to.post) continue;
        const JackRef leaderPitch = o.jackFor(leaderOut.post, "vco", "voct");
        if (o.feeder(leaderPitch) == cable.from) continue; // both follow the tune: a known way to play it
        const LevelReading tune = measureLevel(o.at(cable.from));
        const double semitones = 12.0 * (tune.max.value - tune.min.value);
        if (semitones < 0.05) continue;
        const double heard = leaderSpan(o.at(leaderOut), o.rate());
        if (heard > 50.0) continue;
        const std::string leader = o.nameOf(leaderOut.post);
        const std::string follower = o.nameOf(cable.to.post);
        Finding finding{"pitch-on-follower",
                        Severity::Mistake,
                        cable.id,
                        cable.to.post,
                        say("the tune spans {:.0f} st, what is heard {:.1f} st", semitones, heard / 100.0),
                        {},
                        {}};
        finding.reason = say("{} is reset by {}, which carries the tune. Pitch on {} only changes its colour.",
                             follower, leader, follower);
        if (!o.patch.cableInto(leaderPitch))
            finding.fixes.push_back({say("Move cable {} to {} v/oct", o.patch.row(cable.id), leader),
                                     {MoveCable{cable.id, cable.from, leaderPitch}}});
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
