#include "engine/graph.h"

#include "blocks/control/wire.h"
#include "engine/electrics.h"
#include "library/meaning.h"

#include <algorithm>
#include <functional>
#include <map>
#include <optional>
#include <utility>

#include <fmt/format.h>

namespace lariat {
namespace {

/// The post that stands for another part of the same module, or nullptr if that part is not in use.
const Post* neighbour(const Patch& patch, const Post& post, const std::string& part) {
    const auto it = std::ranges::find_if(
        patch.posts, [&](const Post& other) { return other.slot == post.slot && other.part == part; });
    return it == patch.posts.end() ? nullptr : &*it;
}

/// What feeds an input, and the cable that brings it there, be it into this input or into one that lends it along
/// normals.
struct Feeder {
    JackRef from;
    const Cable* cable = nullptr;
};

Feeder feederThrough(const Patch& patch, const Library& library, const JackRef& input) {
    JackRef at = input;
    for (int guard = 0; guard < 1000; ++guard) {
        if (const Cable* cable = patch.cableInto(at)) return {cable->from, cable};
        const Post* post = patch.post(at.post);
        const JackInfo* jack = library.jack(patch, at);
        if (!jack || !jack->normal) return {};
        const Post* next = neighbour(patch, *post, jack->normal->part);
        if (!next) return {};
        at = {next->id, jack->normal->jack};
        const JackInfo* reached = library.jack(patch, at);
        if (reached && reached->output) return {at, nullptr};
    }
    return {};
}

/// FNV-1a, so that a block's randomness depends on its name and not on its place.
std::uint64_t seedOf(const std::string& key, std::uint32_t seed) {
    std::uint64_t hash = 0xcbf29ce484222325u ^ seed;
    for (const char c : key) hash = (hash ^ static_cast<unsigned char>(c)) * 0x100000001b3u;
    return hash;
}

/// The patch with a post for every part that normals of its posts lead to and that has none: the metal is there,
/// patched or not. Their names cannot be those of posts in a patch.
Patch withImpliedPosts(const Patch& patch, const Library& library, std::size_t& own) {
    Patch out = patch;
    own = patch.posts.size();
    for (std::size_t n = 0; n < out.posts.size(); ++n) {
        const Post post = out.posts[n];
        for (const JackInfo& jack : library.part(post)->jacks) {
            if (!jack.normal || jack.output || neighbour(out, post, jack.normal->part)) continue;
            if (out.cableInto({post.id, jack.id})) continue;
            Post implied;
            implied.id = implied.name = "+" + post.slot + "/" + jack.normal->part;
            implied.slot = post.slot;
            implied.module = post.module;
            implied.part = jack.normal->part;
            if (library.part(implied)) out.posts.push_back(std::move(implied));
        }
    }
    return out;
}

bool isScaled(const JackInfo& jack) {
    return jack.scaling.gain != 1.0 || jack.scaling.offset != 0.0 || jack.scaling.hertzPerVolt;
}

class Builder {
  public:
    Builder(const Patch& patch, const Library& library, const GraphOptions& options)
        : patch_(withImpliedPosts(patch, library, own_)), library_(library), options_(options) {}

    Graph build() {
        if (options_.realCase) electrics_.emplace(patch_, library_);
        for (const Post& post : patch_.posts) addPost(post);
        for (const Post& post : patch_.posts) addOutputs(post);
        oneClockLeads();
        for (const Post& post : patch_.posts) connectPost(post);
        for (const Cable& cable : patch_.cables) {
            heard_.push_back(sourceAt(cable.from, cable.id));
            markPlugged(cable.from);
        }
        for (const JackRef& jack : options_.alsoHeard)
            if (const auto out = graph_.outputs.find(jack); out != graph_.outputs.end())
                heard_.push_back(out->second);
            else if (const auto in = graph_.inputs.find(jack); in != graph_.inputs.end())
                heard_.push_back(in->second);
        chainConverters();
        return pruned();
    }

  private:
    void addPost(const Post& post) {
        const PartInfo& part = *library_.part(post);
        first_[post.id] = static_cast<int>(graph_.nodes.size());
        Setup setup;
        setup.realCase = options_.realCase;
        setup.material = materialOf(patch_, library_, post);
        for (const PartBlock& block : part.blocks) {
            Node node = nodeOf(*block.type, post.id + "/" + block.id, post.id);
            for (const auto& [control, value] : block.fixed) node.controls[idx(control)] = value;
            setup.seed = node.setup.seed;
            node.setup = setup;
            node.implied = idx(&post - patch_.posts.data()) >= own_;
            graph_.nodes.push_back(std::move(node));
        }
        // Knobs that are used as they are come first, so that one whose use has moved has the last word.
        std::vector<KnobInForce> moved;
        for (const KnobInfo& knob : part.knobs) {
            const KnobInForce now = knobInForce(patch_, post, part, knob);
            if (now.at != knob.at)
                moved.push_back(now);
            else
                controlAt(post, now.at) = now.value;
        }
        for (const KnobInForce& knob : moved) controlAt(post, knob.at) = knob.value;
    }

    [[nodiscard]] Node nodeOf(const BlockType& type, std::string key, const std::string& post) const {
        Node node;
        node.key = std::move(key);
        node.post = post;
        node.type = &type;
        node.inputs.resize(type.inputs.size());
        node.heard.resize(type.outputs.size(), false);
        for (const ControlSpec& control : type.controls) node.controls.push_back(control.initial);
        node.setup.seed = seedOf(node.key, patch_.seed);
        return node;
    }

    Node& nodeAt(const Post& post, const BlockPoint& at) { return graph_.nodes[idx(first_.at(post.id) + at.block)]; }
    double& controlAt(const Post& post, const BlockPoint& at) { return nodeAt(post, at).controls[idx(at.index)]; }

    /// Every output jack's source; one with a scaling of its own has a wire behind the panel.
    void addOutputs(const Post& post) {
        for (const JackInfo& jack : library_.part(post)->jacks) {
            if (!jack.output) continue;
            const Source own{first_.at(post.id) + jack.at.block, jack.at.index, 0};
            const JackRef ref{post.id, jack.id};
            if (!isScaled(jack)) {
                graph_.outputs[ref] = own;
                continue;
            }
            Node node = nodeOf(wireType(), post.id + "/" + jack.id + ">", post.id);
            node.controls[wire::Gain] = jack.scaling.gain;
            node.controls[wire::Offset] = jack.scaling.offset;
            node.controls[wire::Law] = jack.scaling.hertzPerVolt ? wire::ToHertz : wire::Straight;
            node.inputs[0] = own;
            graph_.outputs[ref] = addNode(std::move(node));
        }
    }

    Source addNode(Node node) {
        graph_.nodes.push_back(std::move(node));
        return {static_cast<int>(graph_.nodes.size()) - 1, 0, 0};
    }

    [[nodiscard]] Source sourceAt(const JackRef& output, int cable) const {
        Source source = graph_.outputs.at(output);
        source.cable = cable;
        return source;
    }

    void markPlugged(const JackRef& output) {
        const Post& post = *patch_.post(output.post);
        const JackInfo& jack = *library_.jack(patch_, output);
        if (jack.at.index < 64) nodeAt(post, jack.at).setup.pluggedOutputs |= std::uint64_t{1} << jack.at.index;
    }

    void connectPost(const Post& post) {
        const PartInfo& part = *library_.part(post);
        for (const WireInfo& wire : part.wires)
            inputAt(post, wire.to) = {first_.at(post.id) + wire.from.block, wire.from.index, 0};
        for (const JackInfo& jack : part.jacks) {
            if (jack.output) continue;
            const JackRef to{post.id, jack.id};
            const auto [from, brings] = feederThrough(patch_, library_, to);
            if (from.post.empty()) continue;
            const Cable* cable = patch_.cableInto(to);
            const bool implied = from.post.starts_with('+') || to.post.starts_with('+');
            if (!cable && !implied) graph_.normals.push_back({from, to});
            const bool silent = brings && std::ranges::find(options_.silenced, brings->id) != options_.silenced.end();
            const Source left = through(sourceAt(from, cable ? cable->id : 0), to, jack, cable, silent);
            inputAt(post, jack.at) = left;
            if (!jack.right) continue;
            // A stereo plug in a mono jack brings its tip alone, and a mono plug leaves the right side without a
            // source.
            const JackInfo& source = *library_.jack(patch_, from);
            if (source.right && !silent)
                inputAt(post, *jack.right) = {first_.at(from.post) + source.right->block, source.right->index,
                                              left.cable};
        }
    }

    Source& inputAt(const Post& post, const BlockPoint& at) { return nodeAt(post, at).inputs[idx(at.index)]; }

    /// What an input makes of its source: its own scaling, and in the real case what its cable does.
    Source through(Source source, const JackRef& to, const JackInfo& jack, const Cable* cable, bool silent) {
        const auto wired = [&](const char* mark, auto&& set) {
            Node node = nodeOf(wireType(), to.post + "/" + mark + to.jack, to.post);
            node.inputs[0] = source;
            set(node.controls);
            const int brought = source.cable;
            source = addNode(std::move(node));
            source.cable = brought;
        };
        if (silent) wired("0", [](std::vector<double>& controls) { controls[wire::Gain] = 0.0; });
        if (electrics_ && cable) {
            const Post& from = *patch_.post(cable->from.post);
            wired("~", [&](std::vector<double>& controls) {
                controls[wire::Gain] = electrics_->gainInto(to);
                controls[wire::Noise] = library_.module(from.module)->description.noiseMicrovolts;
            });
            if (jack.electrics.threshold > 0.0 || jack.electrics.shortest > 0.0)
                wired("?", [&](std::vector<double>& controls) {
                    controls[wire::Threshold] = jack.electrics.threshold > 0.0 ? jack.electrics.threshold : 2.0;
                    controls[wire::Shortest] = jack.electrics.shortest;
                });
        }
        graph_.inputs[to] = source;
        if (isScaled(jack))
            wired(">", [&](std::vector<double>& controls) {
                controls[wire::Gain] = 1.0 / jack.scaling.gain;
                controls[wire::Offset] = -jack.scaling.offset / jack.scaling.gain;
                controls[wire::Law] = jack.scaling.hertzPerVolt ? wire::FromHertz : wire::Straight;
            });
        return source;
    }

    /// Of all clocks, the patch's first one counts the beats of the transport.
    void oneClockLeads() {
        bool found = false;
        for (Node& node : graph_.nodes)
            if (node.type->countsBeats) node.setup.leadsBeats = !std::exchange(found, true);
    }

    /// The node that feeds an input, past the wires that lie between jacks.
    [[nodiscard]] Source behindWires(Source source) const {
        while (source.node >= 0 && graph_.nodes[idx(source.node)].type == &wireType())
            source = graph_.nodes[idx(source.node)].inputs[0];
        return source;
    }

    /// Units linked into one another play the first one's performance as one chain.
    void chainConverters() {
        const auto before = [&](int index) {
            const Node& node = graph_.nodes[idx(index)];
            const Source source = behindWires(node.inputs[0]);
            return source.node >= 0 && graph_.nodes[idx(source.node)].type == node.type ? source.node : -1;
        };
        for (std::size_t n = 0; n < graph_.nodes.size(); ++n) {
            if (!graph_.nodes[n].type->chains) continue;
            int first = static_cast<int>(n);
            int place = 0;
            while (before(first) >= 0 && place < 16) {
                first = before(first);
                ++place;
            }
            graph_.nodes[n].setup.chainPlace = place;
            graph_.nodes[n].setup.material.performance = graph_.nodes[idx(first)].setup.material.performance;
            for (int at = static_cast<int>(n); at >= 0; at = before(at)) {
                int& length = graph_.nodes[idx(at)].setup.chainLength;
                length = std::max(length, place + 1);
                if (at == first) break;
            }
        }
    }

    /// Drops nodes that neither reach a cable nor lead out, and marks the outputs that are heard.
    Graph pruned() {
        std::vector<bool> needed(graph_.nodes.size(), false);
        const std::function<void(int)> need = [&](int index) {
            if (index < 0 || needed[idx(index)]) return;
            needed[idx(index)] = true;
            for (const Source& source : graph_.nodes[idx(index)].inputs) need(source.node);
        };
        for (const Source& source : heard_) need(source.node);
        for (std::size_t i = 0; i < graph_.nodes.size(); ++i)
            if (graph_.nodes[i].type->runsUnheard && !graph_.nodes[i].implied) need(static_cast<int>(i));
        for (const Node& node : graph_.nodes)
            for (const Source& source : node.inputs)
                if (source.node >= 0) hear(source);
        for (const Source& source : heard_) hear(source);

        // In order of their keys, so that where a post stands in the patch changes nothing that is heard.
        std::vector<std::size_t> order;
        for (std::size_t i = 0; i < graph_.nodes.size(); ++i)
            if (needed[i]) order.push_back(i);
        std::ranges::sort(order, {}, [&](std::size_t i) -> const std::string& { return graph_.nodes[i].key; });
        Graph out;
        out.normals = std::move(graph_.normals);
        std::vector<int> place(graph_.nodes.size(), -1);
        for (const std::size_t i : order) {
            place[i] = static_cast<int>(out.nodes.size());
            out.nodes.push_back(std::move(graph_.nodes[i]));
        }
        for (Node& node : out.nodes)
            for (Source& source : node.inputs)
                if (source.node >= 0) source.node = place[idx(source.node)];
        const auto keep = [&](const std::map<JackRef, Source>& from, std::map<JackRef, Source>& to) {
            for (const auto& [jack, source] : from)
                if (const int now = place[idx(source.node)]; now >= 0) to[jack] = {now, source.output, source.cable};
        };
        keep(graph_.outputs, out.outputs);
        keep(graph_.inputs, out.inputs);
        return out;
    }

    void hear(const Source& source) { graph_.nodes[idx(source.node)].heard[idx(source.output)] = true; }

    std::size_t own_ = 0; ///< posts of the patch itself, which come first
    const Patch patch_;
    const Library& library_;
    const GraphOptions& options_;
    std::optional<Electrics> electrics_;
    Graph graph_;
    std::vector<Source> heard_;
    std::map<std::string, int> first_; ///< post → its first node
};

} // namespace

Material materialOf(const Patch& patch, const Library& library, const Post& post) {
    return {patch.sharedPattern(post.id), patch.sharedPerformance(post.id), library.sample(post.sample),
            library.tuning(post.tuning)};
}

JackRef feederOf(const Patch& patch, const Library& library, const JackRef& input) {
    return feederThrough(patch, library, input).from;
}

Graph buildGraph(const Patch& patch, const Library& library, const GraphOptions& options) {
    return Builder(patch, library, options).build();
}

} // namespace lariat
