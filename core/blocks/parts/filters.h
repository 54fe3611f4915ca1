// Small linear filters for use inside blocks: zero-delay one-poles and state-variable sections.
// Zavalishin, The Art of VA Filter Design; shelves and bells as mixes of the section's outputs by Simper 2013.
#pragma once

#include "blocks/parts/maths.h"

#include <algorithm>
#include <cmath>

namespace lariat {

/// tan(π · hertz / rate), for the filters' `g`; frequencies stop at 0.45 of the rate.
inline float warped(float hertz, double rate) {
    return fastTan(std::min(1.4137167f, static_cast<float>(kPi) * hertz / static_cast<float>(rate)));
}

struct OnePole {
    float s = 0.0f;
    /// Low-pass; the high-pass is in - low.
    float low(float in, float g) {
        const float v = (in - s) * g / (1.0f + g);
        const float out = v + s;
        s = out + v;
        return out;
    }
};

/// The same for corners of some hertz, in double, so that what it leaves of a DC is not a matter of rounding.
struct SlowPole {
    double s = 0.0;
    float low(float in, double g) {
        const double v = (static_cast<double>(in) - s) * g / (1.0 + g);
        const double out = v + s;
        s = std::isfinite(out + v) ? out + v : 0.0;
        return static_cast<float>(out);
    }
};

/// Second-order section with damping k = 1/Q.
struct Section {
    float s1 = 0.0f;
    float s2 = 0.0f;
    struct Outs {
        float low;
        float band;
        float high;
    };
    Outs run(float in, float g, float k) {
        const float high = (in - (g + k) * s1 - s2) / (1.0f + g * (g + k));
        const float band = g * high + s1;
        const float low = g * band + s2;
        s1 = g * high + band;
        s2 = g * band + low;
        return {low, band, high};
    }
    /// Bell of `gain` (linear, amplitude) with quality q.
    float bell(float in, float g, float gain, float q) {
        const float a = std::sqrt(gain);
        const float k = 1.0f / (q * a);
        const Outs o = run(in, g, k);
        return in + k * (gain - 1.0f) * o.band;
    }
    float lowShelf(float in, float g, float gain) {
        const float root = std::sqrt(gain);
        constexpr float k = 1.41421356f;
        const Outs o = run(in, g / std::sqrt(root), k);
        return in + k * (root - 1.0f) * o.band + (gain - 1.0f) * o.low;
    }
    float highShelf(float in, float g, float gain) {
        const float root = std::sqrt(gain);
        constexpr float k = 1.41421356f;
        const Outs o = run(in, g * std::sqrt(root), k);
        return gain * in + k * (1.0f - root) * root * o.band + (1.0f - gain) * o.low;
    }
};

/// Keeps a filter's memory usable whatever came in.
inline void heal(float& memory, float most = 1000.0f) {
    memory = std::isfinite(memory) ? std::clamp(memory, -most, most) : 0.0f;
}
inline void heal(Section& section) {
    heal(section.s1);
    heal(section.s2);
}

} // namespace lariat
