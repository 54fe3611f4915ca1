#include "engine/render.h"

#include "engine/resampler.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

namespace lariat {

std::vector<float> convertMix(std::span<const float> left, std::span<const float> right, double fromRate,
                              double toRate) {
    std::vector<float> both;
    both.reserve(2 * left.size());
    for (std::size_t i = 0; i < left.size(); ++i) {
        both.push_back(left[i] / static_cast<float>(kFullScaleVolts));
        both.push_back(right[i] / static_cast<float>(kFullScaleVolts));
    }
    if (fromRate == toRate) return both;
    const auto frames = static_cast<std::size_t>(std::floor(static_cast<double>(left.size()) * toRate / fromRate));
    std::vector<float> out(2 * frames, 0.0f);
    const std::vector<float> tail(2 * 4096, 0.0f); // pushes the last frames out of the converter
    Resampler resampler(fromRate, toRate);
    int calls = 0;
    resampler.fill(out, [&]() -> std::span<const float> {
        ++calls;
        return calls == 1 ? std::span<const float>(both) : std::span<const float>(tail);
    });
    return out;
}

Result<Rendering> render(const Patch& patch, const Library& library, const RenderOptions& options) {
    const FlushDenormals flush;
    Schedule::Taps taps;
    for (const JackRef& probe : options.probes) {
        const JackInfo* jack = library.jack(patch, probe);
        if (!jack || !jack->output)
            return failure(
                fmt::format("\"{}\" is not an output in this patch; probes are written post.jack", probe.text()));
    }
    Schedule schedule(patch, library, {options.engineRate, options.realCase, options.silenced, {}}, taps,
                      options.probes);
    Rendering out;
    out.fileRate = options.fileRate;
    out.engineRate = options.engineRate;
    std::vector<std::pair<const Signal*, std::vector<float>*>> recorders;
    const auto runs = static_cast<std::size_t>(std::ceil(options.seconds * options.engineRate / kRun));
    for (const JackRef& probe : options.probes) {
        const auto [line, fresh] = out.probes.try_emplace(probe);
        if (fresh) recorders.emplace_back(schedule.signal(probe), &line->second);
    }
    for (auto& [signal, line] : recorders) line->reserve(runs * kRun);
    out.left.reserve(runs * kRun);
    out.right.reserve(runs * kRun);
    Transport transport;
    for (std::size_t run = 0; run < runs; ++run) {
        if (options.progress && run % 256 == 0 &&
            !options.progress(static_cast<double>(run) / static_cast<double>(runs)))
            return failure("rendering was cancelled");
        schedule.run(transport, false);
        out.left.insert(out.left.end(), schedule.left(), schedule.left() + kRun);
        out.right.insert(out.right.end(), schedule.right(), schedule.right() + kRun);
        for (auto& [signal, line] : recorders) line->insert(line->end(), signal->volts.begin(), signal->volts.end());
    }
    if (options.fileRate > 0.0) out.mix = convertMix(out.left, out.right, options.engineRate, options.fileRate);
    out.lateCables = schedule.lateCables();
    out.faults = schedule.faults();
    out.faultyPost = schedule.faultyPost();
    return out;
}

} // namespace lariat
