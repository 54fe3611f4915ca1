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

/// Adds the residual of a corner to kTaps samples from `to`. `ago`: how long before the first of them, 0…1 samples.
inline void spreadCorner(const std::array<std::array<float, BlepTable::kTaps>, BlepTable::kRows + 1>& rows, float ago,
                         float size, float* to) {
    const float position = std::min(1.0f, ago) * BlepTable::kRows;
    const auto row = idx(position);
    const float mix = position - static_cast<float>(row);
    const float* a = rows[row].data();
    const float* b = rows[row < BlepTable::kRows ? row + 1 : row].data();
    for (int tap = 0; tap < BlepTable::kTaps; ++tap) to[tap] += size * (a[tap] + mix * (b[tap] - a[tap]));
}

/// One waveform under correction, worked on in pieces of a run.
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
        std::copy_n(sum_.begin(), n, out);
        std::copy_n(sum_.begin() + n, BlepTable::kTaps, sum_.begin());
        std::fill_n(sum_.begin() + BlepTable::kTaps, n, 0.0f);
    }

  private:
    void spread(const std::array<std::array<float, BlepTable::kTaps>, BlepTable::kRows + 1>& rows, float at,
                float size) {
        const float first = std::max(0.0f, std::ceil(at));
        spreadCorner(rows, first - at, size, sum_.data() + static_cast<int>(first));
    }

    std::array<float, kRun + BlepTable::kTaps> sum_{};
};

/// What is still to come of a waveform under correction, in a ring, so that going on by one sample moves nothing.
class CornerRing {
  public:
    /// A corner so many samples (0…1) before the sample that is pushed next.
    void jump(float ago, float volts) { spread(blepTable().jump, ago, volts); }
    void bend(float ago, float voltsPerSample) { spread(blepTable().bend, ago, voltsPerSample); }
    /// Puts in the uncorrected sample and takes out the one that is due.
    float push(float raw) {
        ring_[(at_ + BlepTable::kHalf) % kSize] += raw;
        const float out = ring_[at_];
        ring_[at_] = 0.0f;
        at_ = (at_ + 1) % kSize;
        return out;
    }
    /// For a whole piece: what is to come, then room for n samples.
    void open(float* sum, int n) const {
        for (unsigned tap = 0; tap < BlepTable::kTaps; ++tap) sum[tap] = ring_[(at_ + tap) % kSize];
        std::fill_n(sum + BlepTable::kTaps, n, 0.0f);
    }
    void close(const float* sum, int n) {
        ring_.fill(0.0f);
        std::copy_n(sum + n, BlepTable::kTaps, ring_.begin());
        at_ = 0;
    }

  private:
    static constexpr unsigned kSize = 16;
    void spread(const std::array<std::array<float, BlepTable::kTaps>, BlepTable::kRows + 1>& rows, float ago,
                float size) {
        std::array<float, BlepTable::kTaps> residual{};
        spreadCorner(rows, ago, size, residual.data());
        for (unsigned tap = 0; tap < BlepTable::kTaps; ++tap) ring_[(at_ + tap) % kSize] += residual[tap];
    }

    std::array<float, kSize> ring_{};
    unsigned at_ = 0;
};

} // namespace lariat
