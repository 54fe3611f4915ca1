// No sound: everything is tied, but nothing arrives. Walks back from the way out and names the first dead link.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr double kDead = 0.002; ///< volts peak to peak below which nothing is said to arrive

double swing(std::span<const float> volts) {
    return measureLevel(volts).swing().value;
}

/// Walks against the signal; stops at the first post that is fed what it needs and gives nothing all the same, or that
/// is not fed what it needs.
class Detective {
  public:
    explicit Detective(const Observation& o) : o_(o) {}

    std::optional<Finding> search(const std::string& wayOut) { return visit(wayOut); }

  private:
    std::optional<Finding> visit(const std::string& post) {
        if (std::ranges::find(seen_, post) != seen_.end()) return std::nullopt;
        seen_.push_back(post);
        if (auto found = ownFault(post)) return found;
        for (const JackInfo& jack : o_.part(post)->jacks) {
            if (jack.output || !isNeeded(post, jack)) continue;
            const JackRef from = o_.feeder({post, jack.id});
            if (!from.post.empty() && swing(o_.at(from)) < kDead)
                if (auto found = visit(from.post)) return found;
        }
        return std::nullopt;
    }

    /// Sound, and what opens, plays or drives a post; not what only colours it.
    bool isNeeded(const std::string& post, const JackInfo& jack) const {
        if (jack.kind == SignalKind::Audio || jack.kind == SignalKind::Gate || jack.kind == SignalKind::Clock)
            return true;
        return o_.is(post, "vca") || o_.is(post, "low-pass-gate") || o_.is(post, "vca-bank");
    }

    bool alive(const std::string& post, std::string_view type, std::string_view jack) const {
        return swing(o_.arriving(post, type, jack)) >= kDead;
    }
    bool plugged(const std::string& post, std::string_view type, std::string_view jack) const {
        return !o_.feed(post, type, jack).post.empty();
    }

    Finding link(const std::string& post, Sentence figure, Sentence reason, std::vector<Fix> fixes) const {
        return {"no-sound", Severity::Mistake, 0, post, std::move(figure), std::move(reason), std::move(fixes)};
    }

    std::optional<Finding> ownFault(const std::string& post) const {
        const std::string name = o_.nameOf(post);
        if (o_.is(post, "line-out") && o_.knob(post, "line-out", "level", 0.0) <= -59.5)
            return link(post, say("level at -60 dB"), say("{} is turned down: nothing leaves the case.", name),
                        turnFix(o_, post, "line-out", "level", -6.0));
        if (o_.is(post, "mixer") && o_.knob(post, "mixer", "main", 100.0) < 0.1)
            return link(post, say("main level at 0 %"), say("{} adds up its inputs and lets nothing out.", name),
                        turnFix(o_, post, "mixer", "main", 100.0));
        if (o_.is(post, "track-sequencer")) return sequencerFault(post);
        if (o_.is(post, "contour") && !plugged(post, "contour", "gate") && !plugged(post, "contour", "retrigger") &&
            o_.knob(post, "contour", "loop") < 0.5)
            return link(post, say("0.0 V come out"), say("Nothing is in the gate of {}, so it never starts.", name),
                        gateFor(o_.jackFor(post, "contour", "gate")));
        if (o_.is(post, "vca") && alive(post, "vca", "in") && !plugged(post, "vca", "lin-cv") &&
            !plugged(post, "vca", "exp-cv") && o_.knob(post, "vca", "offset") < 1.0)
            return link(post, say("{:.1f} V go in, 0.0 V come out", swing(o_.arriving(post, "vca", "in"))),
                        say("{} is closed: its offset is at nothing and no cable opens it.", name),
                        turnFix(o_, post, "vca", "offset", 80.0));
        return std::nullopt;
    }

    std::optional<Finding> sequencerFault(const std::string& post) const {
        const std::string name = o_.nameOf(post);
        if (!plugged(post, "track-sequencer", "clock")) {
            std::vector<Fix> fixes;
            const std::string clock = o_.first("clock");
            const JackRef sixteenths = clock.empty() ? JackRef{} : o_.jackFor(clock, "clock", "sixteenths");
            const JackRef to = o_.jackFor(post, "track-sequencer", "clock");
            if (!sixteenths.post.empty() && !to.post.empty()) fixes.push_back(tieFix(o_, sixteenths, to));
            return link(post, say("0 clock pulses arrive"),
                        say("{} stands still: nothing is in its clock, so it plays no step.", name), std::move(fixes));
        }
        const Pattern* pattern = o_.patch.pattern(post);
        if (!pattern || (pattern->tracks.empty() && pattern->lanes.empty()))
            return link(post, say("0 notes written"), say("{} is clocked, but its pattern is empty.", name), {});
        return std::nullopt;
    }

    /// The first gate that a sequencer or clock gives.
    std::vector<Fix> gateFor(const JackRef& input) const {
        for (const char* type : {"track-sequencer", "clock"})
            for (const Post& source : o_.patch.posts) {
                if (!o_.is(source.id, type)) continue;
                for (const JackInfo& jack : o_.part(source.id)->jacks)
                    if (jack.output && (jack.kind == SignalKind::Gate || jack.kind == SignalKind::Clock))
                        return {tieFix(o_, {source.id, jack.id}, input)};
            }
        return {};
    }

    const Observation& o_;
    std::vector<std::string> seen_;
};

} // namespace

Findings findNoSound(const Observation& o) {
    Findings out;
    if (swing(o.recorded.left) >= kDead || swing(o.recorded.right) >= kDead) return out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out") || o.upstream(post.id).size() < 2) continue;
        if (auto found = Detective(o).search(post.id)) out.push_back(std::move(*found));
    }
    return out;
}

} // namespace lariat
