// Clocks that drift: two clocks that run almost in step, but not from one another, part slowly.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr double kNear = 0.03;   ///< so close to a simple ratio that it must be meant
constexpr double kInStep = 2e-5; ///< closer than that it is in step
constexpr double kSimple[] = {1.0, 2.0, 3.0, 4.0, 6.0, 8.0, 12.0, 16.0, 24.0};

/// The mean period of a steady pulse; 0 if it is not steady.
double period(std::span<const float> volts, double rate) {
    std::vector<double> edges = risingEdges(volts, rate);
    if (edges.size() < 6) return 0.0;
    edges.erase(edges.begin()); // it may have begun anywhere in its cycle
    const double mean = (edges.back() - edges.front()) / static_cast<double>(edges.size() - 1);
    for (std::size_t i = 1; i < edges.size(); ++i)
        if (std::abs(edges[i] - edges[i - 1] - mean) > 0.02 * mean) return 0.0;
    return mean;
}

/// How many pulses a beat has at a jack of the clock, by its words where nothing is plugged in: 0 if they say nothing.
double perBeat(const Observation& o, const JackRef& jack, double beat) {
    if (const double own = period(o.at(jack), o.rate()); own > 0.0) return beat / own;
    const JackInfo& info = *o.jack(jack);
    const auto& outputs = o.part(jack.post)->blocks[idx(info.at.block)].type->outputs;
    const std::string& id = outputs[idx(info.at.index)].id;
    return id == "beat" ? 1.0 : id == "eighths" ? 2.0 : id == "sixteenths" ? 4.0 : 0.0;
}

} // namespace

Findings findClocksDrift(const Observation& o) {
    Findings out;
    const Walk w(o);
    const TempoHome home = tempoHome(o.patch, *o.library);
    const double tempo = tempoOf(o.patch, *o.library);
    if (!home.post || tempo <= 0.0) return out;
    const double beat = 60.0 / tempo;
    int clock = -1;
    for (int n = 0; n < w.map.nodeCount(); ++n)
        if (w.map.node(n).type->countsBeats && w.map.node(n).post == home.post->id && clock < 0) clock = n;
    std::set<int> said; // one that times many
    for (const Cable& cable : o.patch.cables) {
        const FlowMap::At at = w.map.inputAt(cable.to);
        const auto begins = w.map.graph().outputs.find(cable.from);
        if (at.node < 0 || clock < 0 || begins == w.map.graph().outputs.end()) continue;
        const bool times = std::ranges::any_of(w.map.ways(at.node), [&](const Way& way) {
            return way.input == at.index &&
                   (way.does == Does::Times || way.does == Does::Strikes || way.does == Does::Resets);
        });
        const Source source = w.origin(begins->second);
        if (!times || source.node < 0 || w.oscillates(source)) continue;
        const BlockType& type = *w.map.node(source.node).type;
        if (type.playsPattern || type.isPlayed || type.playsSample) continue;
        if (w.upstream(source.node).contains(clock)) continue; // it is reset or driven by the clock
        const double own = period(o.at(cable.from), o.rate());
        if (own <= 0.0 || own > 4.0 * beat || own < 0.02) continue;
        for (const double ratio : kSimple) {
            const double off = own * ratio / beat - 1.0;
            if (std::abs(off) > kNear || std::abs(off) < kInStep) continue;
            if (!said.insert(source.node).second) break;
            Finding finding{
                "clocks-drift",
                Severity::Caution,
                cable.id,
                cable.from.post,
                say("parts from the beat by {:.0f} ms a bar", 4e3 * beat * std::abs(off)),
                say("{} runs almost in step with {}, but by itself. Take the pulse from the clock, or reset it "
                    "every bar.",
                    w.name(source.node), home.post->name),
                {}};
            for (const JackInfo& jack : o.part(home.post->id)->jacks) {
                const JackRef from{home.post->id, jack.id};
                const double per = jack.output ? perBeat(o, from, beat) : 0.0;
                if (std::abs(per - ratio) < 0.1) finding.fixes.push_back(moveFix(o, cable, from, cable.to));
            }
            out.push_back(std::move(finding));
            break;
        }
    }
    return out;
}

} // namespace lariat
