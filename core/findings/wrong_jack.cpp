// The wrong jack: a signal that means nothing where it is plugged in. Gates where pitch is wanted and the other way
// round, what never falls where a gate is, two plugs that have changed places; a reset that comes as often as the
// clock.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "timing/lines.h"

#include <algorithm>

namespace lariat {
namespace {

enum class Kind { Pitch, Gate, Other };

class Plugs {
  public:
    explicit Plugs(const Observation& observed) : w_(observed), o_(observed), map_(*observed.flow) {}

    Findings search() {
        for (const Cable& cable : o_.patch.cables) look(cable);
        return std::move(found_);
    }

  private:
    /// What comes out of a jack, past whatever only passes it on.
    [[nodiscard]] Kind kindOf(Source source) const {
        source = w_.origin(source);
        if (w_.isGate(source)) return Kind::Gate;
        return w_.kindOf(source) == SignalKind::Pitch ? Kind::Pitch : Kind::Other;
    }

    [[nodiscard]] Kind broughtBy(const Cable& cable) const {
        const auto from = map_.graph().outputs.find(cable.from);
        return from == map_.graph().outputs.end() ? Kind::Other : kindOf(from->second);
    }
    [[nodiscard]] Kind wantedAt(const Cable& cable) const {
        const JackInfo* jack = o_.jack(cable.to);
        if (!jack) return Kind::Other;
        if (jack->kind == SignalKind::Gate || jack->kind == SignalKind::Clock) return Kind::Gate;
        return jack->kind == SignalKind::Pitch ? Kind::Pitch : Kind::Other;
    }

    void look(const Cable& cable) {
        const FlowMap::At at = map_.inputAt(cable.to);
        const auto from = map_.graph().outputs.find(cable.from);
        const JackInfo* jack = o_.jack(cable.to);
        if (at.node < 0 || from == map_.graph().outputs.end() || !jack) return;
        const Kind kind = kindOf(from->second);
        const Life& life = w_.life(from->second);
        for (const Way& way : map_.ways(at.node)) {
            if (way.input != at.index) continue;
            const bool gateJack = jack->kind == SignalKind::Gate || jack->kind == SignalKind::Clock;
            if (way.does == Does::Tunes && jack->kind == SignalKind::Pitch && kind == Kind::Gate && life.rises > 1) {
                report(cable, say("{:.1f} V at every gate", life.max),
                       say("A gate is plugged in where {} wants its pitch: it jumps to another note and back.",
                           o_.nameOf(cable.to.post)));
            } else if (way.does == Does::Strikes && gateJack && kind == Kind::Pitch) {
                report(cable, say("{:.1f}…{:+.1f} V", life.min, life.max),
                       say("A pitch is plugged in where {} wants a gate: only notes high enough would open it.",
                           o_.nameOf(cable.to.post)));
            } else if (way.does == Does::Strikes && gateJack && kind == Kind::Other && life.rises <= 1 &&
                       life.high > 0.9 && map_.makesTime(from->second.node)) {
                report(cable, say("{:.1f}…{:+.1f} V, never below", life.floor, life.max),
                       say("What is in the {} of {} stays high all the time: it opens once and is never let go.",
                           jack->name, o_.nameOf(cable.to.post)));
            } else if (way.does == Does::Resets && jack->kind == SignalKind::Gate) {
                if (!resets(cable, at.node, life)) continue;
            } else {
                continue;
            }
            return;
        }
    }

    /// A reset for every step: the first one is played over and over.
    bool resets(const Cable& cable, int node, const Life& life) {
        int pulses = 0;
        for (const Way& way : map_.ways(node))
            if (way.does == Does::Times && map_.feeding(way).node >= 0)
                pulses = std::max(pulses, w_.arriving(way).rises);
        if (pulses < 4 || life.rises < 4 || 10 * life.rises < 9 * pulses) return false;
        std::vector<Fix> fixes;
        // What resets others, or what its source has for that.
        for (const Cable& other : o_.patch.cables)
            if (other.id != cable.id && other.to.jack == cable.to.jack && other.from != cable.from)
                fixes.push_back(moveFix(o_, cable, other.from, cable.to));
        for (const JackInfo& jack : o_.part(cable.from.post)->jacks)
            if (jack.output && jack.kind == SignalKind::Gate)
                fixes.push_back(moveFix(o_, cable, {cable.from.post, jack.id}, cable.to));
        fixes.push_back({say("Take cable {} out", o_.patch.row(cable.id)), {RemoveCable{cable.id}}});
        found_.push_back({"reset-always",
                          Severity::Mistake,
                          cable.id,
                          cable.to.post,
                          say("{} resets for {} clock pulses", life.rises, pulses),
                          say("{} is sent back to its start at every step, so it never leaves the first one.",
                              o_.nameOf(cable.to.post)),
                          std::move(fixes),
                          {{cable.from, cable.id, say("{} pulses in {:.0f} s", life.rises, o_.seconds)}}});
        return true;
    }

    void report(const Cable& cable, Sentence figure, Sentence reason) {
        std::vector<Fix> fixes;
        // The plug that is in its place, and wants to be here.
        for (const Cable& other : o_.patch.cables) {
            if (other.id == cable.id || fixes.size() >= 2) continue;
            if (broughtBy(other) == wantedAt(cable) && wantedAt(other) == broughtBy(cable) &&
                wantedAt(cable) != Kind::Other)
                fixes.push_back(
                    {say("Let cables {} and {} change places", o_.patch.row(cable.id), o_.patch.row(other.id)),
                     {SwapCables{cable.id, other.id, false}}});
        }
        // The jack beside it that belongs to the same line, then any of the kind that is wanted.
        if (const auto line = lineAt(o_.patch, *o_.library, cable.from))
            if (const auto sequencer = sequencerOf(o_.patch, *o_.library, line->post))
                for (const SequencerLine& one : sequencer->lines) {
                    if (one.at != *line) continue;
                    for (const std::string& id : one.jacks)
                        if (o_.jack({line->post, id})->kind == o_.jack(cable.to)->kind)
                            fixes.push_back(moveFix(o_, cable, {line->post, id}, cable.to));
                }
        for (Fix& fix : w_.otherOutput(cable.id)) fixes.push_back(std::move(fix));
        found_.push_back({"wrong-jack",
                          Severity::Mistake,
                          cable.id,
                          cable.to.post,
                          std::move(figure),
                          std::move(reason),
                          std::move(fixes),
                          {w_.link(map_.graph().outputs.at(cable.from))}});
    }

    const Walk w_;
    const Observation& o_;
    const FlowMap& map_;
    Findings found_;
};

} // namespace

Findings findWrongJack(const Observation& o) {
    return Plugs(o).search();
}

} // namespace lariat
