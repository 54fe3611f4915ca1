// Cross-modulation that has turned to noise: two oscillators shake each other so hard that no pitch is left.
//
// Spectral flatness (Johnston 1988): geometric over arithmetic mean of the power between 100 Hz and 8 kHz. A tone is
// near 0, white noise reaches 0.56 by this measure.
#include "findings/fixes.h"
#include "findings/rules.h"
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

constexpr const char* kShaking[][2] = {{"fm", "fm-amount"}, {"lin-fm", "lin-amount"}};

/// The cable by which `by` modulates `post`, and the control that scales it.
std::pair<const Cable*, const char*> shakes(const Observation& o, const std::string& post, const std::string& by) {
    for (const auto& [input, control] : kShaking) {
        const Cable* cable = o.patch.cableInto(o.jackFor(post, "vco", input));
        if (cable && cable->from.post == by && o.knob(post, "vco", control) != 0.0) return {cable, control};
    }
    return {nullptr, ""};
}

} // namespace

Findings findTurnedToNoise(const Observation& o) {
    Findings out;
    for (std::size_t i = 0; i < o.patch.posts.size(); ++i)
        for (std::size_t k = i + 1; k < o.patch.posts.size(); ++k) {
            const Post& a = o.patch.posts[i];
            const Post& b = o.patch.posts[k];
            if (!o.is(a.id, "vco") || !o.is(b.id, "vco")) continue;
            const auto [there, thereAmount] = shakes(o, b.id, a.id);
            const auto [back, backAmount] = shakes(o, a.id, b.id);
            if (!there || !back) continue;
            const double flat = std::min(flatness(o.at(there->from), o.rate()), flatness(o.at(back->from), o.rate()));
            if (flat < kFlat || repeats(o.at(back->from), o.rate())) continue;
            Finding finding{"turned-to-noise",
                            Severity::Caution,
                            back->id,
                            a.id,
                            say("flatness {:.3f}: 0 is a tone, 0.56 white noise", flat),
                            say("{} and {} shake each other so hard that no pitch is left.", a.name, b.name),
                            {}};
            for (const auto& [post, control] : {std::pair{a.id, backAmount}, {b.id, thereAmount}})
                for (Fix& fix : turnFix(o, post, "vco", control, 0.1 * o.knob(post, "vco", control)))
                    finding.fixes.push_back(std::move(fix));
            out.push_back(std::move(finding));
        }
    return out;
}

} // namespace lariat
