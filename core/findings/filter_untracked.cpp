// Filter without tracking: a filter that sings by itself stays where it is while the tune moves on.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kSings = 92.0; ///< per cent of resonance

struct Kind {
    const char* type;
    std::array<const char*, 2> inputs;
};
constexpr Kind kFilters[] = {{"svf", {"in-1", "in-2"}}, {"ladder", {"in", "in"}}};

} // namespace

Findings findFilterUntracked(const Observation& o) {
    Findings out;
    for (const Post& post : o.patch.posts)
        for (const Kind& filter : kFilters) {
            if (!o.is(post.id, filter.type) || o.knob(post.id, filter.type, "resonance") < kSings) continue;
            if (!o.feed(post.id, filter.type, "voct").post.empty()) continue;
            if (std::ranges::any_of(filter.inputs,
                                    [&](const char* in) { return !o.feed(post.id, filter.type, in).post.empty(); }))
                continue; // something else sounds, or strikes it
            for (const Cable& cable : o.patch.cables) {
                const JackInfo* source = o.jack(cable.from);
                const JackInfo* target = o.jack(cable.to);
                if (!source || !target || source->kind != SignalKind::Pitch || target->kind != SignalKind::Pitch ||
                    cable.voice != post.voice)
                    continue;
                const LevelReading tune = measureLevel(o.at(cable.from));
                const double cents = 1200.0 * (tune.max.value - tune.min.value);
                const JackRef voct = o.jackFor(post.id, filter.type, "voct");
                if (cents < 50.0 || voct.post.empty()) continue;
                out.push_back({"filter-not-tracking",
                               Severity::Mistake,
                               0,
                               post.id,
                               say("stays at {:.0f} Hz while the tune moves {:.0f} cents",
                                   o.knob(post.id, filter.type, "cutoff"), cents),
                               say("{} sings by itself and nothing is in its v/oct, so it plays one note.", post.name),
                               {tieFix(o, cable.from, voct)}});
                break;
            }
        }
    return out;
}

} // namespace lariat
