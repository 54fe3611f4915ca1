// Fast functions for the hot loops, with stated errors. All are branch-free, so that loops over a run of
// samples are vectorised by the compiler.
#pragma once

#include <algorithm>
#include <bit>
#include <cmath>
#include <cstdint>
#include <numbers>

namespace lariat {

inline constexpr double kPi = std::numbers::pi;
inline constexpr double kTwoPi = 2.0 * std::numbers::pi;
inline constexpr double kMiddleC = 261.6255653005986; ///< hertz at 0 V: C4 with A4 = 440 Hz

/// x held between two bounds, in two instructions; what is not a number becomes the lower one.
inline float within(float x, float low, float high) {
    const float held = x > low ? x : low;
    return held < high ? held : high;
}

/// 2^x for -120 < x < 120, held at 126 octaves beyond; what is not a number gives next to nothing. Relative error below
/// 2e-7 (0.0004 cent).
/// Splits x into a whole part, which becomes the exponent, and a rest in [0, 1) for a polynomial of degree 6
/// (Chebyshev fit).
inline float fastExp2(float x) {
    const float held = within(x, -126.0f, 126.0f);
    const float shifted = held + 128.0f; // truncation is floor for positive numbers
    const auto whole = static_cast<std::int32_t>(shifted);
    const float f = held - static_cast<float>(whole - 128);
    // Summed in pairs (Estrin 1960), so that a loop that waits for it waits for six steps instead of twelve.
    const float f2 = f * f;
    const float low = (1.0f + f * 0.69314718f) + f2 * (0.24022651f + f * 0.055503250f);
    const float high = (0.0096213914f + f * 0.0013274480f) + f2 * 0.00017468600f;
    const float p = low + f2 * f2 * high;
    return p * std::bit_cast<float>((whole - 1) << 23);
}

/// tan x for 0 <= x <= 1.42; relative error below 2e-6. Continued fraction of Lambert, seven terms.
inline float fastTan(float x) {
    const float s = x * x;
    return x * (135135.0f - s * (17325.0f - s * (378.0f - s))) /
           (135135.0f - s * (62370.0f - s * (3150.0f - s * 28.0f)));
}

/// sin(2 pi p) for 0 <= p <= 1; error below 2e-7. Folded to a quarter turn, odd polynomial.
inline float fastSinTurn(float p) {
    const float h = p - 0.5f;                              // -0.5 … 0.5, sine negated
    const float q = 0.25f - std::abs(0.25f - std::abs(h)); // 0 … 0.25
    const float x = 6.28318530718f * q;
    const float s = x * x;
    const float y = x * (1.0f - s * (1.6666666647e-1f - s * (8.3333296e-3f - s * (1.98407e-4f - s * 2.7239e-6f))));
    return h > 0.0f ? -y : y;
}

/// 10^(dB / 20).
inline float decibelsToGain(float decibels) {
    return fastExp2(decibels * 0.166096405f);
}

/// Soft saturation x / sqrt(1 + (x / c)^2) by first-order antiderivative anti-aliasing
/// (Parker, Zavalishin, Le Bivic 2016). For this curve the quotient of differences has the closed form
/// (x1 + x0) / (sqrt(1 + x1^2/c^2) + sqrt(1 + x0^2/c^2)). Costs half a sample of delay.
inline float saturate(float now, float before, float ceiling) {
    const float k = 1.0f / (ceiling * ceiling);
    return (now + before) / (std::sqrt(1.0f + now * now * k) + std::sqrt(1.0f + before * before * k));
}

/// Part of the way to its target that a first-order lag with this time constant goes in one sample. In double, and by
/// expm1, so that a slow one is exact.
inline double partPerSample(double seconds, double rate) {
    return -std::expm1(-1.0 / (std::max(seconds, 1e-6) * rate));
}

/// A first-order lag, kept in double so that it arrives however slow it is.
struct Lag {
    double now = 0.0;
    float toward(float target, double part) {
        now += part * (static_cast<double>(target) - now);
        if (!std::isfinite(now)) now = 0.0;
        return static_cast<float>(now);
    }
};

} // namespace lariat
