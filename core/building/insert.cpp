#include "building/insert.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

bool isAudioLike(SignalKind kind) {
    return kind == SignalKind::Audio || kind == SignalKind::Control;
}

/// The first free jack of a part that takes or gives this kind; one of any kind if there is none.
const JackInfo* fitting(const Patch& patch, const PartInfo& part, const std::string& post, bool output,
                        SignalKind kind) {
    const JackInfo* any = nullptr;
    for (const JackInfo& jack : part.jacks) {
        if (jack.output != output || (!output && patch.cableInto({post, jack.id}))) continue;
        if (jack.kind == kind) return &jack;
        if (!any || (isAudioLike(jack.kind) && !isAudioLike(any->kind))) any = &jack;
    }
    return any;
}

} // namespace

Result<Edits> insertInto(const Patch& patch, const Library& library, int id, const Post& post) {
    const Cable* cable = patch.cable(id);
    if (!cable) return failure(say("choose the cable first that something is to go into"));
    const PartInfo* part = library.part(post);
    if (!part) return failure(say("there is no part \"{}\"", post.part));
    if (cable->from.post == post.id || cable->to.post == post.id)
        return failure(say("cable {} begins or ends at {} already", patch.row(id), post.name));
    const JackInfo* source = library.jack(patch, cable->from);
    const SignalKind kind = source ? source->kind : SignalKind::Control;
    const JackInfo* in = fitting(patch, *part, post.id, false, kind);
    const JackInfo* out = fitting(patch, *part, post.id, true, kind);
    if (!in) return failure(say("{} has no input free", post.name));
    if (!out) return failure(say("{} has no output", post.name));
    Edits edits;
    if (!patch.post(post.id)) {
        edits.emplace_back(AddPost{post});
        // On the chart it stands before what it feeds.
        const auto target = std::ranges::find(patch.posts, cable->to.post, &Post::id);
        edits.emplace_back(ReorderPost{post.id, static_cast<int>(target - patch.posts.begin())});
    }
    edits.emplace_back(MoveCable{id, cable->from, {post.id, in->id}});
    edits.emplace_back(
        TieCable{{0, {post.id, out->id}, cable->to, cable->voice, cable->step, "", 0, "", {}}, patch.row(id) + 1});
    // An attenuator at nothing would make the move a silent one.
    if (const KnobInfo* knob = in->amountKnob.empty() ? nullptr : part->knob(in->amountKnob);
        knob && knobValue(post, *knob) == 0.0)
        edits.emplace_back(SetKnob{post.id, knob->id, knob->scale.max});
    return edits;
}

} // namespace lariat
