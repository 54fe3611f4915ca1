#include "sheet/idle.h"

#include "engine/graph.h"

#include <algorithm>
#include <array>
#include <string_view>

namespace lariat {
namespace {

/// Stages of a contour that some of its types have no use for; by the positions of its switch: ADSR, AR, AD, AHR, ADAR.
struct StageUse {
    std::string_view control;
    std::array<bool, 5> used;
};
constexpr std::array kStages = {StageUse{"decay", {true, false, true, true, true}},
                                StageUse{"sustain", {true, false, false, false, true}},
                                StageUse{"release", {true, true, false, true, true}}};

/// The id of the control that a knob sets.
std::string_view controlOf(const PartInfo& part, const KnobInfo& knob) {
    const BlockType& type = *part.blocks[static_cast<std::size_t>(knob.at.block)].type;
    return type.controls[static_cast<std::size_t>(knob.at.index)].id;
}

} // namespace

Sentence whyIdle(const Patch& patch, const Post& post, const PartInfo& part, const KnobInfo& knob,
                 const Library& library) {
    // The amount of an input that nothing reaches.
    for (const JackInfo& jack : part.jacks)
        if (jack.amountKnob == knob.id && feederOf(patch, library, {post.id, jack.id}).post.empty())
            return say("nothing is plugged into {}", jack.name);
    const BlockType& type = *part.blocks[static_cast<std::size_t>(knob.at.block)].type;
    if (type.id != "contour") return {};
    const std::string_view control = controlOf(part, knob);
    const KnobInfo* form = part.knobFor("contour", "type");
    const auto* stage = std::ranges::find(kStages, control, &StageUse::control);
    if (!form || stage == kStages.end()) return {};
    const auto position = static_cast<std::size_t>(knobValue(post, *form));
    if (position >= stage->used.size() || stage->used[position]) return {};
    return say("{} has no such stage", form->scale.text(static_cast<double>(position)));
}

} // namespace lariat
