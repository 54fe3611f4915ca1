// Band-limited corners: every jump and every bend of a waveform is replaced by a smooth one.
//
// The ideal step H(t) is exchanged for S(t), the integral of a Kaiser-windowed sinc of eight samples
// (Stilson & Smith 1996; Brandt 2001 for tables; linear phase here). The kernel passes 0…0.23 fs and stops
// 70 dB down from 0.77 fs, so at 96 kHz nothing folds back below 22 kHz. A bend (change of slope) uses the
// integral of S. Being linear-phase, the waveforms leave kHalf samples late (42 µs at 96 kHz); the edges an
// oscillator lists are not delayed.
#pragma once

#include "blocks/signal.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace lariat {

class BlepTable {
  public:
    static constexpr int kTaps = 8;
    static constexpr int kHalf = kTaps / 2;
    static constexpr int kRows = 256;

    BlepTable();
    /// Residuals S - H and ∫S - ramp at the taps behind an edge, for row r: edge (r / kRows) samples ago.
    std::array<std::array<float, kTaps>, kRows + 1> jump;
    std::array<std::array<float, kTaps>, kRows + 1> bend;
};

/// The one table; made at the first call, which `Block::prepare` has to make.
const BlepTable& blepTable();

/// One waveform under correction.
class Corners {
  public:
    /// A jump by `volts` at time `at`, in samples from the start of this call's samples, in (i - 1, i].
    void jump(float at, float volts) { spread(blepTable().jump, at, volts); }
    /// The slope changes by `voltsPerSample` at time `at`.
    void bend(float at, float voltsPerSample) { spread(blepTable().bend, at, voltsPerSample); }
    /// The uncorrected waveform, sample by sample of this call, is added here.
    float* line() { return sum_.data() + BlepTable::kHalf; }
    /// Hands out the first n samples and moves on.
    void flush(float* out, int n) {
        if (n == 1) { // within a loop: no calls
            out[0] = sum_[0];
            for (std::size_t tap = 0; tap < BlepTable::kTaps; ++tap) sum_[tap] = sum_[tap + 1];
            sum_[BlepTable::kTaps] = 0.0f;
            return;
        }
        std::copy_n(sum_.begin(), n, out);
        std::copy_n(sum_.begin() + n, BlepTable::kTaps, sum_.begin());
        std::fill_n(sum_.begin() + BlepTable::kTaps, n, 0.0f);
    }

  private:
    void spread(const std::array<std::array<float, BlepTable::kTaps>, BlepTable::kRows + 1>& rows, float at,
                float size) {
        const float first = std::max(0.0f, std::ceil(at));
        const float position = std::min(1.0f, first - at) * BlepTable::kRows;
        const auto row = static_cast<std::size_t>(position);
        const float mix = position - static_cast<float>(row);
        const float* a = rows[row].data();
        const float* b = rows[row < BlepTable::kRows ? row + 1 : row].data();
        float* to = sum_.data() + static_cast<int>(first);
        for (int tap = 0; tap < BlepTable::kTaps; ++tap) to[tap] += size * (a[tap] + mix * (b[tap] - a[tap]));
    }

    std::array<float, kRun + BlepTable::kTaps> sum_{};
};

} // namespace lariat
