// The noise floor is raised: drive and make-up gain lift what is there between the notes.
//
// Between the notes nothing is compressed, so the floor rises by the gain of the stages in a row: drive + level, and
// make-up.
#include "findings/fixes.h"
#include "findings/rules.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kTooMuch = 12.0; ///< dB

double gainOf(const Observation& o, const std::string& post) {
    double gain = 0.0;
    if (o.is(post, "drive")) gain += o.knob(post, "drive", "gain") + o.knob(post, "drive", "level");
    if (o.is(post, "compressor")) gain += o.knob(post, "compressor", "make-up");
    return gain;
}

/// The most gain on any way from a post back to its sources; `by` names the posts that give it.
double most(const Observation& o, const std::string& post, std::vector<std::string> seen,
            std::vector<std::string>& by) {
    if (std::ranges::find(seen, post) != seen.end()) return 0.0;
    seen.push_back(post);
    double best = 0.0;
    std::vector<std::string> bestBy;
    for (const JackInfo& jack : o.part(post)->jacks) {
        if (jack.output || jack.kind != SignalKind::Audio || jack.id == "side-chain") continue;
        const JackRef from = o.feeder({post, jack.id});
        if (from.post.empty()) continue;
        std::vector<std::string> here;
        const double gain = most(o, from.post, seen, here);
        if (gain > best) {
            best = gain;
            bestBy = here;
        }
    }
    const double own = gainOf(o, post);
    by = bestBy;
    if (own > 0.0) by.push_back(post);
    return best + own;
}

} // namespace

Findings findNoiseRaised(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        std::vector<std::string> by;
        const double gain = most(o, post.id, {}, by);
        if (gain < kTooMuch || by.empty()) continue;
        const std::string& last = by.back();
        Finding finding{
            "noise-raised", Severity::Caution, 0, last, say("the noise floor rises by {:.0f} dB", gain), {}, {}};
        finding.reason =
            say("The gain of {} lifts what is there between the notes. Some like that; if not, make up less.",
                o.nameOf(last));
        const bool compressor = o.is(last, "compressor");
        const double own = compressor ? o.knob(last, "compressor", "make-up") : o.knob(last, "drive", "gain");
        finding.fixes = turnFix(o, last, compressor ? "compressor" : "drive", compressor ? "make-up" : "gain",
                                std::max(0.0, own - (gain - kTooMuch) - 1.0));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
