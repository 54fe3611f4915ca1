// Runs something non-linear at four times the rate.
//
// One Kaiser-windowed sinc of 32 taps serves both ways: at 96 kHz it passes 20 kHz and stops, 70 dB down, from 76 kHz,
// which is what could fold or image into the audible band. Linear phase, 4 samples late each way.
#pragma once

#include "blocks/parts/maths.h"
#include "blocks/signal.h"

#include <array>
#include <cmath>

namespace lariat {

inline constexpr int kOver = 4;

class Oversampler {
  public:
    /// `f(x)` is called four times for each sample; returns the sample that comes out.
    template <class F> float run(float in, F&& f) {
        const auto& h = taps();
        for (std::size_t k = kHistory - 1; k > 0; --k) up_[k] = up_[k - 1];
        up_[0] = in;
        float out = 0.0f;
        for (std::size_t phase = 0; phase < kOver; ++phase) {
            float x = 0.0f;
            for (std::size_t k = 0; k < kHistory; ++k) x += up_[k] * h[k * kOver + phase];
            const float y = f(x * kOver);
            place_ = (place_ + kTaps - 1) % kTaps;
            down_[place_] = down_[place_ + kTaps] = y;
        }
        const float* recent = down_.data() + place_;
        for (std::size_t k = 0; k < kTaps; ++k) out += recent[k] * h[k];
        return std::isfinite(out) ? out : clear();
    }

    static constexpr std::size_t kTaps = 32;
    /// The filter; made at the first call, which `Block::prepare` has to make.
    static const std::array<float, kTaps>& taps() {
        static const std::array<float, kTaps> table = design();
        return table;
    }

  private:
    static constexpr std::size_t kHistory = kTaps / kOver;

    float clear() {
        *this = {};
        return 0.0f;
    }

    static std::array<float, kTaps> design() {
        constexpr double beta = 6.76;
        constexpr double cutoff = 48.0 / 384.0; // of the high rate
        std::array<double, kTaps> h{};
        double sum = 0.0;
        for (std::size_t n = 0; n < kTaps; ++n) {
            const double x = static_cast<double>(n) - (kTaps - 1) / 2.0;
            const double r = 2.0 * x / kTaps;
            h[n] = std::sin(kTwoPi * cutoff * x) / (kPi * x) * std::cyl_bessel_i(0.0, beta * std::sqrt(1.0 - r * r));
            sum += h[n];
        }
        std::array<float, kTaps> out{};
        for (std::size_t n = 0; n < kTaps; ++n) out[n] = static_cast<float>(h[n] / sum);
        return out;
    }

    std::array<float, kHistory> up_{};
    std::array<float, 2 * kTaps> down_{};
    std::size_t place_ = 0;
};

} // namespace lariat
