#include "findings/finding.h"

#include "findings/rules.h"

#include <algorithm>
#include <array>

#include <fmt/format.h>

namespace lariat {

const char* severityName(Severity severity) {
    switch (severity) {
    case Severity::Mistake:
        return "mistake";
    case Severity::Caution:
        return "caution";
    case Severity::Next:
        return "next";
    case Severity::Note:
        break;
    }
    return "note";
}

const ContourResponse* Observation::response(const std::string& post) const {
    for (const Responses& one : responses)
        for (const ContourResponse& contour : one.contours)
            if (contour.post == post) return &contour;
    return nullptr;
}

std::span<const float> Observation::at(const JackRef& output) const {
    const auto it = recorded.probes.find(output);
    return it == recorded.probes.end() ? std::span<const float>{} : std::span<const float>(it->second);
}

const PartInfo* Observation::part(const std::string& id) const {
    const Post* post = patch.post(id);
    return post ? library->part(*post) : nullptr;
}

bool Observation::is(const std::string& post, std::string_view blockType) const {
    const PartInfo* info = part(post);
    return info && info->has(blockType);
}

JackRef Observation::jackFor(const std::string& post, std::string_view blockType, std::string_view wanted) const {
    const PartInfo* info = part(post);
    const JackInfo* found = info ? info->jackFor(blockType, wanted) : nullptr;
    return found ? JackRef{post, found->id} : JackRef{};
}

JackRef Observation::feed(const std::string& post, std::string_view blockType, std::string_view input) const {
    const JackRef ref = jackFor(post, blockType, input);
    return ref.post.empty() ? JackRef{} : feeder(ref);
}

std::span<const float> Observation::arriving(const std::string& post, std::string_view blockType,
                                             std::string_view input) const {
    const JackRef from = feed(post, blockType, input);
    return from.post.empty() ? std::span<const float>{} : at(from);
}

double Observation::knob(const std::string& id, std::string_view blockType, std::string_view control,
                         double fallback) const {
    const PartInfo* info = part(id);
    const KnobInfo* found = info ? info->knobFor(blockType, control) : nullptr;
    return found ? knobValue(*patch.post(id), *found) : fallback;
}

int Observation::cableFrom(const JackRef& output) const {
    const auto it = std::ranges::find(patch.cables, output, &Cable::from);
    return it == patch.cables.end() ? 0 : it->id;
}

std::optional<SetKnob> Observation::turn(const std::string& post, std::string_view blockType, std::string_view control,
                                         double value) const {
    const PartInfo* info = part(post);
    const KnobInfo* found = info ? info->knobFor(blockType, control) : nullptr;
    if (!found) return std::nullopt;
    return SetKnob{post, found->id, std::clamp(value, found->scale.min, found->scale.max)};
}

std::vector<std::string> Observation::upstream(const std::string& post) const {
    std::vector<std::string> found = {post};
    for (std::size_t i = 0; i < found.size(); ++i) {
        const std::string here = found[i];
        const PartInfo* info = part(here);
        if (!info) continue;
        for (const JackInfo& jack : info->jacks) {
            if (jack.output) continue;
            const JackRef from = feeder({here, jack.id});
            if (!from.post.empty() && std::ranges::find(found, from.post) == found.end()) found.push_back(from.post);
        }
    }
    return found;
}

std::string Observation::first(std::string_view blockType) const {
    for (const Post& post : patch.posts)
        if (is(post.id, blockType)) return post.id;
    return {};
}

std::string Observation::nameOf(const std::string& id) const {
    const Post* post = patch.post(id);
    return post ? post->name : id;
}

std::string Observation::cableName(int id) const {
    return fmt::format("cable {}", patch.row(id));
}

Result<Observation> observe(const Patch& patch, const Library& library, const Case* housing, double seconds,
                            const std::function<bool(double)>& progress) {
    RenderOptions options;
    options.seconds = seconds;
    options.fileRate = 0.0; // no mix is needed
    options.progress = progress;
    const auto probe = [&](const JackRef& output) {
        if (std::ranges::find(options.probes, output) == options.probes.end()) options.probes.push_back(output);
    };
    for (const Cable& cable : patch.cables) probe(cable.from);
    for (const NormalInEffect& normal : buildGraph(patch, library).normals) probe(normal.from);
    auto recorded = render(patch, library, options);
    if (!recorded) return tl::unexpected(recorded.error());
    Observation out{patch, &library, housing, std::move(*recorded), {}};
    ResponseOptions only;
    only.sounds = false;
    only.progress = progress ? [&](double) { return progress(1.0); } : only.progress;
    for (const Sequencer& sequencer : sequencersOf(patch, library))
        if (auto made = responsesOf(patch, library, sequencer.post, only)) out.responses.push_back(std::move(*made));
    return out;
}

namespace {

std::vector<Finding> everyFinding(const Observation& observation) {
    constexpr std::array rules = {
        findNoPath,        findNoSound,       findDrone,           findClosed,          findZeroAttenuator,
        findTuningUnheard, findSplitSags,     findPitchOnFollower, findPitchAttenuated, findFilterUntracked,
        findGateClicks,    findTriggerAsGate, findStruckTwice,     findPulseMissed,     findSustainNotReached,
        findTailRunsOn,    findDrumNotReset,  findFreeRunning,     findWrongPolarity,   findWidthSilent,
        findPinned,        findFmPullsPitch,  findTurnedToNoise,   findSumClips,        findOneSidedSum,
        findHotLine,       findNoiseRaised,   findDcOut,           findSuddenLoudness,  findLoopGain,
        findNormalBroken,  findCascadeLoses,  findCables,          findNotInCase,       findOverload,
        findClocksDrift,   findLateLoop};
    std::vector<Finding> all;
    for (const auto rule : rules)
        for (Finding& finding : rule(observation)) all.push_back(std::move(finding));
    return all;
}

const Dismissal* dismissalOf(const Patch& patch, const Finding& finding) {
    const auto it = std::ranges::find_if(patch.dismissals, [&](const Dismissal& d) {
        return d.rule == finding.rule && d.cable == finding.cable && (d.cable > 0 || d.post == finding.post);
    });
    return it == patch.dismissals.end() ? nullptr : &*it;
}

} // namespace

Found findEverything(const Observation& observation) {
    Found found;
    for (Finding& finding : everyFinding(observation)) {
        if (const Dismissal* dismissal = dismissalOf(observation.patch, finding))
            found.dismissed.push_back({std::move(finding), dismissal->reason});
        else
            found.open.push_back(std::move(finding));
    }
    return found;
}

std::vector<Finding> findAll(const Observation& observation) {
    return findEverything(observation).open;
}

} // namespace lariat
