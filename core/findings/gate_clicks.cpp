// A gate straight into an amplifier: it opens and shuts within a sample, and each edge is a click.
//
// Looked for in what is heard: the sound is gone within two milliseconds of the gate's end. What opens slowly of
// itself, as a low-pass gate does, is no click.
#include "findings/edges.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kBefore = 0.01;  ///< seconds of sound looked at on either side of an edge
constexpr double kGone = 0.0005;  ///< from here on behind it
constexpr double kAfter = 0.002;  ///< to here
constexpr double kNothing = 0.02; ///< part of what was there

/// The sound is cut off at most of these edges.
bool isCutOff(std::span<const float> sound, const std::vector<std::size_t>& edges, double rate) {
    const auto samples = [&](double seconds) { return static_cast<std::size_t>(seconds * rate); };
    std::size_t looked = 0;
    std::size_t cut = 0;
    for (const std::size_t edge : edges) {
        if (edge < samples(kBefore) || edge + samples(kAfter) > sound.size()) continue;
        const double before =
            measureLevel(sound.subspan(edge - samples(kBefore), samples(kBefore - kHardSeconds))).peak().value;
        const double after = measureLevel(sound.subspan(edge + samples(kGone), samples(kAfter - kGone))).peak().value;
        if (before < 0.1) continue;
        ++looked;
        if (after < kNothing * before) ++cut;
    }
    return looked > 0 && 2 * cut > looked;
}

} // namespace

Findings findGateClicks(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        std::vector<int> looked; // a stereo channel is opened on two sides
        for (const Way& opens : w.map.ways(n)) {
            const int cable = w.cableOf(opens);
            if (opens.does != Does::Opens || cable == 0 || std::ranges::find(looked, opens.input) != looked.end())
                continue;
            if (!w.isGate(w.origin(w.map.feeding(opens)))) continue;
            looked.push_back(opens.input);
            const auto gate = w.volts(opens);
            const auto sound = w.comingOut({n, opens.output, 0});
            const auto ends = hardEdges(gate, o.rate(), false);
            if (ends.empty() || !isCutOff(sound, ends, o.rate())) continue;
            Finding finding{
                "gate-clicks",
                Severity::Caution,
                cable,
                w.postOf(n),
                say("0 to {:.1f} V within one sample", measureLevel(gate).max.value),
                say("The gate opens {} at once, and every edge is heard as a click. An envelope rounds it.", w.name(n)),
                {}};
            finding.fixes = insertFix(o, cable, "contour", [&](const Post& added, const PartInfo& part, auto& edits) {
                // Short flanks: as near to the gate as an ear allows.
                for (const auto& [control, value] : {std::pair{"type", 1.0}, {"attack", 0.003}, {"release", 0.02}})
                    if (const KnobInfo* knob = part.knobFor("contour", control))
                        edits.emplace_back(SetKnob{added.id, knob->id, value});
            });
            if (finding.fixes.empty()) finding.fixes = insertFix(o, cable, "slew");
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
