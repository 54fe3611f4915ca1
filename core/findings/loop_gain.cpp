// Loop gain above one: a feedback cable whose signal has grown until the rails hold it.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace lariat {
namespace {

constexpr float kAtRails = 10.2f;
constexpr double kLess = 0.15;
constexpr double kStandsLong = 0.2; ///< part of the time

/// Levels on the way round the loop, turned down, one at a time.
std::vector<Fix> lessAround(const Walk& w, const Cable& cable) {
    const FlowMap::At end = w.map.inputAt(cable.to);
    std::vector<Fix> fixes;
    std::set<std::pair<int, int>> seen;
    std::vector<Source> todo;
    if (const auto from = w.map.graph().outputs.find(cable.from); from != w.map.graph().outputs.end())
        todo.push_back(from->second);
    while (!todo.empty()) {
        const Source here = todo.back();
        todo.pop_back();
        if (here.node < 0 || !seen.insert({here.node, here.output}).second) continue;
        for (const Way* way : w.fed(here, Does::Passes)) {
            for (const int level : way->levels)
                append(fixes, w.turn(way->node, level, kLess * w.map.control(way->node, level)));
            if (way->node != end.node) todo.push_back(w.map.feeding(*way));
        }
    }
    return fixes;
}

} // namespace

Findings findLoopGain(const Observation& o) {
    Findings out;
    for (const LateCable& late : o.recorded.lateCables) {
        const Cable* cable = o.patch.cable(late.cable);
        const JackInfo* jack = cable ? o.jack(cable->to) : nullptr;
        const auto volts = cable ? o.at(cable->from) : std::span<const float>{};
        if (!jack || volts.empty()) continue;
        const auto at = std::ranges::count_if(volts, [](float v) { return std::abs(v) > kAtRails; });
        const double part = static_cast<double>(at) / static_cast<double>(volts.size());
        if (part < kStandsLong) continue;
        Finding finding{
            "loop-gain",
            Severity::Mistake,
            cable->id,
            cable->to.post,
            say("at the rails {:.0f} % of the time", 100.0 * part),
            say("This loop gives back more than it takes, so it grows until the rails hold it. It may be loud."),
            {}};
        if (const KnobInfo* knob =
                jack->amountKnob.empty() ? nullptr : o.part(cable->to.post)->knob(jack->amountKnob)) {
            const double less = kLess * knobValue(*o.patch.post(cable->to.post), *knob);
            finding.fixes.push_back(
                {say("Turn {} of {} to {}", knob->name, o.nameOf(cable->to.post), knob->scale.text(less)),
                 {SetKnob{cable->to.post, knob->id, less}}});
        }
        append(finding.fixes, lessAround(Walk(o), *cable));
        finding.fixes.push_back({say("Take the cable out"), {RemoveCable{cable->id}}});
        out.push_back(std::move(finding));
    }
    return out;
}

} // namespace lariat
