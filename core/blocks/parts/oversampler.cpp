#include "blocks/parts/oversampler.h"

#include "blocks/parts/maths.h"

namespace lariat {

const std::array<float, Oversampler::kTaps> Oversampler::kFilter = design();

std::array<float, Oversampler::kTaps> Oversampler::design() {
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

} // namespace lariat
