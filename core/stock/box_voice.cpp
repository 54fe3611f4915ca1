#include "stock/box_voice.h"

#include "library/check.h"
#include "model/edit.h"
#include "stock/case_edits.h"

namespace lariat {

Result<BoxedVoice> boxedPosts(const Patch& patch, const Workspace& workspace, const std::set<std::string>& posts,
                              const std::string& name) {
    const auto box = boxOf(patch, workspace.library, posts, name);
    if (!box) return tl::unexpected(box.error());
    if (workspace.library.module(box->module.id))
        return failure(say("there is a module {} already: give the box another name", name));
    const Case* housing = workspace.housing(patch);
    if (!housing) return failure(say("this patch names no case that a box could stand in"));
    auto module = resolveModule(box->module);
    if (!module) return tl::unexpected(module.error());
    Library with = workspace.library;
    with.add(*module);
    auto cased = withModule(*housing, with, box->module.id);
    if (!cased) return tl::unexpected(cased.error());
    const std::string slot = cased->slots.back().id;
    Edits edits = intoBox(patch, workspace.library, posts, *box, slot);
    const auto after = applyEdits(patch, edits).and_then([&](const Patch& made) { return checkPatch(made, with); });
    if (!after) return tl::unexpected(after.error());
    const auto made = std::ranges::find(after->posts, slot, &Post::slot);
    return BoxedVoice{std::move(*module), std::move(*cased), std::move(edits), made->id};
}

Result<BoxedVoice> boxedVoice(const Patch& patch, const Workspace& workspace, const std::string& voice,
                              const std::string& name) {
    return boxedPosts(patch, workspace, boxable(patch, workspace.library, voice), name);
}

} // namespace lariat
