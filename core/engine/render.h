// Offline rendering: the same engine as fast as the machine goes, for files, measurements and findings.
#pragma once

#include "engine/schedule.h"

#include <functional>
#include <map>
#include <span>
#include <vector>

namespace lariat {

struct RenderOptions {
    double seconds = 8.0;
    double engineRate = 96000.0;
    double fileRate = 48000.0;            ///< of the mix; probes keep the engine's rate
    std::vector<JackRef> probes;          ///< outputs to record in volts
    std::vector<int> silenced{};          ///< cables that stay plugged and bring nothing
    bool realCase = false;                ///< with what the metal adds (electrics.h)
    std::function<bool(double)> progress; ///< told 0…1 now and then; false cancels
};

struct Rendering {
    double fileRate = 48000.0;
    double engineRate = 96000.0;
    std::vector<float> mix;  ///< interleaved stereo at fileRate, ±1 is 0 dBFS
    std::vector<float> left; ///< the case's output in volts at engineRate
    std::vector<float> right;
    std::map<JackRef, std::vector<float>> probes;
    std::vector<LateCable> lateCables;
    std::uint64_t faults = 0;
    std::string faultyPost;
};

/// Renders a checked patch from its start. Fails if a probe is not an output of the patch, or when cancelled.
Result<Rendering> render(const Patch& patch, const Library& library, const RenderOptions& options);

/// Converts interleaved stereo volts at one rate into ±1 full scale at another; the length follows the ratio.
std::vector<float> convertMix(std::span<const float> left, std::span<const float> right, double fromRate,
                              double toRate);

} // namespace lariat
