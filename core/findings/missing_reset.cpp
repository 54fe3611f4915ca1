// Missing reset: of what one clock leads on, one is sent back to its start and another is not. After a stop they part.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>

namespace lariat {
namespace {

/// Something that a clock leads on step by step, and that can be sent back to its start.
struct Player {
    int node = -1;
    int clock = -1;             ///< node that its pulses begin at
    const Way* reset = nullptr; ///< by which it is reset; nullptr: by none
    JackRef free{};             ///< the jack where it could be
};

/// It counts pulses into notes, steps or gates. A slow wave that a clock keeps in step has nothing to be sent back to.
bool makesSteps(const BlockType& type) {
    return !type.countsBeats && (type.playsPattern || std::ranges::any_of(type.outputs, [](const JackSpec& jack) {
                                     return jack.kind == SignalKind::Gate || jack.kind == SignalKind::Clock;
                                 }));
}

std::vector<Player> playersOf(const Walk& w) {
    std::vector<Player> found;
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        if (!makesSteps(*w.map.node(n).type)) continue;
        Player player{n};
        for (const Way& way : w.map.ways(n)) {
            const Source source = w.map.feeding(way);
            if (way.does == Does::Times && source.node >= 0 && w.arriving(way).rises > 1)
                player.clock = w.origin(source).node;
            if (way.does != Does::Resets) continue;
            if (source.node >= 0)
                player.reset = &way;
            else
                player.free = w.map.inputJack(n, way.input);
        }
        if (player.clock >= 0 && w.map.node(player.clock).type->countsBeats) found.push_back(player);
    }
    return found;
}

} // namespace

Findings findMissingReset(const Observation& o) {
    Findings out;
    const Walk w(o);
    const auto players = playersOf(w);
    for (const Player& player : players) {
        if (player.reset || player.free.post.empty()) continue;
        const auto led = std::ranges::find_if(players, [&](const Player& other) {
            return other.reset && other.clock == player.clock && other.node != player.node;
        });
        if (led == players.end()) continue;
        const Source source = w.map.feeding(*led->reset);
        const JackRef from = w.map.outputJack(source.node, source.output);
        Finding finding{
            "missing-reset",
            Severity::Caution,
            0,
            w.postOf(player.node),
            say("{} is reset, {} is not", w.name(led->node), w.name(player.node)),
            say("After a stop {} goes on where it was while {} begins anew, and they part. Leave it if that "
                "is what you want.",
                w.name(player.node), w.name(led->node)),
            {}};
        if (!from.post.empty()) finding.fixes.push_back(tieFix(o, from, player.free));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
