// An envelope that runs free: it loops because nothing is in its gate, while the voice that it opens has notes to play.
#include "findings/envelopes.h"
#include "findings/fixes.h"
#include "findings/rules.h"

#include <algorithm>

namespace lariat {
namespace {

/// What plays the tune of what goes through a way: a sequencer or keys that its pitch comes from. -1 if nothing does.
int playerOf(const Walk& w, const Way& sound) {
    for (const Source& source : w.behind(w.map.feeding(sound)))
        for (const Way& way : w.map.ways(source.node)) {
            if (way.does != Does::Tunes) continue;
            const Source tune = w.origin(w.map.feeding(way));
            if (tune.node < 0) continue;
            const BlockType& type = *w.map.node(tune.node).type;
            if (type.playsPattern || type.isPlayed) return tune.node;
        }
    return -1;
}

/// A way that this envelope opens, itself or passed on, to what plays a tune.
struct Opened {
    const Way* by = nullptr;
    int player = -1;
};
Opened openedBy(const Walk& w, int node) {
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (const Way& sound : w.map.ways(n)) {
            if (sound.does != Does::Passes || sound.opener < 0) continue;
            for (const Way* by : w.map.openersOf(sound)) {
                if (w.origin(w.map.feeding(*by)).node != node) continue;
                if (const int player = playerOf(w, sound); player >= 0) return {by, player};
            }
        }
    return {};
}

} // namespace

Findings findFreeRunning(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (const Envelope& envelope : envelopesIn(w)) {
        if (!envelope.form.loops || envelope.gate) continue;
        const Opened opened = openedBy(w, envelope.node);
        if (!opened.by) continue;
        const std::string post = w.postOf(envelope.node);
        Finding finding{"free-running",
                        Severity::Caution,
                        w.cableFrom(envelope.out),
                        post,
                        say("starts {} times in {:.0f} s by itself", w.life(envelope.out).rises, o.seconds),
                        say("{} loops because nothing is in its gate, so notes are not what opens the voice.",
                            w.name(envelope.node)),
                        {}};
        for (const Way& way : w.map.ways(envelope.node)) {
            const JackRef gate = w.map.inputJack(envelope.node, way.input);
            if (way.does != Does::Strikes || gate.post.empty()) continue;
            const std::string player = w.postOf(opened.player);
            for (const JackInfo& jack : o.part(player)->jacks)
                if (jack.output && jack.kind == SignalKind::Gate) {
                    Fix fix = tieFix(o, {player, jack.id}, gate);
                    // Struck by notes it need not go round between them.
                    for (Fix& once : w.turn(envelope.node, envelope.form.loop, 0.0))
                        fix.edits.insert(fix.edits.end(), once.edits.begin(), once.edits.end());
                    finding.fixes.push_back(std::move(fix));
                    break;
                }
            break;
        }
        append(finding.fixes, w.turn(envelope.node, envelope.form.loop, 0.0));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
