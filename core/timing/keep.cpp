#include "timing/keep.h"

#include "engine/render.h"
#include "model/pattern_text.h"
#include "timing/pattern_edits.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {

std::vector<Step> toldSteps(const Told& told) {
    constexpr int kFirst = 3; // numbers before the steps
    constexpr int kPerNumber = 3;
    std::vector<Step> steps;
    const auto room = static_cast<int>(told.size() - kFirst) * kPerNumber;
    for (int i = 0; i < std::min({told[1], room, static_cast<int>(kMaxSteps)}); ++i) {
        const int packed = told[static_cast<std::size_t>(kFirst + i / kPerNumber)] >> 10 * (i % kPerNumber);
        Step step;
        step.kind = static_cast<Step::Kind>(packed >> 7 & 3);
        step.note = packed & 127;
        step.gate = usualGate(step.kind);
        if (step.kind == Step::Kind::Rest) step.note = Step{}.note;
        if (step.kind == Step::Kind::Tie && !steps.empty()) step.note = steps.back().note;
        steps.push_back(step);
    }
    return steps;
}

Result<Pattern> keptPattern(const Patch& patch, const std::string& post, const Told& told) {
    std::vector<Step> steps = toldSteps(told);
    if (steps.empty()) return failure(say("nothing has been recorded into this slot yet"));
    Pattern pattern = patternOf(patch, post);
    Track& track = trackAt(pattern, told[2], 0);
    // A slot begins as it is written; only where other notes came is there something to keep.
    const auto alike = [](const Step& a, const Step& b) {
        return a.kind == b.kind && (a.kind != Step::Kind::Note || a.note == b.note);
    };
    if (std::ranges::equal(steps, track.steps, alike))
        return failure(say("nothing has been recorded into this slot since it was written"));
    track.steps = std::move(steps);
    return pattern;
}

Result<Pattern> recordedPattern(const Patch& patch, const Library& library, const std::string& post, double seconds) {
    const Post* found = patch.post(post);
    if (!found) return failure(say("there is no post \"{}\"", post));
    if (!library.part(*found)->has("quantizer"))
        return failure(say("{} has no sequence that records; a quantizer has one", found->name));
    auto renderer = Renderer::make(patch, library, {});
    if (!renderer) return tl::unexpected(renderer.error());
    const int teller = renderer->schedule().tellerOf(post);
    if (teller < 0) return failure(say("{} is not heard, so it does not run; tie one of its outputs", found->name));
    renderer->run(seconds, [](const RunView&) { return true; });
    Told told{};
    renderer->schedule().tell(teller, told);
    return keptPattern(patch, post, told);
}

} // namespace lariat
