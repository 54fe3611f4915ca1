#include "building/box.h"

#include "blocks/control/wire.h"
#include "building/nobody_knows.h"
#include "engine/graph.h"
#include "library/meaning.h"
#include "library/words.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kPart = "box";
constexpr std::size_t kMostBlocks = 250; ///< behind one panel
constexpr int kWidest = 104;             ///< HP

/// What wires behind a panel make of a voltage on their way.
struct Way {
    Source from;
    double gain = 1.0;
    double offset = 0.0;
    int hertz = 0; ///< times that pitch was turned into hertz per volt, less those that it was turned back
    bool odd = false;

    [[nodiscard]] bool plain() const { return std::abs(gain - 1.0) < 1e-9 && std::abs(offset) < 1e-9 && hertz == 0; }
};

/// Why a block stays beside the box; empty if it need not.
enum class Stays { No, LeadsOut, Plays };
Stays stays(const PartInfo& part) {
    Stays out = Stays::No;
    for (const PartBlock& block : part.blocks) {
        if (block.type->leadsOut) return Stays::LeadsOut;
        if (block.type->playsPattern || block.type->isPlayed || block.type->playsSample || block.type->countsBeats)
            out = Stays::Plays;
    }
    return out;
}

class BoxMaker {
  public:
    BoxMaker(const Patch& patch, const Library& library, const std::set<std::string>& posts)
        : patch_(patch), library_(library), posts_(posts) {}

    Result<Box> make(const std::string& name) {
        if (auto may = mayAll(); !may) return tl::unexpected(may.error());
        describe(name);
        findWaysOut();
        std::vector<JackRef> heard;
        for (const std::string& post : posts_)
            for (const JackInfo& jack : library_.part(*patch_.post(post))->jacks)
                if (jack.output || box_.jacks.contains({post, jack.id})) heard.push_back({post, jack.id});
        graph_ = buildGraph(patch_, library_, {.alsoHeard = heard});
        chooseNodes();
        if (blocks_.size() > kMostBlocks)
            return failure(
                say("that is {} blocks; behind one panel there is room for {}", blocks_.size(), kMostBlocks));
        addKnobs();
        if (auto led = addJacks(); !led) return tl::unexpected(led.error());
        addBlocks();
        if (auto wired = addWires(); !wired) return tl::unexpected(wired.error());
        return std::move(box_);
    }

  private:
    [[nodiscard]] bool inside(const std::string& post) const { return posts_.contains(post); }
    PartDescription& part() { return box_.module.parts.front(); }

    Result<void> mayAll() const {
        if (posts_.empty()) return failure(say("nothing was chosen to go into the box"));
        for (const std::string& id : posts_) {
            const Post* post = patch_.post(id);
            if (!post) return failure(say("there is no post \"{}\" in this patch", id));
            if (isUnknownPart(*post))
                return failure(say("nobody knows what {} is: it stays beside the box", post->name));
            const Stays how = stays(*library_.part(*post));
            if (how == Stays::LeadsOut)
                return failure(say("{} leads out of the case; a box leads out through its jacks", post->name));
            if (how == Stays::Plays)
                return failure(
                    say("{} plays what belongs to the patch: it stays beside the box, tied to its jacks", post->name));
        }
        return {};
    }

    void describe(const std::string& name) {
        ModuleDescription& module = box_.module;
        module.name = name;
        module.id = idFrom(name);
        std::set<std::string> slots;
        std::vector<std::string> names;
        int hp = 0;
        for (const Post& post : patch_.posts) {
            if (!inside(post.id)) continue;
            names.push_back(post.name);
            if (!slots.insert(post.slot).second) continue;
            const ModuleDescription& from = library_.module(post.module)->description;
            hp += from.hp;
            module.current.plus12 += from.current.plus12;
            module.current.minus12 += from.current.minus12;
            module.current.plus5 += from.current.plus5;
        }
        module.hp = std::clamp(hp, 1, kWidest);
        module.about = fmt::format("A box with {}", fmt::join(names, ", "));
        module.parts.push_back({kPart, name, {}, {}, {}, {}, {}, false, 0.0, {}});
    }

    /// The jacks whose cables lead out of the box, and normals that cross its panel: they take a cable then.
    void findWaysOut() {
        const auto expose = [&](const JackRef& jack) {
            if (inside(jack.post)) box_.jacks.emplace(jack, "");
        };
        for (const Cable& cable : patch_.cables)
            if (inside(cable.from.post) != inside(cable.to.post)) {
                expose(cable.from);
                expose(cable.to);
            }
        for (const NormalInEffect& normal : buildGraph(patch_, library_).normals) {
            if (inside(normal.from.post) == inside(normal.to.post)) continue;
            box_.normals.emplace_back(normal.from, normal.to);
            expose(normal.from);
            expose(normal.to);
        }
        for (auto& [jack, id] : box_.jacks) {
            const std::string base = idFrom(patch_.post(jack.post)->name + " " + jackWord(patch_, library_, jack));
            id = fresh(jackIds_, base);
        }
    }

    static std::string fresh(std::set<std::string>& taken, const std::string& base) {
        std::string id = base;
        for (int n = 2; !taken.insert(id).second; ++n) id = fmt::format("{}-{}", base, n);
        return id;
    }

    /// Nodes of the posts, and of parts behind the panel that stand as no post but feed them; wires between are none.
    void chooseNodes() {
        std::vector<int> open;
        for (std::size_t n = 0; n < graph_.nodes.size(); ++n)
            if (inside(graph_.nodes[n].post)) open.push_back(static_cast<int>(n));
        std::set<int> seen(open.begin(), open.end());
        while (!open.empty()) {
            const int n = open.back();
            open.pop_back();
            const Node& node = graph_.nodes[idx(n)];
            if (node.type != &wireType()) addBlock(n, node);
            for (const Source& source : node.inputs)
                if (source.node >= 0 && graph_.nodes[idx(source.node)].implied && seen.insert(source.node).second)
                    open.push_back(source.node);
        }
    }

    void addBlock(int n, const Node& node) {
        const auto slash = node.key.rfind('/');
        const Post* post = patch_.post(node.post);
        const std::string own = post ? post->name : node.key.substr(1, slash - 1);
        const bool alone = post && library_.part(*post)->blocks.size() == 1;
        const std::string words = alone ? own : own + " " + node.key.substr(slash + 1);
        blocks_[n] = fresh(blockIds_, idFrom(words, 40));
    }

    [[nodiscard]] int nodeOf(const std::string& post, int block) const {
        const std::string key = post + "/" + library_.part(*patch_.post(post))->blocks[idx(block)].id;
        const auto it = std::ranges::find(graph_.nodes, key, &Node::key);
        return it == graph_.nodes.end() ? -1 : static_cast<int>(it - graph_.nodes.begin());
    }

    [[nodiscard]] std::string pointText(int node, const std::string& word) const {
        return blocks_.at(node) + "." + word;
    }

    /// Turned by more than the hand: a scene, a controller, a setting that was put aside.
    [[nodiscard]] bool isTurned(const std::string& post, const std::string& knob) const {
        const auto in = [&](const Setting& setting) {
            const auto it = setting.find(post);
            return it != setting.end() && it->second.contains(knob);
        };
        return std::ranges::any_of(patch_.controllers,
                                   [&](const Controller& c) { return c.post == post && c.knob == knob; }) ||
               std::ranges::any_of(patch_.settings, [&](const auto& one) { return in(one.second); }) ||
               std::ranges::any_of(patch_.scenes, [&](const Scene& scene) {
                   return in(scene.setting) || std::ranges::any_of(scene.moves, [&](const Move& move) {
                              return move.post == post && move.knob == knob;
                          });
               });
    }

    void addKnobs() {
        for (const Post& post : patch_.posts) {
            if (!inside(post.id)) continue;
            const PartInfo& from = *library_.part(post);
            for (const KnobInfo& knob : from.knobs) {
                const bool main = std::ranges::find(from.mainKnobs, knob.id) != from.mainKnobs.end();
                if (!main && !knob.momentary && !isTurned(post.id, knob.id) && !post.unknown.contains(knob.id))
                    continue;
                const KnobInForce now = knobInForce(patch_, post, from, knob);
                const int node = nodeOf(post.id, now.at.block);
                if (node < 0) continue; // nobody hears that block
                if (!knobControls_.emplace(node, now.at.index).second) continue;
                addKnob(post, from, knob, now, node);
                if (main && part().mainKnobs.size() < 3) part().mainKnobs.push_back(part().knobs.back().id);
            }
        }
    }

    void addKnob(const Post& post, const PartInfo& from, const KnobInfo& knob, const KnobInForce& now, int node) {
        const ControlSpec& control = graph_.nodes[idx(node)].type->controls[idx(now.at.index)];
        KnobDescription out{};
        out.name = fmt::format("{} {}", post.name, *now.name);
        out.id = fresh(knobIds_, idFrom(out.name));
        out.at = pointText(node, control.id);
        out.initial = now.value;
        const Scale& scale = *now.scale;
        if (scale.taper != Taper::Switch) {
            if (scale.min != control.scale.min || scale.max != control.scale.max) {
                out.min = scale.min;
                out.max = scale.max;
            }
            if (scale.taper != control.scale.taper) out.taper = scale.taper;
        }
        const auto& parts = library_.module(post.module)->description.parts;
        const auto described = std::ranges::find(parts, from.id, &PartDescription::id);
        if (described != parts.end() && now.at == knob.at)
            if (const auto it = std::ranges::find(described->knobs, knob.id, &KnobDescription::id);
                it != described->knobs.end())
                out.calibration = it->calibration;
        box_.knobs[{post.id, knob.id}] = out.id;
        part().knobs.push_back(std::move(out));
    }

    Result<void> addJacks() {
        for (const auto& [jack, id] : box_.jacks) {
            const Post& post = *patch_.post(jack.post);
            const JackInfo& info = *library_.jack(patch_, jack);
            const int node = nodeOf(post.id, info.at.block);
            if (node < 0)
                return failure(say("a cable leads to {} of {}, from which nothing goes on: take it out first",
                                   info.name, post.name));
            const BlockType& type = *graph_.nodes[idx(node)].type;
            const auto& specs = info.output ? type.outputs : type.inputs;
            const JackSpec& spec = specs[idx(info.at.index)];
            JackDescription out{};
            out.id = id;
            out.name = fmt::format("{} {}", post.name, jackWord(patch_, library_, jack));
            out.at = pointText(node, spec.id);
            if (info.right)
                if (const int right = nodeOf(post.id, info.right->block); right >= 0) {
                    const BlockType& other = *graph_.nodes[idx(right)].type;
                    out.right =
                        pointText(right, (info.output ? other.outputs : other.inputs)[idx(info.right->index)].id);
                    if (!info.output) fed_.emplace(right, info.right->index);
                }
            if (info.min != spec.min || info.max != spec.max) {
                out.min = info.min;
                out.max = info.max;
            }
            out.scaling = info.scaling;
            out.electrics = info.electrics;
            if (!info.output) fed_.emplace(node, info.at.index);
            part().jacks.push_back(std::move(out));
        }
        return {};
    }

    void addBlocks() {
        for (const auto& [n, id] : blocks_) {
            const Node& node = graph_.nodes[idx(n)];
            BlockUse use{id, node.type->id, {}};
            for (std::size_t c = 0; c < node.controls.size(); ++c) {
                const ControlSpec& control = node.type->controls[c];
                const bool onPanel = knobControls_.contains({n, static_cast<int>(c)});
                if (!onPanel && !control.momentary && node.controls[c] != control.initial)
                    use.fixed[control.id] = std::clamp(node.controls[c], control.scale.min, control.scale.max);
            }
            part().blocks.push_back(std::move(use));
        }
    }

    /// Back over the wires between jacks to the block that the signal comes from.
    [[nodiscard]] Way wayTo(Source source) const {
        Way way{source};
        while (way.from.node >= 0 && graph_.nodes[idx(way.from.node)].type == &wireType()) {
            const Node& node = graph_.nodes[idx(way.from.node)];
            const auto law = static_cast<int>(node.controls[wire::Law]);
            if (law != wire::Straight) way.odd = way.odd || way.gain != 1.0 || way.offset != 0.0;
            way.hertz += law == wire::ToHertz ? 1 : law == wire::FromHertz ? -1 : 0;
            way.offset += way.gain * node.controls[wire::Offset];
            way.gain *= node.controls[wire::Gain];
            way.from = node.inputs[0];
        }
        return way;
    }

    Result<void> addWires() {
        std::map<std::string, std::string> scaled; ///< what was scaled on its way → the block that does it here
        for (const auto& [n, id] : blocks_) {
            const Node& node = graph_.nodes[idx(n)];
            for (std::size_t i = 0; i < node.inputs.size(); ++i) {
                if (fed_.contains({n, static_cast<int>(i)})) continue; // its jack stands on the panel
                const Way way = wayTo(node.inputs[i]);
                if (way.from.node < 0 || !blocks_.contains(way.from.node)) continue;
                const Node& source = graph_.nodes[idx(way.from.node)];
                std::string from = pointText(way.from.node, source.type->outputs[idx(way.from.output)].id);
                if (!way.plain()) {
                    if (way.hertz != 0 || way.odd || std::abs(way.gain) > 1.0 || std::abs(way.offset) > 5.0)
                        return failure(say("what comes to {} is scaled on its way, beyond what a wire behind a panel "
                                           "can: leave that post out of the box",
                                           nameOf(node)));
                    std::string& between = scaled[fmt::format("{} {} {}", from, way.gain, way.offset)];
                    if (between.empty()) {
                        between = fresh(blockIds_, "scale");
                        BlockUse use{between, "attenuverter", {{"amount", 100.0 * way.gain}}};
                        if (way.offset != 0.0) use.fixed["offset"] = way.offset;
                        part().blocks.push_back(std::move(use));
                        part().wires.push_back({from, between + ".in"});
                    }
                    from = between + ".out";
                }
                part().wires.push_back({from, pointText(n, node.type->inputs[i].id)});
            }
        }
        return {};
    }

    [[nodiscard]] std::string nameOf(const Node& node) const {
        const Post* post = patch_.post(node.post);
        return post ? post->name : node.post;
    }

    const Patch& patch_;
    const Library& library_;
    const std::set<std::string>& posts_;
    Graph graph_;
    std::map<int, std::string> blocks_;          ///< node → its block in the box
    std::set<std::pair<int, int>> knobControls_; ///< node and control that a knob on the panel sets
    std::set<std::pair<int, int>> fed_;          ///< node and input that a jack on the panel feeds
    std::set<std::string> blockIds_, jackIds_, knobIds_;
    Box box_;
};

} // namespace

std::set<std::string> boxable(const Patch& patch, const Library& library, const std::string& voice) {
    std::set<std::string> out;
    for (const Post& post : patch.posts)
        if (post.voice == voice && !isUnknownPart(post) && stays(*library.part(post)) == Stays::No) out.insert(post.id);
    return out;
}

Result<Box> boxOf(const Patch& patch, const Library& library, const std::set<std::string>& posts,
                  const std::string& name) {
    if (idFrom(name).empty()) return failure(say("a box needs a name with letters"));
    auto box = BoxMaker(patch, library, posts).make(name);
    if (!box) return box;
    if (auto resolved = resolveModule(box->module); !resolved) return tl::unexpected(resolved.error());
    return box;
}

Edits intoBox(const Patch& patch, const Library& library, const std::set<std::string>& posts, const Box& box,
              const std::string& slot) {
    Edits edits;
    const auto inside = [&](const std::string& post) { return posts.contains(post); };
    Post made;
    made.name = box.module.name;
    for (int n = 1; made.id.empty() || (patch.post(made.id) && !inside(made.id)); ++n)
        made.id = n == 1 ? idFrom(made.name) : fmt::format("{}-{}", idFrom(made.name), n);
    made.slot = slot;
    made.module = box.module.id;
    made.part = kPart;
    int place = -1;
    for (const Post& post : patch.posts) {
        if (!inside(post.id)) continue;
        if (place < 0) place = static_cast<int>(&post - patch.posts.data());
        if (made.voice.empty()) made.voice = post.voice;
        for (const KnobInfo& knob : library.part(post)->knobs) {
            const auto it = box.knobs.find({post.id, knob.id});
            if (it == box.knobs.end()) continue;
            if (const auto note = post.knobNotes.find(knob.id); note != post.knobNotes.end())
                made.knobNotes[it->second] = note->second;
            if (post.locked.contains(knob.id)) made.locked.insert(it->second);
            if (const auto un = post.unknown.find(knob.id); un != post.unknown.end())
                made.unknown[it->second] = un->second;
        }
        edits.emplace_back(RemovePost{post.id});
    }
    edits.emplace_back(AddPost{made});
    edits.emplace_back(ReorderPost{made.id, place});
    const auto moved = [&](const JackRef& jack) {
        const auto it = box.jacks.find(jack);
        return it == box.jacks.end() ? jack : JackRef{made.id, it->second};
    };
    int row = 0;
    for (Cable cable : patch.cables) {
        if (inside(cable.from.post) && inside(cable.to.post)) continue;
        ++row;
        if (!inside(cable.from.post) && !inside(cable.to.post)) continue;
        cable.from = moved(cable.from);
        cable.to = moved(cable.to);
        edits.emplace_back(TieCable{std::move(cable), row});
    }
    for (const auto& [from, to] : box.normals) {
        Cable cable;
        cable.from = moved(from);
        cable.to = moved(to);
        cable.voice = made.voice;
        edits.emplace_back(TieCable{std::move(cable), 0});
    }
    for (Controller controller : patch.controllers)
        if (const auto it = box.knobs.find({controller.post, controller.knob}); it != box.knobs.end()) {
            controller.post = made.id;
            controller.knob = it->second;
            edits.emplace_back(LearnController{controller});
        }
    const auto follow = [&](Setting& setting) {
        bool changed = false;
        for (const auto& [knob, id] : box.knobs) {
            const auto post = setting.find(knob.first);
            if (post == setting.end()) continue;
            if (const auto value = post->second.find(knob.second); value != post->second.end()) {
                setting[made.id][id] = value->second;
                changed = true;
            }
        }
        for (const std::string& post : posts)
            if (post != made.id) changed = setting.erase(post) > 0 || changed;
        return changed;
    };
    for (auto [name, setting] : patch.settings)
        if (follow(setting)) edits.emplace_back(KeepSetting{name, std::move(setting)});
    std::vector<Scene> scenes = patch.scenes;
    bool changed = false;
    for (Scene& scene : scenes) {
        changed = follow(scene.setting) || changed;
        for (Move& move : scene.moves)
            if (const auto it = box.knobs.find({move.post, move.knob}); it != box.knobs.end()) {
                move.post = made.id;
                move.knob = it->second;
                changed = true;
            }
        const auto gone =
            std::erase_if(scene.moves, [&](const Move& m) { return inside(m.post) && m.post != made.id; });
        changed = changed || gone > 0;
    }
    if (changed) edits.emplace_back(SetScenes{std::move(scenes)});
    return edits;
}

} // namespace lariat
