// The noise floor is raised: drive and make-up gain lift what is there between the notes.
//
// Between the notes nothing is compressed or bent, so the floor rises by the gain of the stages in a row: of all levels
// in decibels on the way, as each block states them.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>
#include <map>
#include <set>

namespace lariat {
namespace {

constexpr double kTooMuch = 12.0; ///< dB; more than that is said

/// The most gain on any way from an output back to its sources, and the last block that gives it. Each output is looked
/// at once; a way that comes back to one it passed adds nothing there.
class Stages {
  public:
    struct Most {
        double gain = 0.0; ///< dB
        int last = -1;     ///< node
        int control = -1;  ///< of it, that gives most
    };
    explicit Stages(const Walk& walk) : walk_(walk) {}

    const Most& most(const Source& from) {
        const std::pair key(from.node, from.output);
        if (const auto known = known_.find(key); known != known_.end()) return known->second;
        known_[key]; // stands for nothing while it is being looked at
        Most best;
        for (const Way* way : walk_.fed(from, Does::Passes)) {
            Most one = most(walk_.map.feeding(*way));
            double own = 0.0;
            int control = -1;
            for (const int level : way->levels) {
                if (walk_.map.node(way->node).type->controls[idx(level)].scale.unit != Unit::Decibels) continue;
                const double there = walk_.map.control(way->node, level);
                own += there;
                if (there > 0.0 && (control < 0 || there > walk_.map.control(way->node, control))) control = level;
            }
            one.gain += own;
            if (own > 0.0) {
                one.last = way->node;
                one.control = control;
            }
            if (one.gain > best.gain) best = one;
        }
        return known_[key] = best;
    }

  private:
    const Walk& walk_;
    std::map<std::pair<int, int>, Most> known_;
};

} // namespace

Findings findNoiseRaised(const Observation& o) {
    Findings out;
    const Walk walk(o);
    Stages stages(walk);
    std::set<std::string> said; // a stereo way out has two sides
    for (const Way* way : walk.waysOut()) {
        const Source from = walk.map.feeding(*way);
        if (from.node < 0) continue;
        const Stages::Most& most = stages.most(from);
        if (most.gain < kTooMuch + 0.1 || most.last < 0) continue;
        const std::string post = walk.postOf(most.last);
        if (!said.insert(walk.postOf(way->node)).second) continue;
        Finding finding{
            "noise-raised", Severity::Caution, 0, post, say("the noise floor rises by {:.0f} dB", most.gain), {}, {}};
        finding.reason =
            say("The gain of {} lifts what is there between the notes. Some like that; if not, make up less.",
                o.nameOf(post));
        const double there = walk.map.control(most.last, most.control);
        finding.fixes = walk.turn(most.last, most.control, std::max(0.0, there - (most.gain - kTooMuch) - 1.0));
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
