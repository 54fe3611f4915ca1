#include "building/breaks.h"

#include "engine/graph.h"

#include <algorithm>

namespace lariat {
namespace {

bool leavesHere(const Patch& patch, const JackRef& output) {
    return std::ranges::any_of(patch.cables, [&](const Cable& cable) { return cable.from == output; });
}

} // namespace

std::vector<BrokenNormal> brokenBy(const Patch& patch, const Library& library, const JackRef& input) {
    std::vector<BrokenNormal> out;
    if (patch.cableInto(input)) return out;
    // A plug without a signal: whatever is fed along this input now loses its source.
    Patch plugged = patch;
    plugged.cables.push_back({patch.freshCableId(), {"", ""}, input, "", "", "", 0, "", {}});
    for (const Post& post : patch.posts) {
        if (post.slot != patch.post(input.post)->slot) continue; // normals stay within a module
        for (const JackInfo& jack : library.part(post)->jacks) {
            const JackRef ref{post.id, jack.id};
            if (jack.output || patch.cableInto(ref)) continue;
            const JackRef before = feederOf(patch, library, ref);
            if (!before.post.empty() && feederOf(plugged, library, ref) != before) out.push_back({before, ref});
        }
    }
    return out;
}

std::vector<LostChannel> cascadeBrokenBy(const Patch& patch, const Library& library, const JackRef& output) {
    std::vector<LostChannel> lost;
    const Post* post = patch.post(output.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* jack = part ? part->jack(output.jack) : nullptr;
    if (!jack || !jack->output || leavesHere(patch, output)) return lost;
    const BlockType& type = *part->blocks[idx(jack->at.block)].type;
    const std::string& plugged = type.outputs[idx(jack->at.index)].id;
    const auto at = [&](const JackInfo& one, const std::vector<JackSpec>& specs, const std::vector<std::string>& ids) {
        return one.at.block == jack->at.block && std::ranges::find(ids, specs[idx(one.at.index)].id) != ids.end();
    };
    for (const Flow& flow : flowsOf(type)) {
        if (flow.does != Does::Passes || std::ranges::find(flow.unlessPlugged, plugged) == flow.unlessPlugged.end())
            continue;
        for (const JackInfo& channel : part->jacks)
            for (const JackInfo& later : part->jacks)
                if (!channel.output && later.output && at(channel, type.inputs, flow.inputs) &&
                    at(later, type.outputs, flow.outputs) && leavesHere(patch, {post->id, later.id}) &&
                    !feederOf(patch, library, {post->id, channel.id}).post.empty())
                    lost.push_back({{post->id, channel.id}, {post->id, later.id}});
    }
    return lost;
}

} // namespace lariat
