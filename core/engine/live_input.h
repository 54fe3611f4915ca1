// What comes in at the device, brought to the engine's rate run by run. No allocation after construction.
#pragma once

#include "blocks/signal.h"
#include "engine/resampler.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <vector>

namespace lariat {

class LiveInput {
  public:
    LiveInput(double deviceRate, double engineRate) : resampler_(deviceRate, engineRate), waiting_(2 * kMost) {}

    /// A block of interleaved stereo frames; nullptr: none. What the engine has not taken when too many wait is lost.
    void give(const float* in, std::size_t frames) {
        if (!in) return;
        std::copy(waiting_.begin() + static_cast<std::ptrdiff_t>(next_),
                  waiting_.begin() + static_cast<std::ptrdiff_t>(end_), waiting_.begin());
        end_ -= next_;
        next_ = 0;
        const std::size_t fits = std::min(2 * frames, waiting_.size() - end_);
        std::copy_n(in, fits, waiting_.begin() + static_cast<std::ptrdiff_t>(end_));
        end_ += fits;
    }
    /// Makes left() and right() the next run; silent where nothing has come.
    void takeRun() {
        std::array<float, 2 * kRun> both{};
        resampler_.fill(both, [this] { return more(); });
        for (std::size_t i = 0; i < kRun; ++i) {
            left_[i] = both[2 * i];
            right_[i] = both[2 * i + 1];
        }
    }
    [[nodiscard]] const float* left() const { return left_.data(); }
    [[nodiscard]] const float* right() const { return right_.data(); }

  private:
    static constexpr std::size_t kMost = 16384; ///< frames that may wait

    std::span<const float> more() {
        const std::size_t taken = std::min(staged_.size(), end_ - next_);
        std::copy_n(waiting_.begin() + static_cast<std::ptrdiff_t>(next_), taken, staged_.begin());
        next_ += taken;
        return {staged_.data(), taken};
    }

    Resampler resampler_;
    std::vector<float> waiting_;
    std::size_t next_ = 0;
    std::size_t end_ = 0;
    std::array<float, 64> staged_{}; ///< what the resampler is reading
    std::array<float, kRun> left_{};
    std::array<float, kRun> right_{};
};

} // namespace lariat
