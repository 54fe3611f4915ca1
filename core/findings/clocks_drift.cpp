// Clocks that drift: two clocks that run almost in step, but not from one another, part slowly.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kNear = 0.03;   ///< so close to a simple ratio that it must be meant
constexpr double kInStep = 2e-5; ///< closer than that it is in step
constexpr double kSimple[] = {1.0, 2.0, 3.0, 4.0, 6.0, 8.0, 12.0, 16.0, 24.0};

/// The mean period of a steady pulse; 0 if it is not steady.
double period(std::span<const float> volts, double rate) {
    const std::vector<double> edges = risingEdges(volts, rate);
    if (edges.size() < 6) return 0.0;
    const double mean = (edges.back() - edges.front()) / static_cast<double>(edges.size() - 1);
    for (std::size_t i = 1; i < edges.size(); ++i)
        if (std::abs(edges[i] - edges[i - 1] - mean) > 0.02 * mean) return 0.0;
    return mean;
}

} // namespace

Findings findClocksDrift(const Observation& o) {
    Findings out;
    const std::string clock = o.first("clock");
    if (clock.empty()) return out;
    const double beat = 60.0 / o.knob(clock, "clock", "tempo", 120.0);
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* target = o.jack(cable.to);
        if (!target || (target->kind != SignalKind::Clock && target->kind != SignalKind::Gate)) continue;
        if (!o.is(cable.from.post, "lfo") && !o.is(cable.from.post, "function-generator")) continue;
        const auto up = o.upstream(cable.from.post);
        if (std::ranges::find(up, clock) != up.end()) continue; // it is reset or driven by the clock
        const double own = period(o.at(cable.from), o.rate());
        if (own <= 0.0 || own > 4.0 * beat || own < 0.02) continue;
        for (const double ratio : kSimple) {
            const double off = own * ratio / beat - 1.0;
            if (std::abs(off) > kNear || std::abs(off) < kInStep) continue;
            Finding finding{
                "clocks-drift",
                Severity::Caution,
                cable.id,
                cable.from.post,
                say("parts from the beat by {:.0f} ms a bar", 4e3 * beat * std::abs(off)),
                say("{} runs almost in step with {}, but by itself. Take the pulse from the clock, or reset it "
                    "every bar.",
                    o.nameOf(cable.from.post), o.nameOf(clock)),
                {}};
            for (const char* jack : {"beat", "eighths", "sixteenths"}) {
                const JackRef from = o.jackFor(clock, "clock", jack);
                const double per = jack == std::string_view("beat")      ? 1.0
                                   : jack == std::string_view("eighths") ? 2.0
                                                                         : 4.0;
                if (!from.post.empty() && std::abs(per - ratio) < 0.1)
                    finding.fixes.push_back(moveFix(o, cable, from, cable.to));
            }
            out.push_back(std::move(finding));
            break;
        }
    }
    return out;
}

} // namespace lariat
