// Drum not reset: every hit catches the oscillator at another phase, so hits differ.
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kLongestHit = 0.015;
constexpr double kCompared = 0.08; ///< seconds of each hit

/// RMS difference of hits from the first of them, as a part of its RMS; the largest of all.
double hitDifference(std::span<const float> sound, const std::vector<double>& hits, double rate) {
    const auto length = static_cast<std::size_t>(kCompared * rate);
    double worst = 0.0;
    std::size_t first = 0;
    bool haveFirst = false;
    for (const double time : hits) {
        const auto start = static_cast<std::size_t>(std::llround(time * rate));
        if (start + length > sound.size()) break;
        if (!haveFirst) {
            first = start;
            haveFirst = true;
            continue;
        }
        double difference = 0.0;
        double power = 0.0;
        for (std::size_t i = 0; i < length; ++i) {
            const auto a = static_cast<double>(sound[first + i]);
            const auto b = static_cast<double>(sound[start + i]);
            difference += (a - b) * (a - b);
            power += a * a;
        }
        if (power > 0.0) worst = std::max(worst, std::sqrt(difference / power));
    }
    return worst;
}

} // namespace

Findings findDrumNotReset(const Observation& o) {
    Findings out;
    for (const Post& vca : o.patch.posts) {
        if (!o.is(vca.id, "vca")) continue;
        const JackRef sound = o.feeder(o.jackFor(vca.id, "vca", "in"));
        const JackRef heard = o.jackFor(vca.id, "vca", "out");
        if (sound.post.empty() || !o.is(sound.post, "vco") || o.at(heard).empty()) continue;
        const JackRef sync = o.jackFor(sound.post, "vco", "sync");
        if (!o.feeder(sync).post.empty()) continue;
        if (!o.feeder(o.jackFor(sound.post, "vco", "voct")).post.empty()) continue; // it plays a tune: no drum
        if (const KnobInfo* offset = o.part(vca.id)->knobFor("vca", "offset"); offset && knobValue(vca, *offset) > 0.5)
            continue; // it is never silent: no hits
        JackRef contour = o.feeder(o.jackFor(vca.id, "vca", "lin-cv"));
        if (contour.post.empty()) contour = o.feeder(o.jackFor(vca.id, "vca", "exp-cv"));
        if (contour.post.empty() || !o.is(contour.post, "contour")) continue;
        const JackRef trigger = o.feeder(o.jackFor(contour.post, "contour", "gate"));
        const bool pattern = o.is(trigger.post, "track-sequencer") || o.is(trigger.post, "trigger-pattern") ||
                             o.is(trigger.post, "clock") || o.is(trigger.post, "clock-divider");
        if (!pattern || o.at(trigger).empty() || longestHigh(o.at(trigger), o.rate()) > kLongestHit) continue;
        const double difference = hitDifference(o.at(heard), risingEdges(o.at(trigger), o.rate()), o.rate());
        if (difference < 0.01) continue;
        const Cable* into = o.patch.cableInto(o.jackFor(vca.id, "vca", "in"));
        Finding finding{"drum-not-reset",
                        Severity::Caution,
                        into ? into->id : 0,
                        sound.post,
                        say("hits differ by {:.0f} %", 100.0 * difference),
                        {},
                        {}};
        finding.reason =
            say("{} runs on between hits, so each hit starts at another phase. Leave it alive if you like that.",
                o.nameOf(sound.post));
        Cable cable{0,
                    trigger,
                    sync,
                    o.patch.post(sound.post)->voice,
                    into ? into->step : "",
                    "Every hit starts at the same phase",
                    0,
                    {},
                    {}};
        finding.fixes.push_back({say("Tie the trigger to {} sync", o.nameOf(sound.post)), {TieCable{cable, 0}}});
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
