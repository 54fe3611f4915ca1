// No path to the output: nothing that sounds reaches a way out, or part of a voice leads nowhere.
#include "building/capacity.h"
#include "findings/rules.h"
#include "library/tie.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

bool sounds(const Observation& o, const std::string& post) {
    return o.is(post, "vco") || o.is(post, "noise") || o.is(post, "svf");
}

/// A saw, which has every harmonic, or else the first audio output of a post.
JackRef soundOf(const Observation& o, const std::string& post) {
    for (const JackInfo& jack : o.part(post)->jacks)
        if (jack.output && jack.kind == SignalKind::Audio && jack.id == "saw") return {post, jack.id};
    for (const JackInfo& jack : o.part(post)->jacks)
        if (jack.output && jack.kind == SignalKind::Audio) return {post, jack.id};
    return {};
}

/// Ties it to an input at which it can join the way out; if the patch has none, to one that is taken from the case.
std::vector<Fix> wayOut(const Observation& o, const std::string& post) {
    const JackRef from = soundOf(o, post);
    if (from.post.empty()) return {};
    const std::string name = tieName(from, o.patch, *o.library);
    const Cable cable{0, from, {}, o.patch.post(post)->voice, "make it sound", "", 0, "", {}};
    const auto to = [&](const JackRef& input) {
        Cable tied = cable;
        tied.to = input;
        return TieCable{tied, 0};
    };
    for (const char* type : {"mixer", "line-out"})
        for (const Post& target : o.patch.posts) {
            if (target.id == post || !o.is(target.id, type)) continue;
            for (const JackInfo& jack : o.part(target.id)->jacks)
                if (!jack.output && !o.patch.cableInto({target.id, jack.id}))
                    return {{say("Tie {} to {} {}", name, target.name, jack.name), {to({target.id, jack.id})}}};
        }
    for (const FreePart& free : freeParts(o.patch, *o.library, o.housing, "line-out")) {
        const Post out = postFor(o.patch, free);
        for (const JackInfo& jack : free.part->jacks)
            if (!jack.output)
                return {{say("Take {} from the case and tie {} to {}", out.name, name, jack.name),
                         {AddPost{out}, to({out.id, jack.id})}}};
    }
    return {};
}

} // namespace

Findings findNoPath(const Observation& o) {
    Findings out;
    std::vector<std::string> heard;
    for (const Post& post : o.patch.posts)
        if (o.is(post.id, "line-out"))
            for (const std::string& id : o.upstream(post.id)) heard.push_back(id);
    // Until something is tied to a way out, the patch is being built: what leads nowhere is not finished, and not
    // wrong.
    const bool begun =
        std::ranges::any_of(o.patch.cables, [&](const Cable& cable) { return o.is(cable.to.post, "line-out"); });
    const Severity severity = begun ? Severity::Mistake : Severity::Next;
    const auto isHeard = [&](const std::string& id) { return std::ranges::find(heard, id) != heard.end(); };
    for (const Post& post : o.patch.posts) {
        if (isHeard(post.id) || o.is(post.id, "line-out")) continue;
        // Only the last post of a dead end is reported.
        const bool carriesAudio = sounds(o, post.id) || o.is(post.id, "vca") || o.is(post.id, "mixer");
        const bool fed = sounds(o, post.id) ||
                         std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.to.post == post.id; });
        const bool leadsOn =
            std::ranges::any_of(o.patch.cables, [&](const Cable& c) { return c.from.post == post.id; });
        if (!carriesAudio || !fed || leadsOn) continue;
        Finding finding{"no-path", severity, 0, post.id, say("0.0 V reach the output"), {}, wayOut(o, post.id)};
        finding.reason =
            begun ? say("{} leads nowhere: no cable brings it to a way out, so its voice is silent.", post.name)
                  : say("{} is not tied to a way out yet.", post.name);
        out.push_back(std::move(finding));
    }
    const bool hasWayOut =
        std::ranges::any_of(o.patch.posts, [&](const Post& post) { return o.is(post.id, "line-out"); });
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
