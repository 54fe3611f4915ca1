#include "engine/graph.h"

#include <algorithm>
#include <functional>
#include <map>

#include <fmt/format.h>

namespace lariat {
namespace {

/// The post that stands for another part of the same module, or nullptr if that part is not in use.
const Post* neighbour(const Patch& patch, const Post& post, const std::string& part) {
    const auto it = std::ranges::find_if(
        patch.posts, [&](const Post& other) { return other.slot == post.slot && other.part == part; });
    return it == patch.posts.end() ? nullptr : &*it;
}

/// FNV-1a, so that a block's randomness depends on its name and not on its place.
std::uint64_t seedOf(const std::string& key, std::uint32_t seed) {
    std::uint64_t hash = 0xcbf29ce484222325u ^ seed;
    for (const char c : key) hash = (hash ^ static_cast<unsigned char>(c)) * 0x100000001b3u;
    return hash;
}

bool leadsOutOrKeepsTime(const BlockType& type) {
    return type.id == "line-out" || type.id == "clock";
}

class Builder {
  public:
    Builder(const Patch& patch, const Library& library) : patch_(patch), library_(library) {}

    Graph build(std::span<const JackRef> alsoHeard) {
        for (const Post& post : patch_.posts) addPost(post);
        for (const Post& post : patch_.posts) connectPost(post);
        for (const Cable& cable : patch_.cables) heard_.push_back(sourceAt(cable.from, cable.id));
        for (const JackRef& output : alsoHeard) heard_.push_back(sourceAt(output, 0));
        return pruned();
    }

  private:
    void addPost(const Post& post) {
        const PartInfo& part = *library_.part(post);
        first_[post.id] = static_cast<int>(graph_.nodes.size());
        std::shared_ptr<const Pattern> pattern;
        if (const Pattern* found = patch_.pattern(post.id)) pattern = std::make_shared<const Pattern>(*found);
        for (const PartBlock& block : part.blocks) {
            Node node;
            node.key = post.id + "/" + block.id;
            node.post = post.id;
            node.type = block.type;
            node.inputs.resize(block.type->inputs.size());
            node.heard.resize(block.type->outputs.size(), false);
            for (std::size_t c = 0; c < block.type->controls.size(); ++c) {
                const auto fixed = block.fixed.find(static_cast<int>(c));
                node.controls.push_back(fixed == block.fixed.end() ? block.type->controls[c].initial : fixed->second);
            }
            node.pattern = pattern;
            node.seed = seedOf(node.key, patch_.seed);
            graph_.nodes.push_back(std::move(node));
        }
        for (const KnobInfo& knob : part.knobs)
            nodeAt(post, knob.at).controls[static_cast<std::size_t>(knob.at.index)] = knobValue(post, knob);
    }

    Node& nodeAt(const Post& post, const BlockPoint& at) {
        return graph_.nodes[static_cast<std::size_t>(first_.at(post.id) + at.block)];
    }

    Source sourceAt(const JackRef& output, int cable) {
        const Post& post = *patch_.post(output.post);
        const JackInfo& jack = *library_.jack(patch_, output);
        return {first_.at(post.id) + jack.at.block, jack.at.index, cable};
    }

    void connectPost(const Post& post) {
        const PartInfo& part = *library_.part(post);
        for (const WireInfo& wire : part.wires)
            nodeAt(post, wire.to).inputs[static_cast<std::size_t>(wire.to.index)] = {
                first_.at(post.id) + wire.from.block, wire.from.index, 0};
        for (const JackInfo& jack : part.jacks) {
            if (jack.output) continue;
            const JackRef to{post.id, jack.id};
            const JackRef from = feederOf(patch_, library_, to);
            if (from.post.empty()) continue;
            const Cable* cable = patch_.cableInto(to);
            if (!cable) graph_.normals.push_back({from, to});
            nodeAt(post, jack.at).inputs[static_cast<std::size_t>(jack.at.index)] =
                sourceAt(from, cable ? cable->id : 0);
        }
    }

    /// Drops nodes that neither reach a cable nor lead out, and marks the outputs that are heard.
    Graph pruned() {
        std::vector<bool> needed(graph_.nodes.size(), false);
        const std::function<void(int)> need = [&](int index) {
            if (index < 0 || needed[static_cast<std::size_t>(index)]) return;
            needed[static_cast<std::size_t>(index)] = true;
            for (const Source& source : graph_.nodes[static_cast<std::size_t>(index)].inputs) need(source.node);
        };
        for (const Source& source : heard_) need(source.node);
        for (std::size_t i = 0; i < graph_.nodes.size(); ++i)
            if (leadsOutOrKeepsTime(*graph_.nodes[i].type)) need(static_cast<int>(i));
        for (const Node& node : graph_.nodes)
            for (const Source& source : node.inputs)
                if (source.node >= 0) hear(source);
        for (const Source& source : heard_) hear(source);

        Graph out;
        out.normals = std::move(graph_.normals);
        std::vector<int> place(graph_.nodes.size(), -1);
        for (std::size_t i = 0; i < graph_.nodes.size(); ++i) {
            if (!needed[i]) continue;
            place[i] = static_cast<int>(out.nodes.size());
            out.nodes.push_back(std::move(graph_.nodes[i]));
        }
        for (Node& node : out.nodes)
            for (Source& source : node.inputs)
                if (source.node >= 0) source.node = place[static_cast<std::size_t>(source.node)];
        return out;
    }

    void hear(const Source& source) {
        graph_.nodes[static_cast<std::size_t>(source.node)].heard[static_cast<std::size_t>(source.output)] = true;
    }

    const Patch& patch_;
    const Library& library_;
    Graph graph_;
    std::vector<Source> heard_;
    std::map<std::string, int> first_; ///< post → its first node
};

} // namespace

JackRef feederOf(const Patch& patch, const Library& library, const JackRef& input) {
    JackRef at = input;
    for (int guard = 0; guard < 1000; ++guard) {
        if (const Cable* cable = patch.cableInto(at)) return cable->from;
        const Post* post = patch.post(at.post);
        const JackInfo* jack = library.jack(patch, at);
        if (!jack || !jack->normal) return {};
        const Post* next = neighbour(patch, *post, jack->normal->part);
        if (!next) return {};
        at = {next->id, jack->normal->jack};
        const JackInfo* reached = library.jack(patch, at);
        if (reached && reached->output) return at;
    }
    return {};
}

Graph buildGraph(const Patch& patch, const Library& library, std::span<const JackRef> alsoHeard) {
    return Builder(patch, library).build(alsoHeard);
}

} // namespace lariat
