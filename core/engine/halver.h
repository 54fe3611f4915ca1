// Halving a sampling rate: what lies above the new half is filtered out, then every second sample is taken.
//
// A half-band filter of 127 taps (Kaiser-windowed sinc, β for 110 dB), of which every second one is zero. At 96 kHz:
// designed to pass 21.2 kHz and to be 110 dB down from 26.8 kHz, so that nothing folds back below. Linear phase;
// the delay is taken out by leaving away the first kDelay frames.
#pragma once

#include "blocks/signal.h"

#include <array>
#include <span>

namespace lariat {

class Halver {
  public:
    static constexpr int kDelay = 31; ///< frames that come out before the first one that went in

    /// Takes pairs of interleaved stereo frames and gives half as many. `in` at most kMost frames, an even number.
    /// Returns the frames written. No allocation.
    std::size_t run(std::span<const float> in, std::span<float> out);

    static constexpr std::size_t kMost = 256;

  private:
    static constexpr int kTaps = 64; ///< those that are not zero, the middle one apart
    static const std::array<float, kTaps>& taps();

    struct Side {
        std::array<float, kTaps + kMost / 2> odd{};  ///< the second of each pair, with those before
        std::array<float, kTaps + kMost / 2> even{}; ///< the first of each pair
    };
    std::array<Side, 2> sides_{};
    int skip_ = kDelay;
};

} // namespace lariat
