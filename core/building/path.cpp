#include "building/path.h"

#include "engine/graph.h"

#include <set>

namespace lariat {

std::vector<int> pathThrough(const Patch& patch, const Library& library, const JackRef& jack) {
    std::set<int> found;
    // Posts are passed through from any input to any output; normals lead on like cables.
    const auto walk = [&](bool backwards) {
        std::set<std::string> seen;
        std::vector<JackRef> open;
        const auto visit = [&](const std::string& post) {
            if (!seen.insert(post).second) return;
            for (const JackInfo& one : library.part(*patch.post(post))->jacks)
                if (one.output != backwards) open.push_back({post, one.id});
        };
        const JackInfo* start = library.jack(patch, jack);
        if (!start) return;
        if (start->output == backwards)
            visit(jack.post);
        else
            open.push_back(jack);
        while (!open.empty()) {
            const JackRef at = open.back();
            open.pop_back();
            if (backwards) {
                if (const Cable* cable = patch.cableInto(at)) found.insert(cable->id);
                const JackRef from = feederOf(patch, library, at);
                if (!from.post.empty()) visit(from.post);
                continue;
            }
            for (const Cable& cable : patch.cables)
                if (cable.from == at) {
                    found.insert(cable.id);
                    visit(cable.to.post);
                }
            for (const Post& post : patch.posts)
                for (const JackInfo& one : library.part(post)->jacks)
                    if (!one.output && one.normal && !patch.cableInto({post.id, one.id}) &&
                        feederOf(patch, library, {post.id, one.id}) == at)
                        visit(post.id);
        }
    };
    walk(true);
    walk(false);
    return {found.begin(), found.end()};
}

} // namespace lariat
