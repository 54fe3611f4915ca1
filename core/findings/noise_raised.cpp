// The noise floor is raised: drive and make-up gain lift what is there between the notes.
//
// Between the notes nothing is compressed, so the floor rises by the gain of the stages in a row: drive + level, and
// make-up.
#include "findings/fixes.h"
#include "findings/rules.h"

#include <algorithm>
#include <map>

namespace lariat {
namespace {

constexpr double kTooMuch = 12.0; ///< dB

double gainOf(const Observation& o, const std::string& post) {
    double gain = 0.0;
    if (o.is(post, "drive")) gain += o.knob(post, "drive", "gain") + o.knob(post, "drive", "level");
    if (o.is(post, "compressor")) gain += o.knob(post, "compressor", "make-up");
    return gain;
}

/// The most gain on any way from a post back to its sources, and the posts that give it. Each post is looked at once; a
/// way that comes back to a post it passed adds nothing there.
class Ways {
  public:
    struct Way {
        double gain = 0.0;
        std::vector<std::string> by;
    };
    explicit Ways(const Observation& o) : o_(o) {}

    const Way& most(const std::string& post) {
        if (const auto known = known_.find(post); known != known_.end()) return known->second;
        known_[post]; // stands for nothing while it is being looked at
        Way best;
        for (const JackInfo& jack : o_.part(post)->jacks) {
            if (jack.output || jack.kind != SignalKind::Audio || jack.id == "side-chain") continue;
            const JackRef from = o_.feeder({post, jack.id});
            if (from.post.empty()) continue;
            if (const Way& way = most(from.post); way.gain > best.gain) best = way;
        }
        const double own = gainOf(o_, post);
        best.gain += own;
        if (own > 0.0) best.by.push_back(post);
        return known_[post] = std::move(best);
    }

  private:
    const Observation& o_;
    std::map<std::string, Way> known_;
};

} // namespace

Findings findNoiseRaised(const Observation& o) {
    Findings out;
    Ways ways(o);
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        const auto& [gain, by] = ways.most(post.id);
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
