// Exponential FM pulls the mean pitch: up by an octave counts more hertz than down by one.
//
// The mean frequency is f · mean(2^v), with v the modulation in octaves.
#include "findings/aims.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kAudioRate = 20.0; ///< Hz; slower movement is vibrato, and heard as such
constexpr double kAudible = 10.0;   ///< cents

/// Its mean pitch, in cents, is moved by so much by what is at an input; 0 for vibrato.
double pull(const Walk& w, const Mover& mover) {
    const auto volts = w.volts(*mover.way);
    const LevelReading level = measureLevel(volts);
    const double seconds = static_cast<double>(volts.size()) / w.o.rate();
    if (volts.empty() ||
        static_cast<double>(risingEdges(volts, w.o.rate(), level.mean.value).size()) / seconds < kAudioRate)
        return 0.0;
    const double perVolt = mover.octaves ? mover.perVolt : mover.perVolt / 12.0;
    double sum = 0.0;
    for (const float v : volts) sum += std::exp2(perVolt * static_cast<double>(v));
    const double whole = 1200.0 * std::log2(sum / static_cast<double>(volts.size()));
    return whole - 1200.0 * perVolt * level.mean.value; // a steady voltage is tuning, not a pull
}

/// An input of the same block for linear FM, that is still free.
const Way* linearInput(const Walk& w, int node) {
    for (const Way& way : w.map.ways(node))
        if (way.does == Does::Moves && way.hasAmount && w.map.feeding(way).node < 0 &&
            w.map.node(node).type->inputs[idx(way.input)].kind == SignalKind::Audio)
            return &way;
    return nullptr;
}

} // namespace

Findings findFmPullsPitch(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        const BlockType& type = *w.map.node(n).type;
        for (int c = 0; c < static_cast<int>(type.controls.size()); ++c) {
            if (type.controls[idx(c)].scale.unit != Unit::Semitones) continue;
            for (const Mover& mover : moversOf(w, n, c)) {
                const double cents = pull(w, mover);
                if (std::abs(cents) < kAudible) continue;
                const Cable* cable = o.patch.cable(w.cableOf(*mover.way));
                Finding finding{
                    "fm-pulls-pitch",
                    Severity::Caution,
                    cable ? cable->id : 0,
                    w.postOf(n),
                    say("the mean pitch moves {:+.0f} cents", cents),
                    say("Exponential FM lifts {} more than it lowers it, so the note goes sharp as the depth "
                        "grows. Linear FM keeps it.",
                        w.name(n)),
                    {}};
                if (const Way* linear = linearInput(w, n); linear && cable) {
                    const JackRef to = w.map.inputJack(n, linear->input);
                    if (!to.post.empty() && !o.patch.cableInto(to)) {
                        finding.fixes.push_back(moveFix(o, *cable, cable->from, to));
                        for (Fix& depth : w.turn(n, linear->levels.front(), 100.0))
                            finding.fixes.back().edits.push_back(depth.edits.front());
                    }
                }
                const Scale& scale = type.controls[idx(c)].scale;
                const double tuned = w.map.control(n, c) - cents / 100.0;
                if (tuned >= scale.min && tuned <= scale.max) append(finding.fixes, w.turn(n, c, tuned));
                out.push_back(std::move(finding));
            }
        }
    }
    return out;
}

} // namespace lariat
