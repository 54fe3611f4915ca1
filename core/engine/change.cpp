#include "engine/change.h"

#include "engine/graph.h"
#include "library/meaning.h"

#include <algorithm>
#include <tuple>

namespace lariat {
namespace {

using Tie = std::tuple<JackRef, JackRef, int>;

std::vector<Tie> tiesOf(const Patch& patch) {
    std::vector<Tie> ties;
    for (const Cable& cable : patch.cables) ties.emplace_back(cable.to, cable.from, cable.id);
    std::ranges::sort(ties);
    return ties;
}

bool sameParts(const Patch& before, const Patch& after) {
    if (before.posts.size() != after.posts.size()) return false;
    return std::ranges::all_of(after.posts, [&](const Post& now) {
        const Post* then = before.post(now.id);
        return then && then->slot == now.slot && then->module == now.module && then->part == now.part;
    });
}

bool countsBeats(const PartInfo& part) {
    return std::ranges::any_of(part.blocks, [](const PartBlock& block) { return block.type->countsBeats; });
}

/// Linked units play the first one's material: whose it is, is for the graph to find.
bool chains(const PartInfo& part) {
    return std::ranges::any_of(part.blocks, [](const PartBlock& block) { return block.type->chains; });
}

/// The first clock of a patch counts the beats of the transport.
const Post* firstClock(const Patch& patch, const Library& library) {
    const auto it =
        std::ranges::find_if(patch.posts, [&](const Post& post) { return countsBeats(*library.part(post)); });
    return it == patch.posts.end() ? nullptr : &*it;
}

} // namespace

Change planChange(const Patch& before, const Patch& after, const Library& library) {
    Change change;
    change.compile = before.seed != after.seed || !sameParts(before, after) || tiesOf(before) != tiesOf(after) ||
                     before.scenes != after.scenes;
    if (!change.compile) {
        const Post* clock = firstClock(before, library);
        change.compile = clock && clock->id != firstClock(after, library)->id;
    }
    for (const Post& post : after.posts) {
        if (change.compile) break;
        const Post& then = *before.post(post.id);
        const PartInfo& part = *library.part(post);
        if (materialOf(before, library, then) != materialOf(after, library, post)) {
            change.materials.push_back(post.id);
            change.compile = change.compile || chains(part);
        }
        if (then.knobs == post.knobs) continue;
        for (const KnobInfo& knob : part.knobs) {
            if (knobValue(then, knob) == knobValue(post, knob)) continue;
            if (movesMeanings(part, knob.id)) change.compile = true; // other knobs may set other controls now
            change.knobs.push_back({post.id, knob.id, knobInForce(after, post, part, knob).value});
        }
    }
    if (change.compile) {
        change.knobs.clear();
        change.materials.clear();
    }
    return change;
}

} // namespace lariat
