// Filter without tracking: a filter that sings by itself stays where it is while the tune moves on.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

/// The control in hertz at which it sings; -1 if it has none.
int cutoffOf(const BlockType& type) {
    const auto it =
        std::ranges::find_if(type.controls, [](const ControlSpec& c) { return c.scale.unit == Unit::Hertz; });
    return it == type.controls.end() ? -1 : static_cast<int>(it - type.controls.begin());
}

/// The way by which it could be tuned, if it lets sound through, is given none, and sounds all the same.
const Way* singsUntuned(const Walk& w, int node) {
    const Way* tuned = nullptr;
    bool passes = false;
    for (const Way& way : w.map.ways(node)) {
        const bool fed = w.map.feeding(way).node >= 0;
        if (fed && (way.does == Does::Passes || way.does == Does::Tunes || way.does == Does::Strikes)) return nullptr;
        passes = passes || way.does == Does::Passes;
        if (way.does == Does::Tunes && !tuned) tuned = &way;
    }
    const auto& heard = w.map.node(node).heard;
    bool sounds = false;
    for (std::size_t output = 0; output < heard.size(); ++output)
        sounds = sounds || (heard[output] && w.life({node, static_cast<int>(output), 0}).level > 0.1);
    return passes && sounds ? tuned : nullptr;
}

} // namespace

Findings findFilterUntracked(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        const Way* tuned = singsUntuned(w, n);
        const int cutoff = cutoffOf(*w.map.node(n).type);
        const Post* post = o.patch.post(w.postOf(n));
        const JackRef voct = tuned ? w.map.inputJack(n, tuned->input) : JackRef{};
        if (cutoff < 0 || voct.post.empty() || !post) continue;
        for (const Cable& cable : o.patch.cables) {
            const JackInfo* source = o.jack(cable.from);
            const JackInfo* target = o.jack(cable.to);
            if (!source || !target || source->kind != SignalKind::Pitch || target->kind != SignalKind::Pitch ||
                cable.voice != post->voice)
                continue;
            const double cents = 1200.0 * measureLevel(o.at(cable.from)).swing().value;
            if (cents < 50.0) continue;
            out.push_back({"filter-not-tracking",
                           Severity::Mistake,
                           0,
                           post->id,
                           say("stays at {:.0f} Hz while the tune moves {:.0f} cents", w.map.control(n, cutoff), cents),
                           say("{} sings by itself and nothing is in its v/oct, so it plays one note.", post->name),
                           {tieFix(o, cable.from, voct)}});
            break;
        }
    }
    return out;
}

} // namespace lariat
