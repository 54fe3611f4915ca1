// Won't stop: sound that reaches the ear and never falls silent, though something is there that should close it. From
// every way out back along each part of the sum that has no pause, to what stays open, or to where nothing can close.
#include "building/capacity.h"
#include "building/insert.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

constexpr double kPause = -30.0;     ///< dB below the loudest that is a pause
constexpr double kNearlyShut = 0.03; ///< of the widest that something was open
constexpr double kSlow = 0.5;        ///< of its peak that an envelope still has when the next note comes
constexpr double kLetGo = 0.1;       ///< seconds between notes in which an envelope should fall
constexpr double kEndless = 5.0;     ///< seconds of a stage that no note is as long as
constexpr float kLifted = 0.1f;      ///< of its peak below which a voltage is down
constexpr double kStaysOpen = 1.5;   ///< per cent of opening that is heard all the time

class Endless {
  public:
    explicit Endless(const Observation& observed) : w_(observed), o_(observed), map_(*observed.flow) {}

    Findings search() {
        for (const Way* way : w_.waysOut())
            if (map_.shutBy(*way) < 0) follow(map_.feeding(*way), nullptr, 0);
        return std::move(found_);
    }

  private:
    [[nodiscard]] bool pauses(const Source& source) const {
        const Life& life = w_.life(source);
        return !life.alive() || life.pause < kPause;
    }

    /// Nothing on the way back to where it is made ever closes it.
    [[nodiscard]] bool leaks(const Source& source, std::set<std::pair<int, int>>& been) const {
        if (source.node < 0 || pauses(source) || !been.insert({source.node, source.output}).second) return false;
        const std::vector<const Way*> ways = sounding(source);
        return ways.empty() || std::ranges::all_of(ways, [&](const Way* way) {
                   return way->opener < 0 && leaks(map_.feeding(*way), been);
               });
    }
    [[nodiscard]] std::vector<const Way*> sounding(const Source& source) const {
        std::vector<const Way*> ways = w_.fed(source, Does::Passes);
        std::erase_if(ways, [&](const Way* way) { return map_.shutBy(*way) >= 0 || !w_.arriving(*way).alive(); });
        return ways;
    }

    /// `open`: the way nearest the ear that could have closed it; `last`: the cable behind the last sum.
    void follow(const Source& source, const Way* open, int last) {
        if (source.node < 0 || !w_.life(source).alive()) return;
        const std::vector<const Way*> ways = sounding(source);
        const Way* held = holds(source);
        const Way* returns = feedsBack(ways);
        if ((pauses(source) && !held && !returns) || !seen_.insert({source.node, source.output}).second) return;
        path_.push_back(w_.link(source));
        std::set<std::pair<int, int>> been;
        if (held)
            stays(*held);
        else if (returns)
            comesRound(*returns);
        else if (ways.empty() || (!open && ways.size() > 1 && leaks(source, been)))
            endsAt(source, open, last);
        else
            for (const Way* way : ways) {
                const Opening opening = w_.opening(*way);
                if (way->opener >= 0 && opening.most <= kStaysOpen) continue;
                const bool closes =
                    way->opener >= 0 && !opening.fed.empty() && opening.least < kNearlyShut * opening.most;
                if (closes) continue; // it goes down to nothing; what rings on behind it has been let in
                const bool better = way->opener >= 0 && (open == nullptr || !opening.fed.empty());
                const int cable = map_.feeding(*way).cable;
                follow(map_.feeding(*way), better ? way : open, ways.size() > 1 || last == 0 ? cable : last);
            }
        path_.pop_back();
    }

    /// A way on which everything comes round again undiminished.
    [[nodiscard]] const Way* feedsBack(const std::vector<const Way*>& ways) const {
        for (const Way* way : ways)
            if (way->feedback >= 0 && map_.control(way->node, way->feedback) >= 99.5) return way;
        return nullptr;
    }
    void comesRound(const Way& way) {
        const double back = map_.control(way.node, way.feedback);
        report(
            map_.feeding(way).cable, way.node, {way.node, way.output, 0},
            say("{} gives {:.0f} % of what it plays back to itself, so it never dies away.", w_.name(way.node), back),
            w_.turn(way.node, way.feedback, 60.0));
    }

    /// An input that freezes what sounds, and is high for good; or the switch that does so.
    [[nodiscard]] const Way* holds(const Source& source) const {
        for (const Way* way : map_.into(source.node, source.output, Does::Holds))
            if (heldByHand(*way) || w_.arriving(*way).high > 0.98) return way;
        return nullptr;
    }
    [[nodiscard]] bool heldByHand(const Way& way) const {
        return way.opener >= 0 && map_.control(way.node, way.opener) > 0.5 && !w_.movesInScenes(way.node, way.opener);
    }

    void stays(const Way& way) {
        const Source source = map_.feeding(way);
        if (heldByHand(way)) {
            report(0, way.node, {way.node, way.output, 0},
                   say("{} of {} is on: what it holds goes on for ever.", knobName(way), w_.name(way.node)),
                   w_.turn(way.node, way.opener, 0.0));
            return;
        }
        report(source.cable, way.node, {way.node, way.output, 0},
               say("{} of {} is high for good, and holds what sounds.", w_.inputName(way), w_.name(way.node)),
               {{say("Take cable {} out", o_.patch.row(source.cable)), {RemoveCable{source.cable}}}});
    }

    void endsAt(const Source& source, const Way* open, int last) {
        if (open) {
            staysOpen(*open);
            return;
        }
        if (!shouldStop(source)) return;
        report(last != 0 ? last : source.cable, source.node, source,
               say("It drones: nothing between {} and the way out closes, so nothing tells it to stop.",
                   w_.name(source.node)),
               putIn(last != 0 ? last : source.cable));
    }

    /// A sound that plays notes, or whose voice has something that opens and closes, is meant to stop.
    [[nodiscard]] bool shouldStop(const Source& source) const {
        if (!w_.fed(source, Does::Tunes).empty()) return true;
        if (nothingCloses() && hasGates()) return true;
        // Notes bend or restart it.
        for (const Does does : {Does::Moves, Does::Resets})
            for (const Way* way : w_.fed(source, does))
                if (isLed(map_.feeding(*way))) return true;
        const Post* post = o_.patch.post(w_.postOf(source.node));
        return post && std::ranges::any_of(o_.patch.cables, [&](const Cable& cable) {
                   const FlowMap::At at = map_.inputAt(cable.to);
                   return at.node >= 0 && cable.voice == post->voice && !post->voice.empty() &&
                          std::ranges::any_of(map_.ways(at.node), [&](const Way& way) {
                              return way.input == at.index && way.does == Does::Opens;
                          });
               });
    }

    [[nodiscard]] bool hasGates() const {
        return std::ranges::any_of(o_.patch.cables, [&](const Cable& cable) {
            const JackInfo* jack = o_.jack(cable.from);
            return jack && jack->kind == SignalKind::Gate;
        });
    }
    [[nodiscard]] bool nothingCloses() const {
        for (int n = 0; n < map_.nodeCount(); ++n)
            if (std::ranges::any_of(map_.ways(n), [&](const Way& way) {
                    return way.does == Does::Opens && map_.feeding(way).node >= 0;
                }))
                return false;
        return true;
    }

    void staysOpen(const Way& way) {
        const Opening opening = w_.opening(way);
        const std::string name = w_.name(way.node);
        const Source in = map_.feeding(way);
        const Source sound{way.node, way.output, 0};
        std::vector<Fix> fixes;
        if (opening.fed.empty()) {
            if (!shouldStop(in) && opening.free.empty()) return;
            std::vector<Fix> open = w_.open(way);
            if (!open.empty()) open.pop_back(); // its own knob stays as it is the cause
            // The knob shut, and an envelope that opens it instead.
            for (Fix& fix : open)
                for (Fix& shut : w_.turn(way.node, way.opener, 0.0)) {
                    Fix both = fix;
                    both.edits.insert(both.edits.end(), shut.edits.begin(), shut.edits.end());
                    fixes.push_back(std::move(both));
                }
            report(in.cable, way.node, sound,
                   say("It drones: {} stays open, so nothing tells the sound to stop.", name), std::move(fixes));
            return;
        }
        if (opening.byHand > kStaysOpen) {
            fixes = w_.turn(way.node, way.opener, 0.0);
            if (opening.least - opening.byHand <
                kSlow * (opening.most - opening.byHand)) { // the knob alone holds it open
                const ControlSpec& spec = map_.node(way.node).type->controls[idx(way.opener)];
                report(in.cable, way.node, sound,
                       say("It never closes: {} of {} stands at {} and lets sound through between the notes.",
                           knobName(way), name, spec.scale.text(map_.control(way.node, way.opener))),
                       std::move(fixes));
                return;
            }
        }
        for (const Way* opens : opening.fed) {
            const std::size_t depth = path_.size();
            whyUp(*opens, sound, fixes);
            path_.resize(depth);
        }
    }

    [[nodiscard]] std::string knobName(const Way& way) const {
        const auto knob = map_.knobAt(way.node, way.opener);
        return knob ? knob->knob->name : map_.node(way.node).type->controls[idx(way.opener)].name;
    }

    /// What opens it never comes down: because its gate never falls, or because it is none that does.
    void whyUp(const Way& opens, const Source& sound, std::vector<Fix> fixes) {
        Source source = map_.feeding(opens);
        int cable = source.cable;
        std::set<std::pair<int, int>> been;
        while (been.insert({source.node, source.output}).second) {
            path_.push_back(w_.link(source));
            const Way* next = leading(source);
            if (!next) {
                whyConstant(opens, source, cable, sound, std::move(fixes));
                return;
            }
            const Life& life = w_.life(source);
            const Life& before = w_.arriving(*next);
            if (next->does == Does::Strikes && before.rises > 1) { // it is struck and let go
                if (staysUp(source.node, life, before)) {
                    append(fixes, shorter(source.node));
                    append(fixes, w_.otherOutput(cable));
                    append(fixes, w_.rest(source.node));
                    report(cable, source.node, sound,
                           say("{} is let go between the notes and does not come down: {:.1f} V are left.",
                               w_.name(source.node), life.floor),
                           std::move(fixes), Severity::Caution);
                }
                return;
            }
            const bool comesDown = !before.alive() || before.floor < kLifted * before.max;
            if (next->does == Does::Passes && comesDown && life.floor > kLifted * life.max) {
                if (lagsBehind(source.node, before)) return;
                std::vector<Fix> all = w_.rest(source.node);
                append(all, std::move(fixes));
                report(cable, source.node, sound,
                       say("{} lifts what opens {}: it never falls below {:.1f} V.", w_.name(source.node),
                           w_.name(opens.node), life.floor),
                       std::move(all));
                return;
            }
            source = map_.feeding(*next);
            cable = source.cable != 0 ? source.cable : cable;
        }
    }

    /// What strikes it, or passes through it.
    [[nodiscard]] const Way* leading(const Source& source) const {
        for (const Does does : {Does::Strikes, Does::Passes})
            if (const auto ways = w_.fed(source, does); !ways.empty()) return ways.front();
        return nullptr;
    }
    /// An envelope that is still up when the next note comes, though there was time to fall.
    [[nodiscard]] bool staysUp(int node, const Life& life, const Life& gate) const {
        const bool endless = longestTime(node) > kEndless;
        return (gate.longestLow > kLetGo && life.floor > kSlow * life.max) ||
               (endless && life.floor > 0.5 * kSlow * life.max);
    }
    /// It would come down, had it the time: notes that hardly pause run into one another, and that is a slur.
    [[nodiscard]] bool lagsBehind(int node, const Life& gate) const {
        const double time = longestTime(node);
        return time > gate.longestLow && time < kEndless && gate.rises > 1;
    }
    void whyConstant(const Way& opens, const Source& source, int cable, const Source& sound, std::vector<Fix> fixes) {
        const Life& life = w_.life(source);
        if (life.alive() && !isLed(source)) return; // it moves by itself, however slowly: swells are no mistake
        const Cable* into = o_.patch.cable(map_.feeding(opens).cable);
        const Post* post = o_.patch.post(w_.postOf(opens.node));
        if (into && post)
            for (const JackRef& envelope : w_.envelopes(post->voice))
                if (envelope != into->from && fixes.size() < 4) fixes.push_back(moveFix(o_, *into, envelope, into->to));
        append(fixes, w_.otherOutput(cable));
        append(fixes, w_.rest(source.node));
        report(cable, source.node, sound,
               say("What opens {} comes from {} and never falls below {:.1f} V, so it never closes.",
                   w_.name(opens.node), w_.name(source.node), life.floor),
               std::move(fixes));
    }

    /// Something leads it on, strikes it or is played by it.
    [[nodiscard]] bool isLed(const Source& source) const {
        const BlockType& type = *map_.node(source.node).type;
        return type.playsPattern || type.isPlayed || type.countsBeats || !w_.fed(source, Does::Times).empty() ||
               !w_.fed(source, Does::Strikes).empty();
    }
    /// The control of the longest of its times; -1 if it has none.
    [[nodiscard]] int longestControl(int node) const {
        const auto& controls = map_.node(node).type->controls;
        int longest = -1;
        for (std::size_t c = 0; c < controls.size(); ++c)
            if (controls[c].scale.unit == Unit::Seconds &&
                (longest < 0 || map_.control(node, static_cast<int>(c)) > map_.control(node, longest)))
                longest = static_cast<int>(c);
        return longest;
    }
    [[nodiscard]] double longestTime(int node) const {
        const int control = longestControl(node);
        return control < 0 ? 0.0 : map_.control(node, control);
    }
    [[nodiscard]] std::vector<Fix> shorter(int node) const {
        const int control = longestControl(node);
        return control < 0 ? std::vector<Fix>{} : w_.turn(node, control, 0.1);
    }

    /// `sound`: what is heard for ever, whose level is the figure.
    void report(int cable, int node, const Source& sound, Sentence reason, std::vector<Fix> fixes,
                Severity severity = Severity::Mistake) {
        const std::string post = w_.postOf(node);
        for (const Finding& other : found_)
            if (other.cable == cable && other.post == post) return;
        found_.push_back({"drone", severity, cable, post,
                          say("the level never falls more than {:.1f} dB", std::max(0.0, -w_.life(sound).pause)),
                          std::move(reason), std::move(fixes), path_});
    }

    /// A free VCA of the case, with an envelope of the patch that opens it.
    [[nodiscard]] std::vector<Fix> putIn(int id) const {
        std::vector<Fix> fixes;
        const Cable* cable = o_.patch.cable(id);
        if (!cable) return fixes;
        for (const FreePart& free : freeParts(o_.patch, *o_.library, o_.housing)) {
            if (free.part->blocks.size() != 1 || !opensAndPasses(*free.part->blocks.front().type)) continue;
            const Post post = postFor(o_.patch, free, cable->voice);
            const auto edits = insertInto(o_.patch, *o_.library, id, post);
            if (!edits) continue;
            const JackInfo* cv = nullptr;
            for (const JackInfo& jack : free.part->jacks)
                if (!jack.output && !cv && opens(*free.part->blocks.front().type, jack.at.index)) cv = &jack;
            if (!cv) continue;
            for (const JackRef& envelope : w_.envelopes(cable->voice)) {
                auto all = *edits;
                all.emplace_back(
                    TieCable{{0, envelope, {post.id, cv->id}, cable->voice, cable->step, "", 0, "", {}}, 0});
                fixes.push_back(
                    {say("Put the free {} in and let {} open it", free.part->name, o_.nameOf(envelope.post)),
                     std::move(all)});
                if (fixes.size() >= 3) return fixes;
            }
            return fixes;
        }
        return fixes;
    }
    static bool opens(const BlockType& type, int input) {
        return std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
            return flow.does == Does::Opens &&
                   std::ranges::find(flow.inputs, type.inputs[idx(input)].id) != flow.inputs.end();
        });
    }
    static bool opensAndPasses(const BlockType& type) {
        return type.outputs.size() == 1 && !type.controls.empty() &&
               std::ranges::any_of(
                   flowsOf(type), [&](const Flow& flow) { return flow.does == Does::Opens && type.inputs.size() > 1; });
    }

    const Walk w_;
    const Observation& o_;
    const FlowMap& map_;
    std::vector<Link> path_;
    std::set<std::pair<int, int>> seen_;
    Findings found_;
};

} // namespace

Findings findDrone(const Observation& o) {
    return Endless(o).search();
}

} // namespace lariat
