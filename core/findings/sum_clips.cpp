// Sum clips: what comes together is more than the rails allow, or its parts lean to the same side.
#include "findings/rules.h"
#include "findings/walk.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr float kLinear = 10.0f; ///< where softRail begins to bend
constexpr double kComfortable = 9.0;
constexpr double kSeldom = 0.001; ///< part of the time; a peak that only just touches them is not heard
constexpr double kFarOver = 11.0;

/// Ways of sound that come together in an output, as they would without rails.
struct Sum {
    std::vector<const Way*> ways;
    std::vector<float> volts;
    std::vector<std::span<const float>> parts;
};

/// Nothing if fewer than two come together, or if something opens and closes one of them on its way.
Sum sumAt(const Walk& w, int node, int output) {
    Sum sum;
    for (const Way* way : w.fed({node, output, 0}, Does::Passes)) {
        const Source from = w.map.feeding(*way);
        const auto volts = w.o.at(w.map.outputJack(from.node, from.output));
        const double open = way->opener < 0 ? 1.0 : 0.01 * w.map.control(node, way->opener);
        if (way->opener >= 0 && !w.opening(*way).fed.empty()) return {};
        const auto gain = static_cast<float>(w.map.gain(*way) * open);
        if (gain == 0.0f || volts.empty() || (way->levels.empty() && way->opener < 0))
            continue; // without a level it is no sum
        sum.ways.push_back(way);
        sum.parts.push_back(volts);
        sum.volts.resize(std::max(sum.volts.size(), volts.size()), 0.0f);
        for (std::size_t i = 0; i < volts.size(); ++i) sum.volts[i] += gain * volts[i];
    }
    return sum.ways.size() < 2 ? Sum{} : sum;
}

/// Controls that scale all of it alike.
std::vector<int> sharedLevels(const Sum& sum) {
    std::vector<int> shared = sum.ways.front()->levels;
    for (const Way* way : sum.ways)
        std::erase_if(shared, [&](int level) { return std::ranges::find(way->levels, level) == way->levels.end(); });
    return shared;
}

} // namespace

Findings findSumClips(const Observation& o) {
    Findings out;
    const Walk w(o);
    for (int n = 0; n < w.map.nodeCount(); ++n) {
        const Node& node = w.map.node(n);
        for (std::size_t output = 0; output < node.type->outputs.size(); ++output) {
            if (!node.heard[output]) continue;
            const Sum sum = sumAt(w, n, static_cast<int>(output));
            if (std::ranges::none_of(sum.ways, [&](const Way* way) { // of sound, wherever it is summed
                    return w.kindOf(w.origin(w.map.feeding(*way))) == SignalKind::Audio;
                }))
                continue;
            const double peak = measureLevel(sum.volts).peak().value;
            if (peak <= static_cast<double>(kLinear)) continue;
            const auto over = std::ranges::count_if(sum.volts, [](float v) { return std::abs(v) > kLinear; });
            const double part = static_cast<double>(over) / static_cast<double>(sum.volts.size());
            if (part < kSeldom && peak < kFarOver) continue;
            const std::string post = w.postOf(n);
            Finding finding{
                "sum-clips",
                Severity::Mistake,
                o.cableFrom(w.map.outputJack(n, static_cast<int>(output))),
                post,
                say("sums to {:.1f} V, over the rails {:.1f} % of the time", peak, 100.0 * part),
                say("{} adds up to more than the ±10 V that it can put out, so the sum is bent.", o.nameOf(post)),
                {}};
            const double less = kComfortable / peak;
            for (const int level : sharedLevels(sum))
                for (Fix& fix : w.turn(n, level, std::floor(less * w.map.control(n, level)))) {
                    const auto knob = w.map.knobAt(n, level);
                    fix.label = say("Turn {} down to {}", knob->knob->name,
                                    knob->scale->text(std::floor(less * w.map.control(n, level))));
                    finding.fixes.push_back(std::move(fix));
                }
            Fix all; // or each of them alike
            for (const Way* way : sum.ways) {
                const int control = way->hasAmount || way->opener < 0 ? way->levels.front() : way->opener;
                for (Fix& fix : control < 0 ? std::vector<Fix>{}
                                            : w.turn(n, control, std::floor(less * w.map.control(n, control))))
                    all.edits.insert(all.edits.end(), fix.edits.begin(), fix.edits.end());
            }
            all.label = say("Turn its {} levels down alike", sum.ways.size());
            if (!all.edits.empty()) finding.fixes.push_back(std::move(all));
            out.push_back(std::move(finding));
            break;
        }
    }
    return out;
}

} // namespace lariat
