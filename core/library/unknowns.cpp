#include "library/unknowns.h"

#include <algorithm>

#include <fmt/format.h>

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

UnknownCount countUnknown(const Patch& patch, const Library& library) {
    UnknownCount out;
    out.knobs = static_cast<int>(unknownsOf(patch, library).size());
    out.ends = static_cast<int>(patch.openEnds.size());
    out.parts = static_cast<int>(
        std::ranges::count_if(patch.posts, [](const Post& post) { return post.module == kUnknownModule; }));
    for (const Shared<Pattern>& pattern : patch.patterns)
        for (int v = 0; v <= static_cast<int>(pattern->others.size()); ++v) {
            for (const Track& track : pattern->tracksOf(v))
                out.steps += static_cast<int>(std::ranges::count(track.steps, true, &Step::unknown));
            for (const Lane& lane : pattern->lanesOf(v))
                out.steps += static_cast<int>(std::ranges::count(lane.hits, Hit::Unknown));
        }
    return out;
}

std::vector<Sentence> unknownFacts(const Patch& patch, const Library& library) {
    const UnknownCount count = countUnknown(patch, library);
    std::vector<Sentence> out;
    if (count.knobs > 0) out.push_back(say("{} of {} knobs unknown", count.knobs, knobCount(patch, library)));
    if (count.steps > 0)
        out.push_back(count.steps == 1 ? say("one step unknown") : say("{} steps unknown", count.steps));
    if (count.ends > 0) out.push_back(count.ends == 1 ? say("one open end") : say("{} open ends", count.ends));
    if (count.parts > 0)
        out.push_back(count.parts == 1 ? say("one unknown part") : say("{} unknown parts", count.parts));
    return out;
}

Sentence openEndText(const OpenEnd& end, const Patch& patch, const Library& library) {
    const Post* post = patch.post(end.at.post);
    const JackInfo* jack = library.jack(patch, end.at);
    const std::string name = fmt::format("{} {}", post ? post->name : end.at.post, jack ? jack->name : end.at.jack);
    if (end.written.empty())
        return end.output ? say("{} to nobody knows where", name) : say("{} from nobody knows where", name);
    return end.output ? say("{} to \"{}\", wherever that is", name, end.written)
                      : say("{} from \"{}\", wherever that is", name, end.written);
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
