// Pitch cable on a synced follower: the leader sets what is heard, so the tune only changes the colour.
#include "findings/rules.h"
#include "findings/walk.h"
#include "library/tie.h"
#include "measure/measure.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kHeldSeconds = 0.1; ///< of a note, for its pitch to be measured
constexpr double kMoves = 50.0;      ///< cents: more, and the tune is heard

/// How far, in cents, the leader's pitch moves: from its shortest to its longest period.
double leaderSpan(std::span<const float> volts, double rate) {
    const std::vector<double> edges = risingEdges(volts, rate, measureLevel(volts).mean.value);
    double shortest = 1e9;
    double longest = 0.0;
    for (std::size_t i = 1; i < edges.size(); ++i) {
        shortest = std::min(shortest, edges[i] - edges[i - 1]);
        longest = std::max(longest, edges[i] - edges[i - 1]);
    }
    return longest > 0.0 ? ratioToCents(longest / shortest).value : 0.0;
}

/// The pitch of the sound while the tune stays at a voltage; nothing if it never does for long enough.
std::optional<double> pitchAt(std::span<const float> tune, double volts, std::span<const float> sound, double rate) {
    const auto length = static_cast<std::size_t>(kHeldSeconds * rate);
    std::size_t held = 0;
    for (std::size_t i = 0; i < std::min(tune.size(), sound.size()); ++i) {
        held = std::abs(static_cast<double>(tune[i]) - volts) < 0.01 ? held + 1 : 0;
        if (held < length) continue;
        const auto reading = measurePitch(sound.subspan(i + 1 - length, length), rate);
        return reading ? std::optional(reading->hertz.value) : std::nullopt;
    }
    return std::nullopt;
}

/// How far the pitch of what is heard of a follower goes with the tune, in cents; nothing where it cannot be measured.
std::optional<double> heardSpan(const Walk& w, int node, std::span<const float> tune, const LevelReading& level) {
    const auto& outputs = w.map.node(node).type->outputs;
    for (std::size_t output = 0; output < outputs.size(); ++output) {
        const auto sound = w.volts(Source{node, static_cast<int>(output), 0});
        if (outputs[output].kind != SignalKind::Audio || sound.empty()) continue;
        const auto low = pitchAt(tune, level.min.value, sound, w.o.rate());
        const auto high = pitchAt(tune, level.max.value, sound, w.o.rate());
        if (low && high) return std::abs(ratioToCents(*high / *low).value);
    }
    return std::nullopt;
}

} // namespace

Findings findPitchOnFollower(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (const Way& tuned : w.map.ways(n)) {
            const Cable* cable = o.patch.cable(w.cableOf(tuned));
            if (tuned.does != Does::Tunes || !cable) continue;
            const Source tune = w.origin(w.map.feeding(tuned));
            if (w.kindOf(tune) != SignalKind::Pitch) continue;
            const Way* led = nullptr; // by an oscillator of its own pitch
            for (const Way& way : w.map.ways(n))
                if (way.does == Does::Resets && !led && w.oscillates(w.origin(w.map.feeding(way))) &&
                    w.origin(w.map.feeding(way)).node != n)
                    led = &way;
            if (!led) continue;
            const Source leader = w.origin(w.map.feeding(*led));
            JackRef leaderPitch;
            bool follows = false; // both follow the tune: a known way to play it
            for (const Way& way : w.map.ways(leader.node)) {
                if (way.does != Does::Tunes) continue;
                const Source own = w.origin(w.map.feeding(way));
                follows = follows || (own.node == tune.node && own.output == tune.output);
                if (own.node < 0 && leaderPitch.post.empty()) leaderPitch = w.map.inputJack(leader.node, way.input);
            }
            const auto volts = w.volts(tuned);
            const LevelReading level = measureLevel(volts);
            const double semitones = 12.0 * level.swing().value;
            const double moves = leaderSpan(w.volts(*led), o.rate());
            if (follows || semitones < 0.05 || moves > kMoves) continue;
            const double heard = heardSpan(w, n, volts, level).value_or(moves);
            if (heard > kMoves) continue; // it is not led as far as that
            Finding finding{"pitch-on-follower",
                            Severity::Mistake,
                            cable->id,
                            w.postOf(n),
                            say("the tune spans {:.0f} st, what is heard {:.1f} st", semitones, heard / 100.0),
                            {},
                            {}};
            finding.reason = say("{} is reset by {}, which carries the tune. Pitch on {} only changes its colour.",
                                 w.name(n), w.name(leader.node), w.name(n));
            if (!leaderPitch.post.empty())
                finding.fixes.push_back(
                    {say("Move cable {} to {}", o.patch.row(cable->id), tieName(leaderPitch, o.patch, *o.library)),
                     {MoveCable{cable->id, cable->from, leaderPitch}}});
            out.push_back(std::move(finding));
            break; // one tune, at all its outputs
        }
    return out;
}

} // namespace lariat
