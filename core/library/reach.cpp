#include "library/reach.h"

#include <algorithm>
#include <cmath>
#include <string_view>

namespace lariat {
namespace {

constexpr double kHardlyAnything = 0.05; ///< volts

const JackInfo* inputAt(const PartInfo& part, int block, std::string_view id) {
    const BlockType& type = *part.blocks[static_cast<std::size_t>(block)].type;
    for (const JackInfo& jack : part.jacks)
        if (!jack.output && jack.at.block == block && type.inputs[static_cast<std::size_t>(jack.at.index)].id == id)
            return &jack;
    return nullptr;
}

/// Where a control of a block stands: its knob, else what the part fixes, else its initial value.
double standing(const Post& post, const PartInfo& part, int block, std::string_view id) {
    const PartBlock& use = part.blocks[static_cast<std::size_t>(block)];
    const auto& controls = use.type->controls;
    const auto index = static_cast<int>(std::ranges::find(controls, id, &ControlSpec::id) - controls.begin());
    for (const KnobInfo& knob : part.knobs)
        if (knob.at == BlockPoint{block, index}) return knobValue(post, knob);
    const auto fixed = use.fixed.find(index);
    return fixed != use.fixed.end() ? fixed->second : controls[static_cast<std::size_t>(index)].initial;
}

} // namespace

std::optional<Span> reachOf(const Post& post, const PartInfo& part, const KnobInfo& knob, const VoltsAt& volts) {
    const BlockType& type = *part.blocks[static_cast<std::size_t>(knob.at.block)].type;
    const std::string& control = type.controls[static_cast<std::size_t>(knob.at.index)].id;
    double low = 0.0;
    double high = 0.0;
    bool octaves = false;
    bool aimed = false;
    for (const JackSpec& input : type.inputs)
        for (const Aim& aim : input.aims) {
            if (control != aim.control) continue;
            const JackInfo* jack = inputAt(part, knob.at.block, input.id);
            const auto arriving = jack ? volts({post.id, jack->id}) : std::nullopt;
            if (!arriving) continue;
            const double gain = 0.01 * aim.perVolt * standing(post, part, knob.at.block, input.amount);
            low += std::min(gain * arriving->first, gain * arriving->second);
            high += std::max(gain * arriving->first, gain * arriving->second);
            octaves = aim.octaves;
            aimed = true;
        }
    if (!aimed) return std::nullopt;
    const double stands = knobValue(post, knob);
    const bool goesOn = octaves || knob.scale.unit == Unit::Semitones;
    const auto moved = [&](double by) {
        const double to = octaves ? stands * std::exp2(by) : stands + by;
        return goesOn ? to : std::clamp(to, knob.scale.min, knob.scale.max);
    };
    return Span{moved(low), moved(high)};
}

std::optional<double> depthForAnOctave(const PartInfo& part, const KnobInfo& amount, const Post& post,
                                       const VoltsAt& volts) {
    const BlockType& type = *part.blocks[static_cast<std::size_t>(amount.at.block)].type;
    const std::string& id = type.controls[static_cast<std::size_t>(amount.at.index)].id;
    for (const JackSpec& input : type.inputs) {
        if (input.amount != id) continue;
        const JackInfo* jack = inputAt(part, amount.at.block, input.id);
        const auto arriving = jack ? volts({post.id, jack->id}) : std::nullopt;
        const double swing = arriving ? arriving->second - arriving->first : 0.0;
        if (swing < kHardlyAnything) continue;
        for (const Aim& aim : input.aims) {
            const auto target = std::ranges::find(type.controls, aim.control, &ControlSpec::id);
            const bool semitones = target != type.controls.end() && target->scale.unit == Unit::Semitones;
            if (!aim.octaves && !semitones) continue;
            const double perVolt = aim.octaves ? aim.perVolt : aim.perVolt / 12.0;
            const double depth = 100.0 / (perVolt * swing);
            if (depth >= amount.scale.min && depth <= amount.scale.max) return depth;
        }
    }
    return std::nullopt;
}

} // namespace lariat
