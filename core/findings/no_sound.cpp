// No sound: from every way out back along what should be heard. Where something that is tied brings nothing, the first
// link at which life ends is named: a level at nothing, what nobody opens, a clock that never comes, notes that nobody
// has written.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kBlow = 0.15;     ///< part of its swing that is more than what starting leaves
constexpr double kStanding = 0.05; ///< volts: less of a voltage that stands still is nothing
constexpr double kArrives = 0.2;   ///< volts RMS of a sound that counts
constexpr double kTrace = 0.02;    ///< part of it that is let through by something closed
constexpr double kShut = 0.5;      ///< per cent: less is not opened

/// Goes back along the sound.
class Silence {
  public:
    explicit Silence(const Observation& observed) : w_(observed), o_(observed), map_(*observed.flow) {}

    Findings search() {
        for (const Way* way : w_.waysOut()) look(*way);
        for (Finding& finding : found_)
            if (!isHeard() && finding.severity == Severity::Caution) finding.severity = Severity::Mistake;
        return std::move(found_);
    }

  private:
    [[nodiscard]] bool isHeard() const {
        const auto moves = [](const std::vector<float>& volts) {
            const auto [low, high] = std::ranges::minmax_element(volts);
            return low != volts.end() && static_cast<double>(*high - *low) >= kAlive;
        };
        return moves(o_.recorded.left) || moves(o_.recorded.right);
    }
    [[nodiscard]] bool dead(const Source& source) const {
        return !w_.life(source).alive() && std::abs(w_.life(source).mean) < kStanding;
    }

    void look(const Way& way) {
        const Source source = map_.feeding(way);
        if (source.node < 0) return;
        path_.push_back(w_.link(source));
        if (map_.shutBy(way) >= 0 && source.cable == 0) {
            // What is normally there is turned down: nobody has plugged it in.
        } else if (auto shut = whyShut(way))
            add(std::move(*shut));
        else if (dead(source)) {
            if (auto silent = whySilent(source)) add(std::move(*silent));
        } else if (heard_.insert({source.node, source.output}).second) {
            if (const Way* shuts = nearlyShut(source)) {
                add(letsNothingThrough(*shuts));
                path_.pop_back();
                return;
            }
            for (const Way* next : map_.into(source.node, source.output, Does::Passes)) look(*next);
        }
        path_.pop_back();
    }

    void add(Finding finding) {
        const bool known = std::ranges::any_of(found_, [&](const Finding& other) {
            return other.rule == finding.rule && other.post == finding.post && other.cable == finding.cable;
        });
        if (!known) found_.push_back(std::move(finding));
    }

    [[nodiscard]] Finding at(const char* rule, int node, int cable, Sentence figure, Sentence reason,
                             std::vector<Fix> fixes) const {
        return {rule, Severity::Mistake, cable, w_.postOf(node), std::move(figure), std::move(reason), std::move(fixes),
                path_};
    }

    // What shuts a way -------------------------------------------------------------------------------------------

    std::optional<Finding> whyShut(const Way& way) {
        if (auto level = atNothing(way)) return level;
        if (way.opener < 0) return std::nullopt;
        const Opening opening = w_.opening(way);
        if (opening.most > kShut || w_.movesInScenes(way.node, way.opener)) return std::nullopt;
        const Source in = map_.feeding(way);
        const double arrives = w_.life(in).swing();
        if (arrives < kAlive) return std::nullopt;
        for (const Way* opens : opening.fed)
            if (auto level = atNothing(*opens)) return level;
        for (const Way* opens : opening.fed) {
            const Source cv = map_.feeding(*opens);
            if (!dead(cv)) continue;
            path_.push_back(w_.link(cv));
            auto silent = whySilent(cv);
            path_.pop_back();
            if (silent) return silent;
        }
        Sentence figure =
            say("{:.1f} V go in, {:.3f} V come out", arrives, 0.01 * std::max(0.0, opening.most) * arrives);
        const std::string name = w_.name(way.node);
        if (opening.fed.empty())
            return at("closed", way.node, in.cable, std::move(figure),
                      say("{} is closed: nothing opens it, neither its own knob nor a cable.", name), w_.open(way));
        std::vector<Fix> fixes;
        double highest = -20.0;
        int cable = in.cable;
        for (const Way* opens : opening.fed) {
            const Source cv = map_.feeding(*opens);
            highest = std::max(highest, static_cast<double>(w_.life(cv).max));
            cable = cv.cable != 0 ? cv.cable : cable;
            const bool turnedOver = opens->hasAmount && map_.gain(*opens) < 0.0;
            if (turnedOver) append(fixes, w_.turn(opens->node, opens->levels.front(), 100.0));
            append(fixes, w_.otherOutput(cv.cable));
        }
        append(fixes, w_.open(way));
        return at("closed", way.node, cable, std::move(figure),
                  say("{} is closed: what should open it never rises above {:.1f} V.", name, std::max(highest, 0.0)),
                  std::move(fixes));
    }

    /// A level, a mute or a solo that shuts it.
    std::optional<Finding> atNothing(const Way& way) const {
        const int control = map_.shutBy(way);
        if (control < 0 || w_.movesInScenes(way.node, control)) return std::nullopt;
        const Source in = map_.feeding(way);
        if (in.node < 0) return std::nullopt;
        const Life& life = w_.life(in);
        const ControlSpec& spec = map_.node(way.node).type->controls[idx(control)];
        const auto knob = map_.knobAt(way.node, control);
        const std::string word = knob ? knob->knob->name : spec.name;
        const std::string stands = spec.scale.text(map_.control(way.node, control));
        const bool isSwitch = spec.scale.taper == Taper::Switch;
        Finding finding =
            at(isSwitch || !way.hasAmount || control != way.levels.front() ? "no-sound" : "zero-attenuator", way.node,
               in.cable, say("{:.1f} V arrive, {} pass", life.swing(), isSwitch ? "0 V" : stands), {},
               w_.raise(way.node, control));
        if (isSwitch)
            finding.reason = say("{} of {} is {}, so this way is shut.", word, w_.name(way.node), stands);
        else
            finding.reason = say("{} of {} stands at {}: nothing comes through.", word, w_.name(way.node), stands);
        if (isSwitch) finding.severity = Severity::Caution; // a voice that is muted is often meant to be
        return finding;
    }

    // Why an output gives nothing ----------------------------------------------------------------------------------

    std::optional<Finding> whySilent(const Source& silent) {
        if (silent.node < 0) return std::nullopt;
        // What several wait for has one reason; nothing is known yet of what comes round to itself.
        const auto [known, isNew] = dead_.try_emplace({silent.node, silent.output});
        if (isNew) known->second = lookInto(silent);
        return known->second;
    }
    std::optional<Finding> lookInto(const Source& silent) {
        const std::vector<const Way*> passing = w_.fed(silent, Does::Passes);
        const Way* alive = nullptr;
        for (const Way* way : passing) {
            if (dead(map_.feeding(*way))) continue;
            alive = way;
            path_.push_back(w_.link(map_.feeding(*way)));
            auto shut = whyShut(*way);
            path_.pop_back();
            if (shut) return shut;
        }
        if (alive && w_.fed(silent, Does::Times).empty()) return letsNothingThrough(*alive);
        for (const Way* way : passing) {
            const Source source = map_.feeding(*way);
            if (!dead(source)) continue;
            if (auto level = atNothing(*way)) return level;
            path_.push_back(w_.link(source));
            auto deeper = whySilent(source);
            path_.pop_back();
            if (deeper) return deeper;
        }
        return whyIdle(silent);
    }

    /// Sound goes in, a trace of it comes out.
    [[nodiscard]] const Way* nearlyShut(const Source& source) const {
        for (const Way* way : w_.fed(source, Does::Passes)) {
            const double in = w_.life(map_.feeding(*way)).level * std::abs(map_.gain(*way));
            if (in < kArrives) continue;
            if (w_.life(source).level > kTrace * in ||
                w_.life(source).swing() > kBlow * w_.life(map_.feeding(*way)).swing())
                return nullptr; // also what rings when it is struck now and then
            const Opening opening = w_.opening(*way);
            if (way->opener < 0 || opening.most > 20.0) return way;
        }
        return nullptr;
    }

    Finding letsNothingThrough(const Way& way) const {
        const Source in = map_.feeding(way);
        const double through = w_.life({way.node, way.output, 0}).swing();
        std::vector<Fix> fixes = w_.rest(way.node);
        append(fixes, w_.otherInput(in.cable));
        return at("closed", way.node, in.cable, say("{:.1f} V go in, {:.3f} V come out", w_.life(in).swing(), through),
                  say("{} lets nothing of the sound through as its knobs stand.", w_.name(way.node)), std::move(fixes));
    }

    /// Nothing goes in that could come out: what drives it?
    std::optional<Finding> whyIdle(const Source& idle) {
        const int n = idle.node;
        const BlockType& type = *map_.node(n).type;
        const std::string name = w_.name(n);
        std::vector<const Way*> drivers = w_.fed(idle, Does::Times);
        for (const Way* way : w_.fed(idle, Does::Strikes)) drivers.push_back(way);
        std::vector<const Way*> open = w_.free(idle, Does::Times);
        for (const Way* way : w_.free(idle, Does::Strikes)) open.push_back(way);
        if (auto unwritten = nothingWritten(idle)) {
            // What is not stepped would play nothing either; that comes first.
            if (!drivers.empty() || open.empty() || !type.playsPattern) return unwritten;
        }
        for (const Way* way : drivers) {
            const Source source = map_.feeding(*way);
            const Life& life = w_.life(source);
            if (life.rises > 0) {
                if (auto level = atNothing(*way)) return level;
                continue;
            }
            path_.push_back(w_.link(source));
            auto deeper = life.alive() ? std::nullopt : whySilent(source);
            path_.pop_back();
            if (deeper) return deeper;
            std::vector<Fix> fixes = w_.fullAlong(source);
            append(fixes, w_.otherOutput(source.cable));
            return at("no-sound", n, source.cable, say("{:.1f}…{:+.1f} V arrive", life.min, life.max),
                      say("{} of {} waits for a pulse, and what comes there never goes up and down again.",
                          w_.inputName(*way), name),
                      std::move(fixes));
        }
        if (drivers.empty() && !open.empty()) {
            std::vector<Fix> fixes;
            for (const Way* way : open) append(fixes, w_.drive(*way));
            const bool times = open.front()->does == Does::Times;
            return at("no-sound", n, 0, times ? say("0 clock pulses arrive") : say("0.0 V come out"),
                      times ? say("{} stands still: nothing is in its {}.", name, w_.inputName(*open.front()))
                            : say("Nothing is in the {} of {}, so it never starts.", w_.inputName(*open.front()), name),
                      std::move(fixes));
        }
        if (w_.fed(idle, Does::Passes).empty() && !map_.into(n, idle.output, Does::Passes).empty() && drivers.empty()) {
            const Way& way = *map_.into(n, idle.output, Does::Passes).front();
            return at("no-sound", n, idle.cable, say("0.0 V go in"),
                      say("Nothing is in the {} of {}, so nothing can come out.", w_.inputName(way), name), feed(way));
        }
        if (!w_.fed(idle, Does::Passes).empty() && drivers.empty())
            return at("no-sound", n, idle.cable, say("0.0 V come round"),
                      say("What comes into {} comes from itself: nothing feeds the ring.", name), {});
        // It is driven, and gives nothing all the same.
        std::vector<Fix> fixes = w_.otherOutput(idle.cable);
        append(fixes, w_.rest(n));
        return at("no-sound", n, idle.cable, say("0.0 V come out"),
                  drivers.empty() ? say("{} gives nothing as its knobs stand.", name)
                                  : say("{} is driven, but nothing comes out of this jack.", name),
                  std::move(fixes));
    }

    /// Nobody has written, recorded or played what it would play.
    std::optional<Finding> nothingWritten(const Source& idle) const {
        const int n = idle.node;
        const BlockType& type = *map_.node(n).type;
        const std::string post = w_.postOf(n);
        const std::string name = w_.name(n);
        const Material& material = map_.node(n).setup.material;
        const JackRef jack = map_.outputJack(n, idle.output);
        if (type.playsPattern && map_.into(n, idle.output, Does::Passes).empty()) {
            const auto line = lineAt(o_.patch, *o_.library, jack);
            const int steps = !material.pattern ? 0 : line ? notesIn(*material.pattern, *line) : 1;
            if (steps > 0) return std::nullopt;
            Finding finding = at("no-sound", n, idle.cable, say("0 notes written"), {}, w_.otherOutput(idle.cable));
            if (line && !jack.post.empty()) append(finding.fixes, write(*line));
            if (!material.pattern || !line)
                finding.reason = say("{} is there, but its pattern is empty.", name);
            else if (line->lane)
                finding.reason =
                    say("{} gives nothing at {}: lane {} has no hit in it.", name, jackName(jack), line->index + 1);
            else
                finding.reason =
                    say("{} gives nothing at {}: track {} has no note in it.", name, jackName(jack), line->index + 1);
            return finding;
        }
        if (type.playsSample && !material.sample && map_.into(n, idle.output, Does::Passes).empty())
            return at("no-sound", n, idle.cable, say("no recording"),
                      say("{} has no recording to play. Choose one at its post.", name), {});
        if (type.isPlayed && !material.performance) {
            Finding finding = at("no-sound", n, idle.cable, say("nothing is played"),
                                 say("{} waits for hands: nobody plays it, and nothing is recorded.", name), {});
            finding.severity = Severity::Next;
            return finding;
        }
        return std::nullopt;
    }

    /// A first bar, so that something is there to be changed.
    [[nodiscard]] std::vector<Fix> write(const LineRef& line) const {
        Pattern pattern = patternOf(o_.patch, line.post);
        constexpr int kSteps = 16;
        if (line.lane) {
            Lane& lane = laneAt(pattern, 0, line.index);
            if (lane.name.empty()) lane.name = fmt::format("Lane {}", line.index + 1);
            lane.hits.assign(kSteps, Hit::Rest);
            for (std::size_t s = 0; s < kSteps; s += 4) lane.hits[s] = Hit::Hit;
        } else {
            Track& track = trackAt(pattern, 0, line.index);
            if (track.name.empty()) track.name = fmt::format("Track {}", line.index + 1);
            track.steps.assign(kSteps, Step{});
            for (std::size_t s = 0; s < kSteps; s += 4) {
                track.steps[s].kind = Step::Kind::Note;
                track.steps[s].gate = 0.8;
            }
        }
        return {{line.lane ? say("Write four hits into lane {}", line.index + 1)
                           : say("Write four notes into track {}", line.index + 1),
                 {SetPattern{pattern}}}};
    }

    [[nodiscard]] std::string jackName(const JackRef& jack) const {
        const JackInfo* info = o_.jack(jack);
        return info ? info->name : jack.jack;
    }

    /// What may be tied into a way that has nothing: outputs of its voice that sound and lead nowhere.
    [[nodiscard]] std::vector<Fix> feed(const Way& way) const {
        const JackRef to = map_.inputJack(way.node, way.input);
        const Post* post = o_.patch.post(to.post);
        if (!post || o_.patch.cableInto(to)) return {};
        const SignalKind wanted = o_.jack(to)->kind;
        std::vector<Fix> fixes;
        for (const Cable& cable : o_.patch.cables) // it is plugged in beside
            if (const JackInfo* source = o_.jack(cable.from);
                cable.to.post == post->id && source && source->kind == wanted && o_.jack(cable.to)->kind != wanted)
                fixes.push_back(moveFix(o_, cable, cable.from, to));
        for (const bool own : {true, false})
            for (const Post& other : o_.patch.posts) {
                const bool leadsOn = std::ranges::any_of(
                    o_.patch.cables, [&](const Cable& cable) { return cable.from.post == other.id; });
                if (other.id == post->id || (other.voice == post->voice) != own || leadsOn) continue;
                for (const JackInfo& jack : o_.part(other.id)->jacks)
                    if (jack.output && jack.kind == wanted && fixes.size() < 4)
                        fixes.push_back(tieFix(o_, {other.id, jack.id}, to));
            }
        return fixes;
    }

    const Walk w_;
    const Observation& o_;
    const FlowMap& map_;
    std::vector<Link> path_;
    std::set<std::pair<int, int>> heard_;
    std::map<std::pair<int, int>, std::optional<Finding>> dead_; ///< why each of them gives nothing
    Findings found_;
};

} // namespace

Findings findNoSound(const Observation& o) {
    return Silence(o).search();
}

} // namespace lariat
