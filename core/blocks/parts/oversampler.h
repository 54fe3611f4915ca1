// Runs something non-linear at four times the rate.
//
// One Kaiser-windowed sinc of 32 taps serves both ways: at 96 kHz it passes 20 kHz and stops, 70 dB down, from 76 kHz,
// which is what could fold or image into the audible band. Linear phase, 4 samples late each way.
#pragma once

#include <array>
#include <cmath>
#include <cstddef>
#include <cstring>

namespace lariat {

inline constexpr int kOver = 4;

class Oversampler {
  public:
    /// `f(x)` is called four times for each sample; returns the sample that comes out.
    template <class F> float run(float in, F&& f) {
        for (std::size_t k = kHistory - 1; k > 0; --k) up_[k] = up_[k - 1];
        up_[0] = in * kOver;
        Lanes x{};
        for (std::size_t k = 0; k < kHistory; ++k) x += up_[k] * lanes(kFilter.data() + k * kOver);
        place_ = (place_ + kTaps - kOver) % kTaps;
        Lanes y{};
        for (int phase = 0; phase < kOver; ++phase) y[kOver - 1 - phase] = f(x[phase]); // the newest lies first
        std::memcpy(down_.data() + place_, &y, sizeof y);
        std::memcpy(down_.data() + place_ + kTaps, &y, sizeof y);
        const float* recent = down_.data() + place_;
        Lanes even{};
        Lanes odd{};
        for (std::size_t k = 0; k < kTaps; k += 2 * kOver) {
            even += lanes(recent + k) * lanes(kFilter.data() + k);
            odd += lanes(recent + k + kOver) * lanes(kFilter.data() + k + kOver);
        }
        const Lanes sum = even + odd;
        const float out = (sum[0] + sum[1]) + (sum[2] + sum[3]);
        return std::isfinite(out) ? out : clear();
    }

  private:
    static constexpr std::size_t kTaps = 32;
    static constexpr std::size_t kHistory = kTaps / kOver;

    /// Sums run in four lanes, as vector units do, so that no addition waits for the one before.
    using Lanes = float __attribute__((vector_size(kOver * sizeof(float))));
    static Lanes lanes(const float* from) {
        Lanes out;
        std::memcpy(&out, from, sizeof out);
        return out;
    }

    float clear() {
        *this = {};
        return 0.0f;
    }

    static std::array<float, kTaps> design();
    static const std::array<float, kTaps> kFilter; ///< one for all, made when the program starts

    std::array<float, kHistory> up_{};
    std::array<float, 2 * kTaps> down_{};
    std::size_t place_ = 0;
};

} // namespace lariat
