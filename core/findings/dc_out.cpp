// DC or subsonic movement at the way out: it is not heard, takes headroom, and heats loudspeakers.
//
// By spectrum: the share of the power, DC left out, that lies below 15 Hz.
#include "building/insert.h"
#include "findings/aims.h"
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kDc = 0.25;          ///< volts
constexpr double kSubsonic = 15.0;    ///< Hz
constexpr double kSubsonicPart = 0.4; ///< of the RMS
constexpr std::size_t kTogether = 64;
constexpr double kNoiseBandwidth = 2.0044; ///< bins of the spectrum's window (Harris 1978)

struct Moving {
    double mean = 0.0;
    double rms = 0.0;
    double below = 0.0; ///< part of the RMS that moves below kSubsonic
};

Moving movingOf(std::span<const float> volts, double rate) {
    const LevelReading level = measureLevel(volts);
    Moving out{level.mean.value, level.rms.value, 0.0};
    const double power = out.rms * out.rms - out.mean * out.mean;
    if (volts.size() < 8 * kTogether * kTogether || power < 1e-4) return out;
    // Averages of a few samples keep all that is slow; the fast part is in the RMS.
    std::vector<float> slow(volts.size() / kTogether);
    for (std::size_t i = 0; i < slow.size(); ++i)
        slow[i] = static_cast<float>(measureLevel(volts.subspan(i * kTogether, kTogether)).mean.value - out.mean);
    const Spectrum spectrum = measureSpectrum(slow, rate / kTogether);
    double low = 0.0;
    for (std::size_t bin = 1; static_cast<double>(bin) * spectrum.binHertz < kSubsonic; ++bin)
        low += 0.5 * std::pow(static_cast<double>(spectrum.amplitude[bin]), 2.0);
    out.below = std::min(1.0, std::sqrt(low / kNoiseBandwidth / power));
    return out;
}

/// A blocker in every cable that goes out: on one side alone it would shift the other.
std::vector<Fix> blockers(const Observation& o, const std::vector<int>& cables) {
    std::vector<Fix> fixes = insertFix(o, cables.front(), "dc-blocker");
    if (fixes.empty() || cables.size() < 2) return fixes;
    const auto first = applyEdits(o.patch, fixes.front().edits);
    if (!first) return fixes;
    // The same part has a second channel.
    for (const Edit& edit : fixes.front().edits)
        if (const auto* added = std::get_if<AddPost>(&edit))
            if (const auto more = insertInto(*first, *o.library, cables.back(), *first->post(added->post.id)))
                fixes.front().edits.insert(fixes.front().edits.end(), more->begin(), more->end());
    return fixes;
}

/// Where DC or slow movement comes from a pulse whose width is not half, or is moved: true of every such sound, and
/// usual. Nothing else on the way adds to it.
bool isOfPulseWidth(const Walk& w, int wayOut) {
    bool pulse = false;
    for (const Way* way : w.map.into(wayOut, kOutOfTheCase, Does::Passes))
        for (const Source& source : w.behind(w.map.feeding(*way))) {
            if (w.oscillates(source)) {
                pulse = pulse || std::ranges::any_of(w.map.ways(source.node), [&](const Way& moved) {
                            return moved.output == source.output && widthMovedBy(w, moved) >= 0;
                        });
                continue;
            }
            // What brings DC or slow movement that did not come in.
            const auto passing = w.fed(source, Does::Passes);
            if (passing.empty() && w.kindOf(source) != SignalKind::Audio && w.life(source).swing() > kDc) return false;
            double in = 0.0;
            for (const Way* one : passing) in = std::max(in, std::abs(w.arriving(*one).mean));
            if (std::abs(w.life(source).mean) > std::max(kDc, 1.2 * in)) return false;
        }
    return pulse;
}

} // namespace

Findings findDcOut(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        if (!w.map.node(n).type->leadsOut) continue;
        std::vector<int> cables;
        for (const Way* way : w.map.into(n, kOutOfTheCase, Does::Passes))
            if (const int cable = w.map.feeding(*way).cable) cables.push_back(cable);
        const Moving left = movingOf(o.recorded.left, o.rate());
        const Moving right = movingOf(o.recorded.right, o.rate());
        const Moving& worse =
            std::abs(right.mean) > std::abs(left.mean) || right.below > left.below + 0.05 ? right : left;
        const bool dc = std::abs(worse.mean) > kDc;
        if (cables.empty() || worse.rms < 0.01 || (!dc && worse.below < kSubsonicPart)) continue;
        out.push_back({"dc-out", isOfPulseWidth(w, n) ? Severity::Note : Severity::Mistake, cables.front(), w.postOf(n),
                       dc ? say("{:+.2f} V of DC", worse.mean)
                          : say("{:.0f} % of the level moves below 15 Hz", 100.0 * worse.below),
                       say("It is not heard, takes headroom away, and heats loudspeakers. A DC blocker takes it out."),
                       blockers(o, cables)});
    }
    return out;
}

} // namespace lariat
