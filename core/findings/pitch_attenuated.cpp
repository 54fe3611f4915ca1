// Attenuated pitch: a tune that passes a level on its way no longer plays in tune.
#include "findings/fixes.h"
#include "findings/rules.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

struct Fitted {
    double slope = 1.0;    ///< volts out per volt in
    double strength = 0.0; ///< correlation
};

Fitted fit(std::span<const float> x, std::span<const float> y) {
    const std::size_t n = std::min(x.size(), y.size());
    double sx = 0, sy = 0, sxx = 0, sxy = 0, syy = 0;
    for (std::size_t i = 0; i < n; i += 16) {
        const auto a = static_cast<double>(x[i]);
        const auto b = static_cast<double>(y[i]);
        sx += a;
        sy += b;
        sxx += a * a;
        sxy += a * b;
        syy += b * b;
    }
    const double count = std::ceil(static_cast<double>(n) / 16.0);
    if (count < 2.0) return {};
    const double varX = sxx / count - sx * sx / (count * count);
    const double varY = syy / count - sy * sy / (count * count);
    const double both = sxy / count - sx * sy / (count * count);
    if (varX < 1e-5 || varY < 1e-9) return {};
    return {both / varX, both / std::sqrt(varX * varY)};
}

constexpr const char* kLevels[][3] = {
    // block, input, the control that scales it
    {"attenuverter", "in", "amount"}, {"mixer", "in-1", "level-1"}, {"mixer", "in-2", "level-2"},
    {"mixer", "in-3", "level-3"},     {"mixer", "in-4", "level-4"}, {"vca", "in", "offset"},
    {"matrix", "in-1", "amount-11"},
};

} // namespace

Findings findPitchAttenuated(const Observation& o) {
    Findings out;
    for (const Cable& cable : o.patch.cables) {
        const JackInfo* jack = o.jack(cable.to);
        if (!jack || jack->kind != SignalKind::Pitch) continue;
        for (const auto& [type, input, control] : kLevels) {
            if (!o.is(cable.from.post, type)) continue;
            const JackRef tune = o.feed(cable.from.post, type, input);
            const JackInfo* source = tune.post.empty() ? nullptr : o.jack(tune);
            if (!source || source->kind != SignalKind::Pitch) continue;
            const Fitted line = fit(o.at(tune), o.at(cable.from));
            const double cents = 1200.0 * (line.slope - 1.0);
            if (std::abs(line.strength) < 0.98 || std::abs(cents) < 3.0) continue;
            Finding finding{
                "pitch-attenuated",
                Severity::Mistake,
                cable.id,
                cable.to.post,
                say("an octave arrives as {:.0f} cents", 1200.0 * line.slope),
                say("The tune passes {}, whose level stands at {:.0f} %. Pitch has to arrive as it was sent.",
                    o.nameOf(cable.from.post), 100.0 * line.slope),
                {}};
            finding.fixes = turnFix(o, cable.from.post, type, control, 100.0);
            finding.fixes.push_back(moveFix(o, cable, tune, cable.to));
            out.push_back(std::move(finding));
        }
    }
    return out;
}

} // namespace lariat
