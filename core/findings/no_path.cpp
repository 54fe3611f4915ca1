// No path to the output: nothing that sounds reaches a way out, or part of a voice leads nowhere.
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

bool sounds(const Observation& o, const std::string& post) {
    return o.is(post, "vco") || o.is(post, "noise") || o.is(post, "svf");
}

/// The first audio output of a post, and an input at which it can join the way out.
std::vector<Fix> wayOut(const Observation& o, const std::string& post) {
    JackRef from;
    for (const JackInfo& jack : o.part(post)->jacks)
        if (jack.output && jack.kind == SignalKind::Audio && from.post.empty()) from = {post, jack.id};
    if (from.post.empty()) return {};
    for (const char* type : {"mixer", "line-out"})
        for (const Post& target : o.patch.posts) {
            if (target.id == post || !o.is(target.id, type)) continue;
            for (const JackInfo& jack : o.part(target.id)->jacks) {
                const JackRef to{target.id, jack.id};
                if (jack.output || o.patch.cableInto(to)) continue;
                const Post& source = *o.patch.post(post);
                Cable cable{0, from, to, source.voice, "make it sound", "", 0, "", {}};
                return {{say("Tie {} to {} {}", source.name, target.name, jack.name), {TieCable{cable, 0}}}};
            }
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
        Finding finding{"no-path", Severity::Mistake, 0, post.id, say("0.0 V reach the output"),
                        {},        wayOut(o, post.id)};
        finding.reason = say("{} leads nowhere: no cable brings it to a way out, so its voice is silent.", post.name);
        out.push_back(std::move(finding));
    }
    if (heard.empty() && !o.patch.cables.empty() && out.empty())
        out.push_back({"no-path",
                       Severity::Mistake,
                       0,
                       o.patch.posts.front().id,
                       say("0.0 V reach the output"),
                       say("The patch has no way out. Add a line out from the case and tie the last sound to it."),
                       {}});
    return out;
}

} // namespace lariat
