#include "building/morph.h"

#include <algorithm>
#include <cmath>

namespace lariat {

Setting settingOf(const Patch& patch, const Library& library) {
    Setting setting;
    for (const Post& post : patch.posts)
        for (const KnobInfo& knob : library.part(post)->knobs) setting[post.id][knob.id] = knobValue(post, knob);
    return setting;
}

Edits morph(const Patch& patch, const Library& library, const Setting& a, const Setting& b, double mix) {
    Edits edits;
    const auto valueIn = [](const Setting& setting, const std::string& post, const KnobInfo& knob, double fallback) {
        const auto knobs = setting.find(post);
        if (knobs == setting.end()) return fallback;
        const auto value = knobs->second.find(knob.id);
        return value == knobs->second.end() ? fallback : std::clamp(value->second, knob.scale.min, knob.scale.max);
    };
    for (const Post& post : patch.posts)
        for (const KnobInfo& knob : library.part(post)->knobs) {
            if (post.locked.contains(knob.id)) continue;
            const double now = knobValue(post, knob);
            const double from = valueIn(a, post.id, knob, now);
            const double to = valueIn(b, post.id, knob, now);
            double value = mix <= 0.0 ? from : to;
            if (mix > 0.0 && mix < 1.0)
                value =
                    knob.scale.taper == Taper::Switch
                        ? (mix < 0.5 ? from : to)
                        : knob.scale.toValue(std::lerp(knob.scale.toFraction(from), knob.scale.toFraction(to), mix));
            if (value != now) edits.emplace_back(SetKnob{post.id, knob.id, value});
        }
    return edits;
}

} // namespace lariat
