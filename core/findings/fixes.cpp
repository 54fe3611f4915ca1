#include "findings/fixes.h"

#include "building/capacity.h"
#include "building/insert.h"
#include "library/tie.h"

#include <algorithm>

namespace lariat {

std::vector<Fix> insertFix(const Observation& o, int cable, std::string_view blockType,
                           const std::function<void(const Post&, const PartInfo&, std::vector<Edit>&)>& more) {
    const Cable* into = o.patch.cable(cable);
    if (!into) return {};
    for (const FreePart& free : freeParts(o.patch, *o.library, o.housing, blockType)) {
        const Post post = postFor(o.patch, free, into->voice);
        auto edits = insertInto(o.patch, *o.library, cable, post);
        if (!edits) continue;
        if (more) more(post, *free.part, *edits);
        return {{say("Put the free {} into cable {}", free.part->name, o.patch.row(cable)), std::move(*edits)}};
    }
    return {};
}

Fix moveFix(const Observation& o, const Cable& cable, const JackRef& from, const JackRef& to) {
    const JackRef& moved = from == cable.from ? to : from;
    return {say("Move cable {} to {}", o.patch.row(cable.id), tieName(moved, o.patch, *o.library)),
            {MoveCable{cable.id, from, to}}};
}

Fix tieFix(const Observation& o, const JackRef& from, const JackRef& to) {
    Sentence label = say("Tie {} to {}", tieName(from, o.patch, *o.library), tieName(to, o.patch, *o.library));
    const auto tie = makeTie(from, to, o.patch, *o.library);
    if (tie) return {std::move(label), {*tie}};
    return {std::move(label), {}};
}

} // namespace lariat
