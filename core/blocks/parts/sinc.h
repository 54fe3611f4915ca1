// Reading a recording between its samples: a windowed sinc of 32 samples (Kaiser, 80 dB; flat to 0.42 of the
// recording's rate, shut from 0.58).
#pragma once

#include "blocks/parts/maths.h"
#include "blocks/signal.h"

#include <array>
#include <vector>

namespace lariat {

/// One wing of it, by table.
class SincTable {
  public:
    SincTable() {
        constexpr double beta = 7.86;
        for (std::size_t k = 0; k < wing_.size(); ++k) {
            const double x = static_cast<double>(k) / kPerSample;
            const double r = x / kHalf;
            const double sinc = k == 0 ? 1.0 : std::sin(kPi * x) / (kPi * x);
            const double window = r < 1.0 ? std::cyl_bessel_i(0.0, beta * std::sqrt(1.0 - r * r)) : 0.0;
            wing_[k] = static_cast<float>(sinc * window / std::cyl_bessel_i(0.0, beta));
        }
    }

    /// `from` at a position in samples. A stretch above 1 lowers the cut-off by that factor. Beyond its ends there is
    /// silence, or, in a loop, its other end.
    [[nodiscard]] float read(const std::vector<float>& from, double position, float stretch, bool loops) const {
        const auto reach = static_cast<long>(static_cast<float>(kHalf) * stretch);
        const auto here = static_cast<long>(position);
        const auto size = static_cast<long>(from.size());
        float sum = 0.0f;
        for (long k = here - reach + 1; k <= here + reach; ++k) {
            long place = k;
            if (loops)
                place = ((k % size) + size) % size;
            else if (k < 0 || k >= size)
                continue;
            sum += from[idx(place)] * at(static_cast<float>(position - static_cast<double>(k)) / stretch);
        }
        return sum / stretch;
    }

  private:
    static constexpr int kHalf = 16;
    static constexpr int kPerSample = 256;

    [[nodiscard]] float at(float x) const {
        const float position = std::abs(x) * kPerSample;
        if (position >= kHalf * kPerSample) return 0.0f;
        const auto k = idx(position);
        return wing_[k] + (position - static_cast<float>(k)) * (wing_[k + 1] - wing_[k]);
    }

    std::array<float, kHalf * kPerSample + 2> wing_{};
};

/// The one table; made at the first call, which `Block::prepare` has to make.
inline const SincTable& sincTable() {
    static const SincTable table;
    return table;
}

} // namespace lariat
