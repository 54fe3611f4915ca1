#include "library/unknowns.h"

#include <algorithm>

namespace lariat {

std::vector<UnknownKnob> unknownsOf(const Patch& patch, const Library& library) {
    std::vector<UnknownKnob> out;
    for (const Post& post : patch.posts) {
        const PartInfo* part = post.unknown.empty() ? nullptr : library.part(post);
        if (!part) continue;
        for (const KnobInfo& knob : part->knobs) {
            const auto it = post.unknown.find(knob.id);
            if (it == post.unknown.end()) continue;
            const Unknown& range = it->second;
            out.push_back({post.id, knob.id, range.low.value_or(knob.scale.toValue(0.0)),
                           range.high.value_or(knob.scale.toValue(1.0)), knobValue(post, knob),
                           range.low.has_value() || range.high.has_value()});
        }
    }
    return out;
}

int knobCount(const Patch& patch, const Library& library) {
    int count = 0;
    for (const Post& post : patch.posts)
        if (const PartInfo* part = library.part(post))
            count += static_cast<int>(
                std::ranges::count_if(part->knobs, [](const KnobInfo& knob) { return !knob.momentary; }));
    return count;
}

Sentence unknownText(const UnknownKnob& unknown, const KnobInfo& knob) {
    const bool isSwitch = knob.scale.taper == Taper::Switch;
    const auto at = [&](double value) {
        return isSwitch ? knob.scale.text(value) : clockHand(knob.scale.toFraction(value));
    };
    if (unknown.narrowed)
        return say("between {} and {}, tried at {}", at(unknown.low), at(unknown.high), at(unknown.guess));
    return say("anywhere, tried at {}", at(unknown.guess));
}

} // namespace lariat
