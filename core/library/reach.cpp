#include "library/reach.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <string_view>

namespace lariat {
namespace {

struct Aim {
    const char* block;
    const char* input;
    const char* amount; ///< control that scales it, in per cent
    const char* control;
    double perVolt; ///< octaves if `octaves`, else of the control's unit
    bool octaves;
};

constexpr Aim kAims[] = {
    {"vco", "fm", "fm-amount", "fine", 12.0, false},
    {"vco", "pwm", "pwm-amount", "width", 20.0, false},
    {"svf", "cv-1", "amount-1", "cutoff", 1.0, true},
    {"svf", "cv-2", "amount-2", "cutoff", 1.0, true},
    {"svf", "res-cv", "res-amount", "resonance", 10.0, false},
    {"ladder", "cv-1", "amount-1", "cutoff", 1.0, true},
    {"ladder", "cv-2", "amount-2", "cutoff", 1.0, true},
    {"ladder", "res-cv", "res-amount", "resonance", 10.0, false},
    {"vca", "lin-cv", "lin-amount", "offset", 12.5, false},
    {"low-pass-gate", "cv", "amount", "offset", 12.5, false},
    {"lfo", "rate-cv", "rate-amount", "rate", 1.0, true},
    {"panner", "pan-cv", "pan-amount", "pan", 20.0, false},
    {"crossfader", "fade-cv", "fade-amount", "fade", 10.0, false},
    {"wavefolder", "fold-cv", "fold-amount", "fold", 12.5, false},
    {"wavefolder", "symmetry-cv", "symmetry-amount", "symmetry", 20.0, false},
    {"drive", "drive-cv", "drive-amount", "gain", 5.0, false},
    {"contour", "attack-cv", "attack-amount", "attack", 1.0, true},
    {"contour", "decay-cv", "decay-amount", "decay", 1.0, true},
    {"contour", "release-cv", "release-amount", "release", 1.0, true},
    {"contour", "sustain-cv", "sustain-amount", "sustain", 12.5, false},
    {"contour", "all-cv", "all-amount", "attack", 1.0, true},
    {"contour", "all-cv", "all-amount", "decay", 1.0, true},
    {"contour", "all-cv", "all-amount", "release", 1.0, true},
    {"function-generator", "rise-cv", "rise-amount", "rise", 1.0, true},
    {"function-generator", "fall-cv", "fall-amount", "fall", 1.0, true},
    {"function-generator", "both-cv", "both-amount", "rise", 1.0, true},
    {"function-generator", "both-cv", "both-amount", "fall", 1.0, true},
    {"function-generator", "spread-cv", "spread-amount", "spread", 12.5, false},
    {"vca-bank", "cv-1", "amount-1", "level-1", 12.5, false},
    {"vca-bank", "cv-2", "amount-2", "level-2", 12.5, false},
    {"vca-bank", "cv-3", "amount-3", "level-3", 12.5, false},
    {"vca-bank", "cv-4", "amount-4", "level-4", 12.5, false},
};

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
    for (const Aim& aim : kAims) {
        if (type.id != aim.block || control != aim.control) continue;
        const JackInfo* jack = inputAt(part, knob.at.block, aim.input);
        const auto arriving = jack ? volts({post.id, jack->id}) : std::nullopt;
        if (!arriving) continue;
        const double gain = 0.01 * aim.perVolt * standing(post, part, knob.at.block, aim.amount);
        low += std::min(gain * arriving->first, gain * arriving->second);
        high += std::max(gain * arriving->first, gain * arriving->second);
        octaves = aim.octaves;
        aimed = true;
    }
    if (!aimed) return std::nullopt;
    const double stands = knobValue(post, knob);
    const auto moved = [&](double by) {
        return std::clamp(octaves ? stands * std::exp2(by) : stands + by, knob.scale.min, knob.scale.max);
    };
    return Span{moved(low), moved(high)};
}

} // namespace lariat
