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
constexpr double kStaysOpen = 1.5;   ///< per cent of opening that is heard all the time

class Endless {
  public:
    explicit Endless(const Observation& observed) : w_(observed), o_(observed), map_(*observed.flow) {}

    Findings search() {
        for (int n = 0; n < map_.nodeCount(); ++n)
            if (map_.node(n).type->leadsOut)
                for (const Way* way : map_.into(n, kOutOfTheCase, Does::Passes))
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
            map_.feeding(way).cable, way.node,
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
            report(0, way.node,
                   say("{} of {} is on: what it holds goes on for ever.", knobName(way), w_.name(way.node)),
                   w_.turn(way.node, way.opener, 0.0));
            return;
        }
        report(source.cable, way.node,
               say("{} of {} is high for good, and holds what sounds.", w_.inputName(way), w_.name(way.node)),
               {{say("Take cable {} out", o_.patch.row(source.cable)), {RemoveCable{source.cable}}}});
    }

    void endsAt(const Source& source, const Way* open, int last) {
        if (open) {
            staysOpen(*open);
            return;
        }
        if (!shouldStop(source)) return;
        report(last != 0 ? last : source.cable, source.node,
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
            report(in.cable, way.node, say("It drones: {} stays open, so nothing tells the sound to stop.", name),
                   std::move(fixes));
            return;
        }
        if (opening.byHand > kStaysOpen) {
            fixes = w_.turn(way.node, way.opener, 0.0);
            if (opening.least - opening.byHand <
                kSlow * (opening.most - opening.byHand)) { // the knob alone holds it open
                const ControlSpec& spec = map_.node(way.node).type->controls[idx(way.opener)];
                report(in.cable, way.node,
                       say("It never closes: {} of {} stands at {} and lets sound through between the notes.",
                           knobName(way), name, spec.scale.text(map_.control(way.node, way.opener))),
                       std::move(fixes));
                return;
            }
        }
        for (const Way* opens : opening.fed) whyUp(*opens, fixes);
    }

    [[nodiscard]] std::string knobName(const Way& way) const {
        const auto knob = map_.knobAt(way.node, way.opener);
        return knob ? knob->knob->name : map_.node(way.node).type->controls[idx(way.opener)].name;
    }

    /// What opens it never comes down: because its gate never falls, or because it is none that does.
    void whyUp(const Way& opens, std::vector<Fix> fixes) {
        Source source = map_.feeding(opens);
        int cable = source.cable;
        std::set<std::pair<int, int>> been;
        while (been.insert({source.node, source.output}).second) {
            path_.push_back(w_.link(source));
            const Life& life = w_.life(source);
            const auto struck = w_.fed(source, Does::Strikes);
            const auto passing = w_.fed(source, Does::Passes);
            const Way* next = !struck.empty() ? struck.front() : !passing.empty() ? passing.front() : nullptr;
            const bool gate = next && next->does == Does::Strikes;
            if (next && map_.feeding(*next).node >= 0) {
                const Life& before = w_.arriving(*next);
                if (gate && before.rises > 1) { // it is struck and let go, and stays up all the same
                    const bool endless = longestTime(source.node) > kEndless;
                    if ((before.longestLow > kLetGo && life.floor > static_cast<float>(kSlow) * life.max) ||
                        (endless && life.floor > 0.5f * static_cast<float>(kSlow) * life.max)) {
                        std::vector<Fix> all = std::move(fixes);
                        append(all, shorter(source.node));
                        append(all, w_.otherOutput(cable));
                        append(all, w_.rest(source.node));
                        report(cable, source.node,
                               say("{} is let go between the notes and does not come down: {:.1f} V are left.",
                                   w_.name(source.node), life.floor),
                               std::move(all), Severity::Caution);
                    }
                    unwind(been.size());
                    return;
                }
                const bool comesDown = !before.alive() || before.floor < 0.1f * before.max;
                if (!gate && comesDown && life.floor > 0.1f * life.max) {
                    std::vector<Fix> all = w_.rest(source.node);
                    append(all, std::move(fixes));
                    report(cable, source.node,
                           say("{} lifts what opens {}: it never falls below {:.1f} V.", w_.name(source.node),
                               w_.name(opens.node), life.floor),
                           std::move(all));
                    unwind(been.size());
                    return;
                }
                source = map_.feeding(*next);
                cable = source.cable != 0 ? source.cable : cable;
                continue;
            }
            if (life.alive() && !isLed(source)) { // it moves by itself, however slowly: swells are no mistake
                unwind(been.size());
                return;
            }
            std::vector<Fix> all = std::move(fixes);
            const Cable* into = o_.patch.cable(map_.feeding(opens).cable);
            const Post* post = o_.patch.post(w_.postOf(opens.node));
            if (into && post)
                for (const JackRef& envelope : w_.envelopes(post->voice))
                    if (envelope != into->from && all.size() < 4) all.push_back(moveFix(o_, *into, envelope, into->to));
            append(all, w_.otherOutput(cable));
            append(all, w_.rest(source.node));
            report(cable, source.node,
                   say("What opens {} comes from {} and never falls below {:.1f} V, so it never closes.",
                       w_.name(opens.node), w_.name(source.node), life.floor),
                   std::move(all));
            unwind(been.size());
            return;
        }
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
    void unwind(std::size_t links) { path_.resize(path_.size() - std::min(links, path_.size())); }

    void report(int cable, int node, Sentence reason, std::vector<Fix> fixes, Severity severity = Severity::Mistake) {
        const std::string post = w_.postOf(node);
        for (const Finding& other : found_)
            if (other.cable == cable && other.post == post) return;
        double pause = 0.0;
        for (std::size_t i = path_.size(); i-- > 0;)
            if (const auto* signal = heard(path_[i])) {
                pause = signal->pause;
                break;
            }
        found_.push_back({"drone", severity, cable, post,
                          say("the level never falls more than {:.1f} dB", std::max(0.0, -pause)), std::move(reason),
                          std::move(fixes), path_});
    }
    [[nodiscard]] const Life* heard(const Link& link) const {
        const auto it = map_.graph().outputs.find(link.jack);
        return it == map_.graph().outputs.end() ? nullptr : &w_.life(it->second);
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
            for (const Post& other : o_.patch.posts) {
                const JackRef envelope = envelopeOf(other);
                if (envelope.post.empty()) continue;
                auto all = *edits;
                all.emplace_back(
                    TieCable{{0, envelope, {post.id, cv->id}, cable->voice, cable->step, "", 0, "", {}}, 0});
                fixes.push_back(
                    {say("Put the free {} in and let {} open it", free.part->name, other.name), std::move(all)});
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
    [[nodiscard]] JackRef envelopeOf(const Post& post) const {
        for (const JackInfo& jack : o_.part(post.id)->jacks) {
            const BlockType& type = *o_.part(post.id)->blocks[idx(jack.at.block)].type;
            if (!jack.output || jack.kind != SignalKind::Control || jack.min < 0.0f || jack.at.index != 0) continue;
            if (std::ranges::any_of(flowsOf(type), [](const Flow& flow) { return flow.does == Does::Strikes; }))
                return {post.id, jack.id};
        }
        return {};
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
