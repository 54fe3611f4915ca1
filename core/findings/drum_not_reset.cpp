// Drum not reset: every hit catches the oscillator at another phase, so hits differ.
#include "findings/rules.h"
#include "findings/walk.h"
#include "library/tie.h"
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

/// An oscillator that plays no tune and runs on between hits, with the way by which it could be reset.
struct Body {
    int node = -1;
    const Way* reset = nullptr;
};
Body bodyOf(const Walk& w, const Way& sound) {
    const Source source = w.origin(w.map.feeding(sound));
    if (source.node < 0 || !w.oscillates(source)) return {};
    Body body{source.node, nullptr};
    for (const Way& way : w.map.ways(source.node)) {
        const bool fed = w.map.feeding(way).node >= 0;
        if (fed && (way.does == Does::Tunes || way.does == Does::Resets)) return {};
        if (way.does == Does::Resets && way.output == source.output && !body.reset) body.reset = &way;
    }
    return body.reset ? body : Body{};
}

/// It is a gate of something that is written or led on by a clock, which is to come out the same each time.
bool isWritten(const Walk& w, const Source& source) {
    if (source.node < 0 || !w.isGate(source)) return false;
    const BlockType& type = *w.map.node(source.node).type;
    return type.playsPattern || type.countsBeats ||
           std::ranges::any_of(w.map.ways(source.node), [](const Way& way) { return way.does == Does::Times; });
}

/// The way by which triggers of a pattern strike what opens this way; nullptr if something else does.
const Way* struckBy(const Walk& w, const Way& sound) {
    for (const Way* by : w.map.openersOf(sound)) {
        const Source shape = w.origin(w.map.feeding(*by));
        if (shape.node < 0) continue;
        for (const Way& way : w.map.ways(shape.node)) {
            const Source trigger = w.origin(w.map.feeding(way));
            if (way.does == Does::Strikes && isWritten(w, trigger) && !w.volts(way).empty() &&
                longestHigh(w.volts(way), w.o.rate()) <= kLongestHit)
                return &way;
        }
    }
    return nullptr;
}

} // namespace

Findings findDrumNotReset(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (const Way& sound : w.map.ways(n)) {
            if (sound.does != Does::Passes || sound.opener < 0 || w.map.feeding(sound).node < 0) continue;
            if (w.opening(sound).byHand > 0.5) continue; // it is never silent: no hits
            const Body body = bodyOf(w, sound);
            const Way* hit = body.reset ? struckBy(w, sound) : nullptr;
            const auto heard = w.comingOut({n, sound.output, 0});
            if (!hit || heard.empty()) continue;
            const double difference = hitDifference(heard, risingEdges(w.volts(*hit), o.rate()), o.rate());
            if (difference < 0.01) continue;
            Finding finding{
                "drum-not-reset",
                Severity::Caution,
                w.cableOf(sound),
                w.postOf(body.node),
                say("hits differ by {:.0f} %", 100.0 * difference),
                say("{} runs on between hits, so each hit starts at another phase. Leave it alive if you like that.",
                    w.name(body.node)),
                {}};
            const JackRef reset = w.map.inputJack(body.node, body.reset->input);
            const Source struck = w.map.feeding(*hit);
            const JackRef trigger = w.map.outputJack(struck.node, struck.output);
            if (!reset.post.empty() && !trigger.post.empty()) {
                const Cable* into = o.patch.cable(finding.cable);
                Cable cable{0,
                            trigger,
                            reset,
                            o.patch.post(reset.post)->voice,
                            into ? into->step : "",
                            "Every hit starts at the same phase",
                            0,
                            {},
                            {}};
                finding.fixes.push_back(
                    {say("Tie the trigger to {}", tieName(reset, o.patch, *o.library)), {TieCable{cable, 0}}});
            }
            out.push_back(std::move(finding));
            break; // a bank has the same sound at several outputs
        }
    return out;
}

} // namespace lariat
