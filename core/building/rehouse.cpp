#include "building/rehouse.h"

#include "building/assign.h"
#include "building/nobody_knows.h"

#include <algorithm>

namespace lariat {

std::vector<std::size_t> partsFor(const Post& post, const Library& library, const std::vector<FreePart>& parts) {
    if (isUnknownPart(post)) return {};
    std::vector<std::size_t> same;
    std::vector<std::size_t> alike;
    const PartInfo& part = *library.part(post);
    for (std::size_t i = 0; i < parts.size(); ++i) {
        const FreePart& one = parts[i];
        if (one.slot->module == post.module && one.part->id == post.part)
            same.push_back(i);
        else if (std::ranges::all_of(part.jacks, [&](const JackInfo& j) { return one.part->jack(j.id) != nullptr; }) &&
                 std::ranges::all_of(part.knobs, [&](const KnobInfo& k) { return one.part->knob(k.id) != nullptr; }))
            alike.push_back(i);
    }
    same.insert(same.end(), alike.begin(), alike.end());
    return same;
}

Result<Rehousing> rehouse(const Patch& patch, const Library& library, const Case& to) {
    Patch empty;
    empty.caseId = to.id;
    const std::vector<FreePart> parts = freeParts(empty, library, &to);
    std::vector<std::vector<std::size_t>> mayHave;
    for (const Post& post : patch.posts) mayHave.push_back(partsFor(post, library, parts));
    const auto seats = assign(mayHave);
    Rehousing out;
    out.patch = patch;
    out.patch.caseId = to.id;
    for (std::size_t i = 0; i < patch.posts.size(); ++i) {
        const Post& post = patch.posts[i];
        if (isUnknownPart(post)) continue;
        if (!seats[i]) {
            out.missing.push_back(post.name);
            const std::size_t before = out.patch.cables.size();
            auto without = applyEdit(out.patch, RemovePost{post.id});
            if (!without) return tl::unexpected(without.error());
            out.patch = std::move(*without);
            out.cablesLost += static_cast<int>(before - out.patch.cables.size());
            continue;
        }
        const FreePart& seat = parts[*seats[i]];
        const bool sameKind = seat.slot->module == post.module && seat.part->id == post.part;
        out.moves.push_back({post.id, post.slot, seat.slot->id, sameKind});
        const auto moved = std::ranges::find(out.patch.posts, post.id, &Post::id);
        moved->slot = seat.slot->id;
        moved->module = seat.slot->module;
        moved->part = seat.part->id;
    }
    // Cables of one bag are none of another.
    for (Cable& cable : out.patch.cables) {
        const bool there = std::ranges::any_of(to.cables, [&](const CableStock& stock) {
            return stock.lengthCm == cable.lengthCm && stock.colour == cable.colour;
        });
        if (there) continue;
        cable.lengthCm = 0;
        cable.colour.clear();
    }
    return out;
}

} // namespace lariat
