// The static curve of a compressor and the smoothing of its gain (Giannoulis, Massberg, Reiss 2012).
#pragma once

#include "blocks/parts/maths.h"

#include <algorithm>
#include <cmath>

namespace lariat {

struct GainComputer {
    float threshold = -12.0f; ///< dB, 0 dB is a sine of 5 V peak
    float ratio = 4.0f;
    float knee = 6.0f;
    double attack = 0.1; ///< part of the way per sample
    double release = 0.01;

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
    Lag meanSquare;
    Lag gain; ///< dB

    /// dB of change for a sample of the key.
    float run(float key, const GainComputer& computer, double window) {
        const float level = 10.0f * std::log10(meanSquare.toward(key * key, window) * (2.0f / 25.0f) + 1e-12f);
        const float target = computer.curve(level);
        return gain.toward(target, static_cast<double>(target) < gain.now ? computer.attack : computer.release);
    }
};

} // namespace lariat
