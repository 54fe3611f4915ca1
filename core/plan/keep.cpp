#include "plan/keep.h"

#include "engine/graph.h"
#include "library/words.h"
#include "model/pattern_text.h"
#include "plan/line_edits.h"
#include "timing/pattern_edits.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr const char* kWayOut = "way-out";

/// A block of a post.
struct Spot {
    std::string post;
    int block = 0;
    auto operator<=>(const Spot&) const = default;
};
struct End {
    Spot spot;
    BlockPoint at;
    bool output = false;
};

class Keeper {
  public:
    Keeper(const Patch& patch, const Library& library, const Functions& functions, const KeepAsk& ask)
        : patch_(patch), library_(library), functions_(functions), ask_(ask) {}

    Result<KeptParts> parts(const std::set<std::string>& posts) {
        exact_ = true;
        inside_ = posts;
        gather();
        chooseFunctions();
        cables();
        knobs();
        lines();
        KeptParts out{std::move(recipe_), {}, std::move(tied_)};
        for (const auto& [key, role] : roles_)
            out.spots[role] = {key.spot.post, key.spot.block, key.channel, !inside_.contains(key.spot.post)};
        return out;
    }

    Result<Recipe> run() {
        for (const Post& post : patch_.posts)
            if (ask_.voice.empty() || post.voice == ask_.voice) inside_.insert(post.id);
        if (inside_.empty()) return failure(say("there is no voice \"{}\" in this patch", ask_.voice));
        recipe_.id = ask_.id;
        recipe_.name = ask_.name;
        recipe_.group = ask_.group;
        recipe_.about = patch_.about;
        gather();
        chooseFunctions();
        cables();
        knobs();
        for (const auto& [post, knob] : ask_.vary)
            if (!varied_.contains({post, knob}))
                return failure(say("{}.{} is no knob of this voice that can be wished", post, knob));
        lines();
        tempo();
        return std::move(recipe_);
    }

  private:
    struct Link {
        End from;
        End to;
        const Cable* cable = nullptr; ///< nullptr: behind the panel
    };

    [[nodiscard]] const PartInfo& part(const std::string& post) const { return *library_.part(*patch_.post(post)); }

    [[nodiscard]] static bool leadsAway(const PartInfo& part) {
        return std::ranges::any_of(part.blocks, [](const PartBlock& block) { return block.type->leadsOut; });
    }
    /// Of what sound goes to, mixers, buses and ways out are one thing to a voice: the way out.
    [[nodiscard]] bool isWayOut(const std::string& post) const {
        if (exact_) return false;
        const PartInfo& one = part(post);
        if (ask_.voice.empty()) return leadsAway(one) && !patch_.cableInto({post, "right"});
        if (inside_.contains(post)) return false;
        if (leadsAway(one)) return true;
        return std::ranges::any_of(patch_.cables, [&](const Cable& cable) {
            if (cable.to.post != post || !inside_.contains(cable.from.post)) return false;
            const JackInfo* in = one.jack(cable.to.jack);
            const BlockType& type = *one.blocks[static_cast<std::size_t>(in->at.block)].type;
            const std::string& id = type.inputs[static_cast<std::size_t>(in->at.index)].id;
            return in->kind == SignalKind::Audio && std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
                       return flow.does == Does::Passes && std::ranges::count(flow.inputs, id) > 0;
                   });
        });
    }

    void gather() {
        for (const Cable& cable : patch_.cables) {
            const bool from = inside_.contains(cable.from.post);
            const bool to = inside_.contains(cable.to.post);
            // What another voice takes from this one is its own business, but the way out is ours.
            if (!to && !(from && (exact_ || isWayOut(cable.to.post)))) continue;
            addLink({end(cable.from, true), end(cable.to, false), &cable});
        }
        // What feeds the feeders from the clock: a sequencer is nothing without it.
        std::set<std::string> feeders;
        for (const Link& link : links_)
            if (!exact_ && !inside_.contains(link.from.spot.post)) feeders.insert(link.from.spot.post);
        for (const Cable& cable : patch_.cables) {
            if (!feeders.contains(cable.to.post)) continue;
            const JackInfo* in = part(cable.to.post).jack(cable.to.jack);
            if (in->kind == SignalKind::Clock) addLink({end(cable.from, true), end(cable.to, false), &cable});
        }
        for (const Post& post : patch_.posts) {
            if (!inside_.contains(post.id)) continue;
            const PartInfo& one = part(post.id);
            for (const WireInfo& wire : one.wires)
                addLink({{{post.id, wire.from.block}, wire.from, true}, {{post.id, wire.to.block}, wire.to, false}});
            for (const JackInfo& jack : one.jacks) {
                if (jack.output || !jack.normal || patch_.cableInto({post.id, jack.id})) continue;
                const JackRef source = feederOf(patch_, library_, {post.id, jack.id});
                // A second input that copies the first says nothing of its own.
                if (source.post.empty() || (jack.normal->part == one.id && !one.jack(jack.normal->jack)->output))
                    continue;
                const JackInfo* out = part(source.post).jack(source.jack);
                if (out && out->output) addLink({end(source, true), {{post.id, jack.at.block}, jack.at, false}});
            }
        }
    }

    [[nodiscard]] End end(const JackRef& ref, bool output) const {
        const JackInfo& jack = *part(ref.post).jack(ref.jack);
        return {{ref.post, jack.at.block}, jack.at, output};
    }

    void addLink(Link link) {
        for (const End* one : {&link.from, &link.to}) ends_[one->spot].push_back(*one);
        links_.push_back(std::move(link));
    }

    [[nodiscard]] const BlockType& typeOf(const Spot& spot) const {
        return *part(spot.post).blocks[static_cast<std::size_t>(spot.block)].type;
    }

    static std::string wordOf(const BlockType& type, const End& end) {
        const auto& list = end.output ? type.outputs : type.inputs;
        return list[static_cast<std::size_t>(end.at.index)].id;
    }

    /// The function's word for a block's jack on a channel; 0: on any. Empty if it has none.
    static std::string wordFor(const Provider& provider, const std::string& jack, int channel) {
        for (const auto& [word, own] : provider.jacks)
            if (withChannel(own, std::max(1, channel)) == jack) return word;
        return provider.sameWords ? jack : std::string();
    }

    /// A block plays the first function that has words for all that is used of it, else it plays itself.
    void chooseFunctions() {
        for (const auto& [spot, ends] : ends_) {
            const BlockType& type = typeOf(spot);
            if (isWayOut(spot.post)) {
                played_[spot] = {functions_.find(kWayOut), nullptr};
                continue;
            }
            const Function* self = nullptr;
            const bool stays = exact_ && !inside_.contains(spot.post);
            for (const Function& function : functions_.all()) {
                if (stays || function.id == kWayOut || function.id == "mixer-channel") continue;
                for (const Provider& provider : function.providers) {
                    if (provider.block != type.id || provider.standsIn() || self) continue;
                    const bool all = std::ranges::all_of(ends, [&](const End& end) {
                        for (int channel = 1; channel <= provider.channels; ++channel)
                            if (!wordFor(provider, wordOf(type, end), channel).empty()) return true;
                        return false;
                    });
                    if (all) {
                        self = &function;
                        played_[spot] = {&function, &provider};
                    }
                }
            }
            if (!self) {
                // Tracks and lanes of one sequencer are two functions of the same block.
                played_[spot] = {functions_.find(type.id), nullptr};
            }
        }
    }

    /// The role of one end; made if it is not there yet.
    RoleJack roleOf(const End& end) {
        const BlockType& type = typeOf(end.spot);
        const auto& [function, provider] = played_.at(end.spot);
        const std::string word = wordOf(type, end);
        if (function->id == kWayOut) return {make(end.spot, 0, kWayOut, true), "in"};
        if (type.playsPattern && type.id == "track-sequencer") {
            // By line: a track or a lane.
            for (const char* id : {"track", "lane"}) {
                const Provider& line = functions_.find(id)->providers.front();
                for (int channel = 1; channel <= line.channels; ++channel)
                    for (const auto& [meant, own] : line.jacks)
                        if (own.find("{n}") != std::string::npos && withChannel(own, channel) == word)
                            return {make(end.spot, channel, id, false), meant};
            }
            // Common to all lines: that of the first role of the block.
            for (const auto& [key, role] : roles_)
                if (key.spot == end.spot) return {role, word};
            return {make(end.spot, 1, "track", false), word};
        }
        if (!provider) return {make(end.spot, 0, function->id, sharedType(type)), word};
        if (provider->channels == 1)
            return {make(end.spot, 0, function->id, sharedType(type)), wordFor(*provider, word, 1)};
        for (int channel = 1; channel <= provider->channels; ++channel)
            for (const auto& [meant, own] : provider->jacks)
                if (own.find("{n}") != std::string::npos && withChannel(own, channel) == word)
                    return {make(end.spot, channel, function->id, false), meant};
        return {make(end.spot, 1, function->id, false), wordFor(*provider, word, 1)};
    }

    static bool sharedType(const BlockType& type) { return type.countsBeats || type.isPlayed; }

    struct Key {
        Spot spot;
        int channel;
        std::string function;
        auto operator<=>(const Key&) const = default;
    };

    std::string make(const Spot& spot, int channel, const std::string& function, bool shared) {
        const Key key{spot, channel, function};
        if (const auto known = roles_.find(key); known != roles_.end()) return known->second;
        const Post& post = *patch_.post(spot.post);
        Role role;
        role.plays = function;
        role.shared = shared && function != kWayOut && !exact_;
        role.name = post.name;
        const PartInfo& one = part(spot.post);
        if (function == kWayOut)
            role.name = "Way out";
        else if (function == "track" || function == "lane")
            role.name = fmt::format("{} {}", function == "track" ? "Track" : "Lane", channel);
        else if (channel > 0)
            role.name = fmt::format("{} {}", post.name, channel);
        else if (one.blocks.size() > 1)
            role.name = fmt::format("{} {}", post.name, one.blocks[static_cast<std::size_t>(spot.block)].id);
        std::string id = idFrom(role.name);
        if (id.empty()) id = "part";
        role.id = id;
        for (int n = 2; recipe_.role(role.id); ++n) role.id = fmt::format("{}-{}", id, n);
        if (inside_.contains(spot.post)) {
            role.sample = post.sample;
            role.tuning = post.tuning;
        }
        roles_.emplace(key, role.id);
        recipe_.roles.push_back(role);
        return role.id;
    }

    void cables() {
        // Roles of lines first, so that what all lines have in common goes to one of them.
        for (const Link& link : links_)
            for (const End* one : {&link.from, &link.to})
                if (typeOf(one->spot).id == "track-sequencer" && one->output) (void)roleOf(*one);
        for (const Link& link : links_) {
            RecipeCable cable{roleOf(link.from), roleOf(link.to)};
            if (cable.from.word.empty() || cable.to.word.empty()) continue;
            if (std::ranges::any_of(recipe_.cables, [&](const RecipeCable& one) { return one.to == cable.to; }))
                continue;
            cable.step = link.cable ? link.cable->step : "Behind the panel";
            if (link.cable) cable.note = link.cable->note;
            tied_.push_back(link.cable ? link.cable->id : 0);
            recipe_.cables.push_back(std::move(cable));
        }
    }

    void knobs() {
        for (const auto& [key, role] : roles_) {
            if (!inside_.contains(key.spot.post) || key.function == kWayOut) continue;
            const Post& post = *patch_.post(key.spot.post);
            const PartInfo& one = part(key.spot.post);
            const BlockType& type = typeOf(key.spot);
            const auto& [function, provider] = played_.at(key.spot);
            for (const KnobInfo& knob : one.knobs) {
                if (knob.at.block != key.spot.block || knob.momentary) continue;
                const double value = knobValue(post, knob);
                const ControlSpec& control = type.controls[static_cast<std::size_t>(knob.at.index)];
                if (ask_.vary.contains({post.id, knob.id})) {
                    vary(post, knob, value, role, knobWord(provider, control.id, std::max(1, key.channel)));
                    continue;
                }
                // What stands where the block has it anyway need not be said.
                if (std::abs(value - control.initial) <= 1e-9 + 1e-6 * std::abs(value)) continue;
                const std::string word = knobWord(provider, control.id, std::max(1, key.channel));
                if (!word.empty()) recipe_.knobs.push_back({{role, word}, textOf(knob.scale, value)});
            }
            for (const auto& [index, value] : one.blocks[static_cast<std::size_t>(key.spot.block)].fixed) {
                const ControlSpec& control = type.controls[static_cast<std::size_t>(index)];
                const std::string word = knobWord(provider, control.id, std::max(1, key.channel));
                if (!word.empty() && std::abs(value - control.initial) > 1e-9)
                    recipe_.knobs.push_back({{role, word}, textOf(control.scale, value)});
            }
        }
    }

    /// A knob that is wished each time: it begins where it stands.
    void vary(const Post& post, const KnobInfo& knob, double value, const std::string& role, const std::string& word) {
        const Scale& scale = knob.scale;
        if (word.empty() || scale.words.size() > kMostChoices) return; // run() tells
        varied_.emplace(post.id, knob.id);
        Wish wish;
        wish.id = fmt::format("wish{}", varied_.size());
        wish.name = fmt::format("{}, {}", knob.name, post.name);
        wish.kind = scale.taper == Taper::Switch  ? Wish::Kind::Choice
                    : scale.unit == Unit::Hertz   ? Wish::Kind::Hertz
                    : scale.unit == Unit::Seconds ? Wish::Kind::Seconds
                    : scale.unit == Unit::Percent ? Wish::Kind::Percent
                                                  : Wish::Kind::Number;
        wish.choices = scale.taper == Taper::Switch ? scale.words : std::vector<std::string>();
        wish.min = scale.min;
        wish.max = scale.max;
        wish.initial = wish.kind == Wish::Kind::Number ? fmt::format("{:g}", value) : scale.text(value);
        recipe_.knobs.push_back({{role, word}, "= " + wish.id});
        recipe_.wishes.push_back(std::move(wish));
    }

    static std::string knobWord(const Provider* provider, const std::string& control, int channel) {
        if (!provider) return control;
        for (const auto& [word, turns] : provider->knobs)
            if (turns.size() == 1 && turns.front().is.empty() && withChannel(turns.front().knob, channel) == control)
                return word;
        return provider->sameWords ? control : std::string();
    }

    /// In words if they say the same.
    static std::string textOf(const Scale& scale, double value) {
        std::string text = scale.text(value);
        const auto again = scale.parse(text);
        if (again && std::abs(*again - value) <= 1e-9 + 2e-3 * std::abs(value)) return text;
        return fmt::format("= {:g}", value);
    }

    void lines() {
        std::set<std::string> played;
        for (const auto& [key, role] : roles_) {
            if (exact_ && !inside_.contains(key.spot.post)) continue; // what stays plays what it plays
            if (const Performance* performance = patch_.performance(key.spot.post);
                performance && played.insert(key.spot.post).second)
                keys(*performance, role);
            const bool lane = key.function == "lane";
            const bool track = key.function == "track";
            // A quantizer's sequence is one line, whichever of its channels plays.
            const bool own = !lane && !track && key.channel <= 1 && typeOf(key.spot).playsPattern;
            if (!lane && !track && !own) continue;
            const Pattern* pattern = patch_.pattern(key.spot.post);
            if (!pattern) continue;
            const LineRef line{key.spot.post, lane, own ? 0 : key.channel - 1};
            // A variation that plays what the one before it plays says nothing of its own.
            std::optional<RecipeLine> before;
            for (int variation = 0; variation <= static_cast<int>(pattern->others.size()); ++variation) {
                RecipeLine one{role, lineText(*pattern, line, variation)};
                if (one.steps.empty()) continue;
                if (const Stride* stride = strideOf(*pattern, line, variation)) one.stride = *stride;
                one.variation = variation;
                if (before && before->steps == one.steps && before->stride == one.stride) continue;
                recipe_.lines.push_back(one);
                before = std::move(one);
            }
        }
    }

    /// What was played on keys: as lines of sixteenths, as many as sound at once, if they say all of it; else as it is.
    void keys(const Performance& performance, const std::string& role) {
        const std::vector<std::vector<Step>> voices = voicesOf(performance);
        Performance again;
        again.post = performance.post;
        for (const std::vector<Step>& steps : voices)
            again = withPressed(std::move(again), steps, 1, performance.tempo);
        if (saysTheSame(again, performance))
            for (const std::vector<Step>& steps : voices) recipe_.lines.push_back({role, writeSteps(steps)});
        else
            recipe_.played.push_back({role, performance});
    }

    /// Within a sixty-fourth of a beat, which is how far off the grid a hand may be that meant to be on it.
    static bool saysTheSame(const Performance& a, const Performance& b) {
        constexpr double kNear = 1.0 / 64.0;
        return a.lengthBeats == b.lengthBeats && a.messages.size() == b.messages.size() &&
               std::ranges::all_of(b.messages, [&](const PlayedMessage& one) {
                   const bool off =
                       one.message.kind() == 0x80 || (one.message.kind() == 0x90 && one.message.data2 == 0);
                   return std::ranges::any_of(a.messages, [&](const PlayedMessage& other) {
                       if (std::abs(one.beat - other.beat) > kNear || one.message.data1 != other.message.data1)
                           return false;
                       return off ? other.message.kind() == 0x80 && one.message.channel() == 0
                                  : one.message == other.message;
                   });
               });
    }

    static std::vector<std::vector<Step>> voicesOf(const Performance& performance) {
        const auto count = static_cast<std::size_t>(
            std::clamp(std::ceil(4.0 * performance.lengthBeats), 1.0, static_cast<double>(kMaxSteps)));
        std::vector<std::vector<Step>> voices;
        for (std::size_t m = 0; m < performance.messages.size(); ++m) {
            const PlayedMessage& on = performance.messages[m];
            if (on.message.kind() != 0x90 || on.message.data2 == 0) continue;
            const auto off = std::find_if(performance.messages.begin() + static_cast<long>(m),
                                          performance.messages.end(), [&](const PlayedMessage& one) {
                                              return one.message.data1 == on.message.data1 &&
                                                     (one.message.kind() == 0x80 ||
                                                      (one.message.kind() == 0x90 && one.message.data2 == 0));
                                          });
            const double end = off == performance.messages.end() ? performance.lengthBeats : off->beat;
            const auto first = static_cast<std::size_t>(std::lround(4.0 * on.beat));
            if (first >= count) continue;
            const auto last =
                std::clamp<std::size_t>(static_cast<std::size_t>(std::lround(4.0 * end)), first + 1, count);
            auto voice = std::ranges::find_if(voices, [&](const std::vector<Step>& steps) {
                return std::all_of(steps.begin() + static_cast<long>(first), steps.begin() + static_cast<long>(last),
                                   [](const Step& step) { return step.kind == Step::Kind::Rest; });
            });
            if (voice == voices.end()) voice = voices.insert(voices.end(), std::vector<Step>(count));
            Step step;
            step.kind = Step::Kind::Note;
            step.note = on.message.data1;
            step.velocity = on.message.data2;
            step.gate =
                last - first > 1 ? usualGate(Step::Kind::Note) : std::clamp(4.0 * end - 4.0 * on.beat, 0.1, 1.0);
            (*voice)[first] = step;
            for (std::size_t i = first + 1; i < last; ++i) {
                (*voice)[i].kind = Step::Kind::Tie;
                (*voice)[i].gate = usualGate(Step::Kind::Tie);
            }
        }
        return voices;
    }

    void tempo() {
        for (const auto& known : roles_) {
            const std::string& role = known.second;
            if (!typeOf(known.first.spot).countsBeats) continue;
            const double bpm = tempoOf(patch_, library_);
            recipe_.wishes.push_back(
                {"tempo", "tempo", Wish::Kind::Tempo, fmt::format("{:g} BPM", bpm > 0.0 ? bpm : 120.0), 20.0, 300.0});
            std::erase_if(recipe_.knobs,
                          [&](const RecipeKnob& knob) { return knob.at.role == role && knob.at.word == "tempo"; });
            recipe_.knobs.push_back({{role, "tempo"}, "= tempo"});
            return;
        }
    }

    const Patch& patch_;
    const Library& library_;
    const Functions& functions_;
    const KeepAsk& ask_;
    Recipe recipe_;
    std::vector<int> tied_; ///< the patch's cables for those of the recipe
    bool exact_ = false;    ///< what the parts are tied to stays what it is
    std::set<std::string> inside_;
    std::vector<Link> links_;
    std::map<Spot, std::vector<End>> ends_;
    std::map<Spot, std::pair<const Function*, const Provider*>> played_;
    std::map<Key, std::string> roles_;
    std::set<std::pair<std::string, std::string>> varied_;
};

} // namespace

Result<Recipe> keepAsRecipe(const Patch& patch, const Library& library, const Functions& functions,
                            const KeepAsk& ask) {
    return Keeper(patch, library, functions, ask).run();
}

Result<KeptParts> keepParts(const Patch& patch, const Library& library, const Functions& functions,
                            const std::set<std::string>& posts) {
    KeepAsk ask;
    ask.id = ask.name = "parts";
    return Keeper(patch, library, functions, ask).parts(posts);
}

} // namespace lariat
