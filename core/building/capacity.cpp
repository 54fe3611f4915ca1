#include "building/capacity.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

bool inUse(const Patch& patch, const Slot& slot, const PartInfo& part) {
    return std::ranges::any_of(patch.posts,
                               [&](const Post& post) { return post.slot == slot.id && post.part == part.id; });
}

template <class Visit> void eachPart(const Library& library, const Case* housing, Visit&& visit) {
    if (!housing) return;
    for (const Slot& slot : housing->slots)
        if (const ModuleInfo* module = slot.loose() ? nullptr : library.module(slot.module))
            for (const PartInfo& part : module->parts) visit(FreePart{&slot, module, &part});
}

} // namespace

std::vector<FreePart> freeParts(const Patch& patch, const Library& library, const Case* housing,
                                std::string_view blockType) {
    std::vector<FreePart> out;
    eachPart(library, housing, [&](const FreePart& one) {
        if (!inUse(patch, *one.slot, *one.part) && (blockType.empty() || one.part->has(blockType))) out.push_back(one);
    });
    return out;
}

std::vector<Capacity> capacity(const Patch& patch, const Library& library, const Case* housing) {
    std::vector<Capacity> out;
    for (const BlockType& type : blockTypes()) {
        Capacity one{&type, 0, 0};
        eachPart(library, housing, [&](const FreePart& part) {
            const auto has = static_cast<int>(std::ranges::count(part.part->blocks, &type, &PartBlock::type));
            one.total += has;
            if (!inUse(patch, *part.slot, *part.part)) one.free += has;
        });
        if (one.total > 0) out.push_back(one);
    }
    return out;
}

Post postFor(const Patch& patch, const FreePart& free, const std::string& voice) {
    const auto taken = [&](const std::string& name) { return std::ranges::count(patch.posts, name, &Post::name) > 0; };
    // Ids have at most 64 letters; there is room for a number.
    const std::string id = (free.slot->id + "-" + free.part->id).substr(0, 58);
    Post post{id, free.part->name, free.slot->id, free.slot->module, free.part->id, voice, {}, {}};
    for (int number = 2; taken(post.name); ++number) post.name = fmt::format("{} {}", free.part->name, number);
    for (int number = 2; patch.post(post.id); ++number) post.id = fmt::format("{}-{}", id, number);
    return post;
}

} // namespace lariat
