#include "building/insert.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

bool isAudioLike(SignalKind kind) {
    return kind == SignalKind::Audio || kind == SignalKind::Control;
}

/// How well a jack suits a kind.
int fit(SignalKind jack, SignalKind wanted) {
    return jack == wanted ? 4 : isAudioLike(jack) && isAudioLike(wanted) ? 2 : 0;
}

/// What a part makes of an input at an output: 2 passes it on, 1 makes something of it, 0 nothing that is known.
int related(const PartInfo& part, const JackInfo& in, const JackInfo& out) {
    if (in.at.block != out.at.block) return part.blocks.size() > 1 ? 1 : 0; // by wires behind the panel
    const BlockType& type = *part.blocks[static_cast<std::size_t>(in.at.block)].type;
    const std::string& input = type.inputs[static_cast<std::size_t>(in.at.index)].id;
    const std::string& output = type.outputs[static_cast<std::size_t>(out.at.index)].id;
    int best = 0;
    for (const Flow& flow : flowsOf(type)) {
        if (std::ranges::find(flow.inputs, input) == flow.inputs.end()) continue;
        if (!flow.outputs.empty() && std::ranges::find(flow.outputs, output) == flow.outputs.end()) continue;
        if (flow.does == Does::Passes) best = 2;
        if (flow.does == Does::Strikes || flow.does == Does::Times) best = std::max(best, 1);
    }
    return best;
}

/// The free input and the output through which the part lies best between two kinds of jack; the first such ones.
struct Through {
    const JackInfo* in = nullptr;
    const JackInfo* out = nullptr;
};
Through through(const Patch& patch, const PartInfo& part, const std::string& post, SignalKind from, SignalKind to) {
    Through best;
    int most = -1;
    for (const JackInfo& in : part.jacks) {
        if (in.output || patch.cableInto({post, in.id})) continue;
        for (const JackInfo& out : part.jacks) {
            if (!out.output) continue;
            const int relation = related(part, in, out);
            const int score = relation == 0 ? 0 : 16 + fit(in.kind, from) + fit(out.kind, to) + relation;
            if (score > most) {
                most = score;
                best = {&in, &out};
            }
        }
    }
    return best;
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
    const JackInfo* target = library.jack(patch, cable->to);
    const auto [in, out] = through(patch, *part, post.id, kind, target ? target->kind : kind);
    if (!in && std::ranges::any_of(part->jacks, &JackInfo::output))
        return failure(say("{} has no input free", post.name));
    if (!in) return failure(say("{} has no output", post.name));
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
