// Taps: what the last seconds of a cable looked like, written by the engine and read by anyone.
//
// One writer, any readers, no locks: samples are relaxed atomics and the count of samples is published after
// them. A reader that is overtaken sees a few newer samples at the old end, which a trace can live with.
#pragma once

#include "blocks/signal.h"

#include <array>
#include <atomic>
#include <cstdint>
#include <vector>

namespace lariat {

struct MinMax {
    float min = 0.0f;
    float max = 0.0f;
};

class Tap {
  public:
    static constexpr std::size_t kFine = 1u << 14;   ///< samples kept: 0.17 s at 96 kHz
    static constexpr int kPerSpan = 128;             ///< samples in a coarse span
    static constexpr std::size_t kCoarse = 1u << 13; ///< spans kept: 10.9 s at 96 kHz

    /// Appends one run. Only the engine's thread.
    void write(const Signal& signal);
    /// Samples written so far.
    [[nodiscard]] std::uint64_t count() const { return count_.load(std::memory_order_acquire); }
    /// The newest `n` samples (at most kFine), oldest first; fewer if there are not that many.
    [[nodiscard]] std::vector<float> samples(std::size_t n) const;
    /// The newest `n` spans (at most kCoarse), oldest first.
    [[nodiscard]] std::vector<MinMax> spans(std::size_t n) const;

  private:
    std::array<std::atomic<float>, kFine> fine_{};
    std::array<std::atomic<float>, kCoarse> low_{};
    std::array<std::atomic<float>, kCoarse> high_{};
    MinMax open_; ///< the span being collected
    std::atomic<std::uint64_t> count_{0};
};

} // namespace lariat
