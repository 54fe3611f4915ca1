// No path to the output: nothing that sounds reaches a way out, or part of a voice leads nowhere.
#include "building/capacity.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "library/tie.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

/// It gives sound of its own: an output of sound to which nothing passes.
bool sounds(const Observation& o, const std::string& post) {
    return std::ranges::any_of(o.part(post)->blocks, [](const PartBlock& block) {
        const std::vector<Flow> flows = flowsOf(*block.type);
        return std::ranges::any_of(block.type->outputs,
                                   [](const JackSpec& jack) { return jack.kind == SignalKind::Audio; }) &&
               std::ranges::none_of(flows, [](const Flow& flow) { return flow.does == Does::Passes; });
    });
}
/// It passes sound on.
bool passesSound(const Observation& o, const std::string& post) {
    return std::ranges::any_of(o.part(post)->jacks,
                               [](const JackInfo& jack) { return jack.output && jack.kind == SignalKind::Audio; });
}
/// Several sounds come together in it.
bool sumsSound(const Observation& o, const std::string& post) {
    return std::ranges::count_if(o.part(post)->jacks, [](const JackInfo& jack) {
               return !jack.output && jack.kind == SignalKind::Audio;
           }) > 2;
}
constexpr std::size_t kMostWays = 6; ///< that are worth a trial

bool leadsOut(const Observation& o, const std::string& post) {
    return std::ranges::any_of(o.part(post)->blocks, [](const PartBlock& block) { return block.type->leadsOut; });
}

/// It opens what passes sound on: an amplifier, a low-pass gate, a channel.
bool opens(const Observation& o, const Cable& cable) {
    const JackInfo* jack = o.jack(cable.to);
    if (!jack) return false;
    const BlockType& type = *o.part(cable.to.post)->blocks[idx(jack->at.block)].type;
    return std::ranges::any_of(flowsOf(type), [&](const Flow& flow) {
        return flow.does == Does::Opens &&
               std::ranges::find(flow.inputs, type.inputs[idx(jack->at.index)].id) != flow.inputs.end();
    });
}

/// Outputs of sound, a saw first, which has every harmonic.
std::vector<JackRef> soundsOf(const Observation& o, const std::string& post) {
    std::vector<JackRef> sounds;
    for (const bool saw : {true, false})
        for (const JackInfo& jack : o.part(post)->jacks)
            if (jack.output && jack.kind == SignalKind::Audio && (jack.id == "saw") == saw)
                sounds.push_back({post, jack.id});
    return sounds;
}

/// Inputs of sound at which something is missing: what is heard goes through them, and nothing is plugged in.
std::vector<JackRef> starving(const Observation& o) {
    std::vector<JackRef> jacks;
    const FlowMap& map = *o.flow;
    for (int n = 0; n < map.nodeCount(); ++n) {
        const bool fed = std::ranges::any_of(
            map.ways(n), [&](const Way& way) { return way.does == Does::Passes && map.feeding(way).node >= 0; });
        if (fed) continue;
        for (const Way& way : map.ways(n))
            if (way.does == Does::Passes) {
                const JackRef jack = map.inputJack(n, way.input);
                if (!jack.post.empty() && o.jack(jack)->kind == SignalKind::Audio && !o.patch.cableInto(jack) &&
                    std::ranges::find(jacks, jack) == jacks.end())
                    jacks.push_back(jack);
            }
    }
    return jacks;
}

/// Ties it to where sound is missing, or to an input at which it can join the way out; if the patch has none, to one
/// that is taken from the case.
std::vector<Fix> wayOut(const Observation& o, const std::string& post) {
    const std::vector<JackRef> sounds = soundsOf(o, post);
    if (sounds.empty()) return {};
    std::vector<JackRef> targets = starving(o);
    for (const bool out : {true, false})
        for (const Post& target : o.patch.posts) {
            if (target.id == post || leadsOut(o, target.id) != out) continue;
            if (!out && !sumsSound(o, target.id)) continue;
            for (const JackInfo& jack : o.part(target.id)->jacks)
                if (!jack.output && jack.kind == SignalKind::Audio && !o.patch.cableInto({target.id, jack.id}))
                    targets.push_back({target.id, jack.id});
        }
    std::vector<Fix> fixes;
    for (const JackRef& to : targets)
        for (const JackRef& from : sounds)
            if (to.post != post && fixes.size() < kMostWays) fixes.push_back(tieFix(o, from, to));
    if (!fixes.empty()) return fixes;
    for (const FreePart& free : freeParts(o.patch, *o.library, o.housing, "line-out")) {
        const Post out = postFor(o.patch, free);
        for (const JackInfo& jack : free.part->jacks)
            if (!jack.output)
                return {{say("Take {} from the case and tie {} to {}", out.name,
                             tieName(sounds.front(), o.patch, *o.library), jack.name),
                         {AddPost{out}, TieCable{{0,
                                                  sounds.front(),
                                                  {out.id, jack.id},
                                                  o.patch.post(post)->voice,
                                                  "make it sound",
                                                  "",
                                                  0,
                                                  "",
                                                  {}},
                                                 0}}}};
    }
    return {};
}

} // namespace

Findings findNoPath(const Observation& o) {
    Findings out;
    std::vector<std::string> heard;
    for (const Post& post : o.patch.posts)
        if (leadsOut(o, post.id))
            for (const std::string& id : o.upstream(post.id)) heard.push_back(id);
    // Until something is tied to a way out, the patch is being built: what leads nowhere is not finished, and not
    // wrong; unless notes open it already, which is what one does last.
    const bool begun = std::ranges::any_of(
        o.patch.cables, [&](const Cable& cable) { return leadsOut(o, cable.to.post) || opens(o, cable); });
    const auto isHeard = [&](const std::string& id) { return std::ranges::find(heard, id) != heard.end(); };
    for (const Post& post : o.patch.posts) {
        if (isHeard(post.id) || leadsOut(o, post.id)) continue;
        // Only the last post of a dead end is reported.
        const bool carriesAudio = sounds(o, post.id) || passesSound(o, post.id);
        const bool tied = std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.to.post == post.id; });
        const bool fed = tied || sounds(o, post.id);
        const bool leadsOn =
            std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.from.post == post.id; });
        if (!carriesAudio || !fed || leadsOn) continue;
        // Nor is what has only been taken from the case.
        Finding finding{"no-path",
                        begun && tied ? Severity::Mistake : Severity::Next,
                        0,
                        post.id,
                        say("0.0 V reach the output"),
                        {},
                        wayOut(o, post.id)};
        finding.reason =
            begun && tied ? say("{} leads nowhere: no cable brings it to a way out, so its voice is silent.", post.name)
                          : say("{} is not tied to a way out yet.", post.name);
        out.push_back(std::move(finding));
    }
    const bool hasWayOut = std::ranges::any_of(o.patch.posts, [&](const Post& post) { return leadsOut(o, post.id); });
    if (!hasWayOut && !o.patch.cables.empty() && out.empty())
        out.push_back({"no-path",
                       Severity::Next,
                       0,
                       o.patch.posts.front().id,
                       say("0.0 V reach the output"),
                       say("The patch has no way out. Add a line out from the case and tie the last sound to it."),
                       {}});
    return out;
}

} // namespace lariat
