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

std::vector<JackRef> cascadeBrokenBy(const Patch& patch, const Library& library, const JackRef& output) {
    std::vector<JackRef> out;
    const Post* post = patch.post(output.post);
    const PartInfo* part = post ? library.part(*post) : nullptr;
    const JackInfo* jack = part ? part->jack(output.jack) : nullptr;
    if (!jack || !jack->output || leavesHere(patch, output)) return out;
    if (part->blocks[static_cast<std::size_t>(jack->at.block)].type->id != "vca-bank") return out;
    for (const JackInfo& later : part->jacks)
        if (later.output && later.at.block == jack->at.block && later.at.index > jack->at.index &&
            leavesHere(patch, {post->id, later.id}))
            out.push_back({post->id, later.id});
    return out;
}

} // namespace lariat
