// Cross-modulation that has turned to noise: two oscillators shake each other so hard that no pitch is left.
//
// Spectral flatness (Johnston 1988): geometric over arithmetic mean of the power between 100 Hz and 8 kHz. A tone is
// near 0, white noise reaches 0.56 by this measure.
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr std::size_t kSamples = 1u << 16;
constexpr double kFlat = 0.005;
constexpr double kRepeats = 0.8; ///< clarity

double flatness(std::span<const float> volts, double rate) {
    if (volts.size() < kSamples) return 0.0;
    const Spectrum spectrum = measureSpectrum(volts.last(kSamples), rate);
    double logs = 0.0;
    double sum = 0.0;
    int count = 0;
    for (std::size_t bin = 0; bin < spectrum.amplitude.size(); ++bin) {
        const double hertz = static_cast<double>(bin) * spectrum.binHertz;
        if (hertz < 100.0 || hertz > 8000.0) continue;
        const double power = std::pow(static_cast<double>(spectrum.amplitude[bin]), 2.0) + 1e-18;
        logs += std::log(power);
        sum += power;
        ++count;
    }
    return count > 0 ? std::exp(logs / count) / (sum / count) : 0.0;
}

bool repeats(std::span<const float> volts, double rate) {
    const auto pitch = measurePitch(volts.last(std::min(volts.size(), kSamples)), rate);
    return pitch && pitch->clarity > kRepeats;
}

/// The way by which one oscillator modulates another, and hard enough to be looked at; nullptr if it does not.
const Way* shakes(const Walk& w, int by, int node) {
    for (const Way& way : w.map.ways(node)) {
        if (way.does != Does::Moves || !way.hasAmount || w.map.gain(way) == 0.0) continue;
        if (w.origin(w.map.feeding(way)).node == by) return &way;
    }
    return nullptr;
}

} // namespace

Findings findTurnedToNoise(const Observation& o) {
    Findings out;
    const Walk w(o);
    std::vector<int> oscillators;
    for (int n = 0; n < w.map.nodeCount(); ++n)
        for (int output = 0; output < static_cast<int>(w.map.node(n).heard.size()); ++output)
            if (w.map.node(n).heard[idx(output)] && w.oscillates({n, output, 0})) {
                oscillators.push_back(n);
                break;
            }
    for (std::size_t i = 0; i < oscillators.size(); ++i)
        for (std::size_t k = i + 1; k < oscillators.size(); ++k) {
            const int a = oscillators[i];
            const int b = oscillators[k];
            const Way* there = shakes(w, a, b);
            const Way* back = shakes(w, b, a);
            if (!there || !back) continue;
            const auto one = w.volts(*there);
            const auto other = w.volts(*back);
            const double flat = std::min(flatness(one, o.rate()), flatness(other, o.rate()));
            if (flat < kFlat || repeats(other, o.rate())) continue;
            Finding finding{"turned-to-noise",
                            Severity::Caution,
                            w.cableOf(*back),
                            w.postOf(a),
                            say("flatness {:.3f}: 0 is a tone, 0.56 white noise", flat),
                            say("{} and {} shake each other so hard that no pitch is left.", w.name(a), w.name(b)),
                            {}};
            for (const Way* way : {back, there}) {
                const int amount = way->levels.front();
                append(finding.fixes, w.turn(way->node, amount, 0.1 * w.map.control(way->node, amount)));
            }
            out.push_back(std::move(finding));
        }
    return out;
}

} // namespace lariat
