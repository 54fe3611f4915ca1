#include "engine/halver.h"

#include "blocks/parts/kernels.h"
#include "blocks/parts/maths.h"

#include <algorithm>

namespace lariat {

const std::array<float, Halver::kTaps>& Halver::taps() {
    static const std::array<float, kTaps> table = [] {
        constexpr double beta = 11.2; // 110 dB
        std::array<double, kTaps> h{};
        double sum = 0.0;
        for (int i = 0; i < kTaps; ++i) {
            const double d = 2 * i - (kTaps - 1); // samples from the middle: odd, ±1 … ±63
            const double r = d / kTaps;
            h[idx(i)] = std::sin(0.5 * kPi * d) / (kPi * d) * std::cyl_bessel_i(0.0, beta * std::sqrt(1.0 - r * r));
            sum += h[idx(i)];
        }
        std::array<float, kTaps> out{};
        for (int i = 0; i < kTaps; ++i) out[idx(i)] = static_cast<float>(0.5 * h[idx(i)] / sum); // with the middle: 1
        return out;
    }();
    return table;
}

std::size_t Halver::run(std::span<const float> in, std::span<float> out) {
    const auto& h = taps();
    const std::size_t pairs = in.size() / 4;
    std::size_t written = 0;
    for (std::size_t s = 0; s < 2; ++s) {
        Side& side = sides_[s];
        for (std::size_t n = 0; n < pairs; ++n) {
            side.even[kTaps + n] = in[4 * n + s];
            side.odd[kTaps + n] = in[4 * n + 2 + s];
        }
    }
    for (std::size_t n = 0; n < pairs; ++n) {
        if (skip_ > 0) {
            --skip_;
            continue;
        }
        for (std::size_t s = 0; s < 2; ++s) {
            const Side& side = sides_[s];
            // The newest pair stands at kTaps + n; the middle is the first of the pair 31 before it.
            out[2 * written + s] =
                0.5f * side.even[kTaps + n - kDelay] + kernels().dot(h.data(), side.odd.data() + n + 1, kTaps);
        }
        ++written;
    }
    for (Side& side : sides_)
        for (auto* line : {&side.odd, &side.even})
            std::copy_n(line->begin() + static_cast<std::ptrdiff_t>(pairs), kTaps, line->begin());
    return written;
}

} // namespace lariat
