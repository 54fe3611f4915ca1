// The static curve of a compressor and the smoothing of its gain (Giannoulis, Massberg, Reiss 2012).
#pragma once

#include "blocks/maths.h"

#include <algorithm>
#include <cmath>

namespace lariat {

struct GainComputer {
    float threshold = -12.0f; ///< dB, 0 dB is a sine of 5 V peak
    float ratio = 4.0f;
    float knee = 6.0f;
    float attack = 0.1f; ///< part of the way per sample
    float release = 0.01f;

    /// Gain change in dB for a level in dB: 0 below the knee, (threshold - level)(1 - 1/ratio) above it.
    [[nodiscard]] float curve(float level) const {
        const float over = level - threshold;
        const float slope = 1.0f - 1.0f / ratio;
        if (2.0f * over <= -knee) return 0.0f;
        if (2.0f * over >= knee) return -slope * over;
        const float into = over + 0.5f * knee;
        return -slope * into * into / (2.0f * knee);
    }
};

/// Level by mean square over 10 ms, gain by attack and release. One per band.
struct GainRider {
    float meanSquare = 0.0f;
    float gain = 0.0f; ///< dB

    /// dB of change for a sample of the key.
    float run(float key, const GainComputer& computer, float window) {
        meanSquare += window * (key * key - meanSquare);
        if (!std::isfinite(meanSquare)) meanSquare = 0.0f;
        const float level = 10.0f * std::log10(meanSquare * (2.0f / 25.0f) + 1e-12f);
        const float target = computer.curve(level);
        gain += (target < gain ? computer.attack : computer.release) * (target - gain);
        return gain;
    }
};

inline float perSample(float seconds, double rate) {
    return 1.0f - std::exp(-1.0f / (std::max(seconds, 1e-5f) * static_cast<float>(rate)));
}

} // namespace lariat
