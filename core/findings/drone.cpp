// Drone: an oscillator or noise reaches the way out and nothing ever tells it to stop.
#include "building/capacity.h"
#include "building/insert.h"
#include "findings/rules.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kWindowSeconds = 0.05;

/// How far the level falls below its loudest, in dB, over windows of 50 ms.
double deepestPause(std::span<const float> volts, double rate) {
    const auto window = static_cast<std::size_t>(kWindowSeconds * rate);
    double loudest = 0.0;
    double softest = 1e9;
    for (std::size_t i = 0; i + window <= volts.size(); i += window) {
        const LevelReading level = measureLevel(volts.subspan(i, window));
        const double moving =
            std::sqrt(std::max(0.0, level.rms.value * level.rms.value - level.mean.value * level.mean.value));
        loudest = std::max(loudest, moving);
        softest = std::min(softest, moving);
    }
    return loudest > 0.01 ? toDecibels(softest / loudest).value : kSilenceDecibels;
}

bool isControlled(const Observation& o, const std::string& vca) {
    for (const char* cv : {"lin-cv", "exp-cv"}) {
        const JackRef jack = o.jackFor(vca, "vca", cv);
        if (!jack.post.empty() && !o.feeder(jack).post.empty()) return true;
    }
    return false;
}

/// Cables on a way from a source to the line out that does not pass a VCA under control.
struct Leak {
    int cable = 0;   ///< the last cable of the way, into the mixer or line out
    std::string vca; ///< an open VCA on the way, if there is one
};

void follow(const Observation& o, const std::string& post, int lastCable, const std::string& openVca,
            std::vector<std::string>& seen, std::vector<Leak>& leaks) {
    if (std::ranges::find(seen, post) != seen.end()) return;
    seen.push_back(post);
    if (o.is(post, "vco") || o.is(post, "noise")) {
        leaks.push_back({lastCable, openVca});
        return;
    }
    if (o.is(post, "low-pass-gate") && !o.feeder(o.jackFor(post, "low-pass-gate", "cv")).post.empty()) return;
    std::string open = openVca;
    if (o.is(post, "vca")) {
        const KnobInfo* offset = o.part(post)->knobFor("vca", "offset");
        const bool stands = offset && knobValue(*o.patch.post(post), *offset) > 0.5;
        if (isControlled(o, post) && !stands) return;
        open = post;
    }
    for (const JackInfo& jack : o.part(post)->jacks) {
        if (jack.output || jack.kind != SignalKind::Audio) continue;
        const Cable* cable = o.patch.cableInto({post, jack.id});
        if (!cable) continue;
        // The cable nearest the way out is where a VCA belongs: behind the filter, before the mixer.
        const bool sums = o.is(post, "mixer") || o.is(post, "line-out");
        follow(o, cable->from.post, sums ? cable->id : lastCable, open, seen, leaks);
    }
}

std::vector<Fix> fixesFor(const Observation& o, const Leak& leak) {
    std::vector<Fix> fixes;
    const std::string contour = o.first("contour");
    const JackRef envelope = contour.empty() ? JackRef{} : o.jackFor(contour, "contour", "out");
    if (!leak.vca.empty()) {
        std::vector<Edit> edits;
        if (const KnobInfo* offset = o.part(leak.vca)->knobFor("vca", "offset"))
            if (knobValue(*o.patch.post(leak.vca), *offset) > 0.0) edits.push_back(SetKnob{leak.vca, offset->id, 0.0});
        Sentence label = say("Close {}", o.nameOf(leak.vca));
        if (!isControlled(o, leak.vca)) {
            if (envelope.post.empty()) return fixes;
            const Post& post = *o.patch.post(leak.vca);
            edits.push_back(TieCable{
                {0, envelope, o.jackFor(leak.vca, "vca", "lin-cv"), post.voice, "make it play", "", 0, "", {}}, 0});
            label = say("Let {} open {}", o.nameOf(contour), o.nameOf(leak.vca));
        }
        fixes.push_back({label, std::move(edits)});
        return fixes;
    }
    // Take a VCA that the case still has.
    const Cable* cable = o.patch.cable(leak.cable);
    if (!cable || envelope.post.empty()) return fixes;
    for (const FreePart& free : freeParts(o.patch, *o.library, o.housing, "vca")) {
        const Post vca = postFor(o.patch, free, cable->voice);
        const JackInfo* cv = free.part->jackFor("vca", "lin-cv");
        auto edits = insertInto(o.patch, *o.library, cable->id, vca);
        if (!cv || !edits) continue;
        edits->emplace_back(TieCable{{0, envelope, {vca.id, cv->id}, cable->voice, cable->step, "", 0, "", {}}, 0});
        fixes.push_back(
            {say("Put the free {} in and let {} open it", free.part->name, o.nameOf(contour)), std::move(*edits)});
        break;
    }
    return fixes;
}

} // namespace

Findings findDrone(const Observation& o) {
    Findings out;
    const double pause = deepestPause(o.recorded.left, o.rate());
    if (pause < -30.0) return out;
    for (const Post& post : o.patch.posts) {
        if (!o.is(post.id, "line-out")) continue;
        std::vector<std::string> seen;
        std::vector<Leak> leaks;
        follow(o, post.id, 0, "", seen, leaks);
        for (const Leak& leak : leaks) {
            const Cable* cable = o.patch.cable(leak.cable);
            Finding finding{"drone",
                            Severity::Mistake,
                            leak.cable,
                            cable ? cable->from.post : post.id,
                            say("the level never falls more than {:.1f} dB", -pause),
                            {},
                            fixesFor(o, leak)};
            finding.reason =
                leak.vca.empty()
                    ? say("It drones: no VCA stands between the sound and the way out, so nothing tells it to stop.")
                    : say("It drones: {} stays open, so nothing tells the sound to stop.", o.nameOf(leak.vca));
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
