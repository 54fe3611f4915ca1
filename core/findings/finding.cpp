#include "findings/finding.h"

#include "building/nobody_knows.h"
#include "findings/rules.h"
#include "findings/trial.h"
#include "library/tie.h"
#include "library/unknowns.h"

#include <algorithm>
#include <array>
#include <set>

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

std::string linkName(const Link& link, const Patch& patch, const Library& library) {
    if (library.jack(patch, link.jack)) return tieName(link.jack, patch, library);
    const Post* post = patch.post(link.jack.post);
    return post ? post->name : link.jack.post;
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

int Observation::cableFrom(const JackRef& output) const {
    const auto it = std::ranges::find(patch.cables, output, &Cable::from);
    return it == patch.cables.end() ? 0 : it->id;
}

std::vector<std::string> Observation::upstream(const std::string& post) const {
    std::vector<std::string> found = {post};
    for (std::size_t i = 0; i < found.size(); ++i) {
        const std::string here = found[i];
        const PartInfo* info = part(here);
        if (!info) continue;
        for (const JackInfo& jack : info->jacks) {
            if (jack.output) continue;
            const JackRef from = feederOf(patch, *library, {here, jack.id});
            if (!from.post.empty() && std::ranges::find(found, from.post) == found.end()) found.push_back(from.post);
        }
    }
    return found;
}

std::string Observation::nameOf(const std::string& id) const {
    const Post* post = patch.post(id);
    return post ? post->name : id;
}

namespace {

constexpr double kKeptCables = 150.0; ///< of which six seconds are kept, some 2.3 MB each
constexpr double kStep = 0.5;         ///< seconds

/// Seconds after which everything written has been played once, if it is stepped in sixteenths; 0 without patterns.
double longestCycle(const Patch& patch, const Library& library) {
    const double tempo = tempoOf(patch, library);
    long pulses = 0;
    for (const Sequencer& sequencer : sequencersOf(patch, library))
        pulses = std::max(pulses, cycleOf(patch, library, sequencer, variationOf(patch, library, sequencer)));
    return tempo > 0.0 ? static_cast<double>(pulses) * 15.0 / tempo : 0.0;
}

} // namespace

Result<Observation> observe(const Patch& patch, const Library& library, const Case* housing, double seconds,
                            const std::function<bool(double)>& progress) {
    Observation out{patch, &library, housing, {}, {}};
    out.flow = std::make_shared<FlowMap>(patch, library);
    std::vector<JackRef> probes;
    for (const Cable& cable : patch.cables) probes.push_back(cable.from);
    for (const NormalInEffect& normal : out.flow->graph().normals) probes.push_back(normal.from);
    std::ranges::sort(probes);
    probes.erase(std::unique(probes.begin(), probes.end()), probes.end());
    auto renderer = Renderer::make(patch, library, {.probes = probes});
    if (!renderer) return tl::unexpected(renderer.error());
    const Schedule& schedule = renderer->schedule();
    Rendering& recorded = out.recorded;
    recorded.engineRate = renderer->rate();
    recorded.fileRate = 0.0; // no mix is needed
    out.lives = Lives(*out.flow, schedule, renderer->rate());
    // What is kept of a very large patch is shorter, so that it stays within the memory of a small machine.
    const double room = kKeptCables / std::max<double>(kKeptCables, static_cast<double>(patch.cables.size()));
    const double kept = std::min(seconds, kObservedSeconds * room);
    const auto runs = idx(std::ceil(kept * renderer->rate() / kRun));
    std::vector<std::vector<float>*> lines;
    for (const JackRef& probe : probes) {
        lines.push_back(&recorded.probes[probe]);
        lines.back()->reserve(runs * kRun);
    }
    std::size_t run = 0;
    const auto goesOn = [&] {
        return !progress || run % 128 != 0 ||
               progress(std::min(1.0, static_cast<double>(run) / static_cast<double>(runs)));
    };
    const auto add = [](std::vector<float>& to, const auto& volts) { to.insert(to.end(), volts.begin(), volts.end()); };
    const bool whole = renderer->run(kept, [&](const RunView& view) {
        if (!goesOn()) return false;
        ++run;
        add(recorded.left, view.left);
        add(recorded.right, view.right);
        for (std::size_t p = 0; p < lines.size(); ++p) add(*lines[p], view.probes[p]->volts);
        out.lives.add();
        return true;
    });
    if (!whole) return failure(say("rendering was cancelled"));
    out.seconds = kept;
    const double most = seconds != kObservedSeconds ? seconds : std::min(kLongestSeconds, longestCycle(patch, library));
    while (out.seconds < seconds || (out.seconds < most && out.lives.stillWaits())) {
        if (!renderer->run(std::clamp(seconds - out.seconds, kStep, 1.0), [&](const RunView&) {
                ++run;
                out.lives.add();
                return goesOn();
            }))
            return failure(say("rendering was cancelled"));
        out.seconds += std::clamp(seconds - out.seconds, kStep, 1.0);
    }
    out.lives.finish();
    recorded.lateCables = schedule.lateCables();
    recorded.faults = schedule.faults();
    recorded.faultyPost = schedule.faultyPost();
    ResponseOptions only;
    only.sounds = false;
    only.progress = progress ? [&](double) { return progress(1.0); } : only.progress;
    for (const Sequencer& sequencer : sequencersOf(patch, library))
        if (auto made = responsesOf(patch, library, sequencer.post, only)) out.responses.push_back(std::move(*made));
    return out;
}

std::vector<Finding> everythingIn(const Observation& observation) {
    constexpr std::array rules = {findNoPath,          findNoSound,
                                  findDrone,           findZeroAttenuator,
                                  findTuningUnheard,   findSplitSags,
                                  findPitchOnFollower, findWrongPitch,
                                  findWrongJack,       findUnheardModulation,
                                  findFilterUntracked, findGateClicks,
                                  findTriggerAsGate,   findStruckTwice,
                                  findPulseMissed,     findSustainNotReached,
                                  findTailRunsOn,      findMissingReset,
                                  findDrumNotReset,    findFreeRunning,
                                  findWrongPolarity,   findWidthSilent,
                                  findPinned,          findFmPullsPitch,
                                  findTurnedToNoise,   findSumClips,
                                  findOneSidedSum,     findHotLine,
                                  findNoiseRaised,     findDcOut,
                                  findSuddenLoudness,  findLoopGain,
                                  findNormalBroken,    findCascadeLoses,
                                  findCables,          findNotInCase,
                                  findOverload,        findClocksDrift,
                                  findLateLoop};
    std::vector<Finding> all;
    for (const auto rule : rules)
        for (Finding& finding : rule(observation)) all.push_back(std::move(finding));
    return all;
}

namespace {

const Dismissal* dismissalOf(const Patch& patch, const Finding& finding) {
    const auto it = std::ranges::find_if(patch.dismissals, [&](const Dismissal& d) {
        return d.rule == finding.rule && d.cable == finding.cable && (d.cable > 0 || d.post == finding.post);
    });
    return it == patch.dismissals.end() ? nullptr : &*it;
}

} // namespace

/// The posts that a finding sits on; of what is silent, also those that lead there.
std::set<std::string> postsOf(const Finding& finding, const Patch& patch) {
    std::set<std::string> out;
    if (const Cable* cable = patch.cable(finding.cable)) out = {cable->from.post, cable->to.post};
    if (!finding.post.empty()) out.insert(finding.post);
    if (finding.rule != "no-sound" && finding.rule != "no-path") return out;
    for (std::size_t size = 0; size != out.size();) {
        size = out.size();
        for (const Cable& cable : patch.cables)
            if (out.contains(cable.to.post)) out.insert(cable.from.post);
    }
    return out;
}

/// What of it nobody wrote down; empty if all is known.
Sentence unknownOf(const Finding& finding, const Observation& observation) {
    const Patch& patch = observation.patch;
    const std::set<std::string> posts = postsOf(finding, patch);
    for (const OpenEnd& end : patch.openEnds)
        if (posts.contains(end.at.post))
            return say("cannot be told, {}", openEndText(end, patch, *observation.library).str());
    for (const std::string& post : posts)
        if (const Post* one = patch.post(post); one && isUnknownPart(*one))
            return say("cannot be told, nobody knows what {} is", one->name);
    for (const Fix& fix : finding.fixes)
        for (const Edit& edit : fix.edits)
            if (const auto* steps = std::get_if<SetPattern>(&edit))
                if (const Pattern* pattern = patch.pattern(steps->pattern->post); pattern && hasUnknownSteps(*pattern))
                    return say("cannot be told, steps of {} are unknown", observation.nameOf(pattern->post));
    return {};
}

/// What hangs on a knob that nobody wrote down cannot be told: it is so at the guess. The same goes for steps, ends of
/// cables and parts.
void sayWhatIsUnknown(Finding& finding, const Observation& observation) {
    if (!isProblem(finding)) return;
    if (Sentence why = unknownOf(finding, observation); !why.empty()) {
        finding.severity = Severity::Note;
        finding.reason.where.insert(finding.reason.where.begin(), std::move(why));
        return;
    }
    for (const Fix& fix : finding.fixes)
        for (const Edit& edit : fix.edits)
            if (const auto* turn = std::get_if<SetKnob>(&edit)) {
                const Post* post = observation.patch.post(turn->post);
                if (!post || !post->unknown.contains(turn->knob)) continue;
                const KnobInfo* knob = observation.part(post->id)->knob(turn->knob);
                finding.severity = Severity::Note;
                finding.reason.where.insert(finding.reason.where.begin(),
                                            say("cannot be told, {} of {} is unknown", knob->name, post->name));
                return;
            }
}

Result<Found> findEverything(const Observation& observation, const std::function<bool(double)>& progress) {
    Found found;
    for (Finding& finding : everythingIn(observation)) {
        if (const Dismissal* dismissal = dismissalOf(observation.patch, finding))
            found.dismissed.push_back({std::move(finding), dismissal->reason});
        else
            found.open.push_back(std::move(finding));
    }
    const auto untried = tryFixes(found.open, observation, progress);
    if (!untried) return failure(say("looking was cancelled"));
    found.untried = *untried;
    for (Finding& finding : found.open) sayWhatIsUnknown(finding, observation);
    return found;
}

} // namespace lariat
