#include "engine/ear_guard.h"

#include "blocks/parts/maths.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr float kCeiling = 0.891f; ///< -1 dBFS
constexpr double kHowlSeconds = 0.5;
constexpr float kDcLevel = 0.05f;
constexpr double kDcSeconds = 1.5;
constexpr double kBlockSeconds = 0.02; ///< over which a peak is taken
constexpr int kLearnBlocks = 50;       ///< a second of sound, before a jump can be told
constexpr float kQuiet = 0.003f;       ///< -50 dBFS: below it there is no sound to compare with
constexpr float kLoud = 0.1f;          ///< -20 dBFS: below it a jump does no harm
constexpr float kJump = 10.0f;         ///< 20 dB

constexpr int kWing = 6; ///< frames on either side that an interpolated peak is made of

/// Windowed sinc at 1/4, 1/2 and 3/4 between two frames.
const std::array<std::array<float, 2 * kWing>, 3>& between() {
    static const std::array<std::array<float, 2 * kWing>, 3> table = [] {
        std::array<std::array<float, 2 * kWing>, 3> out{};
        for (std::size_t p = 0; p < out.size(); ++p)
            for (int n = 0; n < 2 * kWing; ++n) {
                const double x = 0.25 * static_cast<double>(p + 1) - (n - kWing + 1);
                const double window = std::cos(0.5 * kPi * x / (kWing + 0.5));
                out[p][idx(n)] = static_cast<float>(std::sin(kPi * x) / (kPi * x) * window * window);
            }
        return out;
    }();
    return table;
}

} // namespace

EarGuard::EarGuard(double rate)
    : rate_(rate), glide_(static_cast<float>(partPerSample(0.005, rate))), release_(static_cast<float>(4.0 / rate)),
      meanPart_(partPerSample(0.3, rate)) {
    between();
}

void EarGuard::setMonitor(float gain) {
    monitor_ = gain;
    guard_ = Guard::Open;
    held_ = 1.0f;
    railSeconds_ = dcSeconds_ = 0.0;
    lately_ = 0.0f;
    heardBlocks_ = 0;
}

/// The loudest between the frames kWing - 1 and kWing before the newest.
float EarGuard::peakAhead() const {
    const Pair& near = back(kWing);
    const Pair& next = back(kWing - 1);
    float peak = std::max(std::abs(near.left), std::abs(near.right));
    // Between samples a signal rises by no more than some decibels: quiet ones need no closer look.
    const float around = std::max({peak, std::abs(next.left), std::abs(next.right)});
    if (around < 0.4f * kCeiling) return peak;
    for (const auto& row : between()) {
        float left = 0.0f;
        float right = 0.0f;
        for (int n = 0; n < 2 * kWing; ++n) {
            const Pair& frame = back(2 * kWing - 1 - n);
            left += row[idx(n)] * frame.left;
            right += row[idx(n)] * frame.right;
        }
        peak = std::max({peak, std::abs(left), std::abs(right)});
    }
    return peak;
}

/// Looks at one frame as it would be heard if the guard were open.
void EarGuard::watch(float left, float right) {
    meanLeft_ += meanPart_ * (static_cast<double>(left) - meanLeft_);
    meanRight_ += meanPart_ * (static_cast<double>(right) - meanRight_);
    const double mean = std::max(std::abs(meanLeft_), std::abs(meanRight_));
    dcSeconds_ = mean > static_cast<double>(kDcLevel) ? dcSeconds_ + 1.0 / rate_ : 0.0;
    if (dcSeconds_ > kDcSeconds) latch(Guard::Dc);

    blockPeak_ = std::max({blockPeak_, std::abs(left), std::abs(right)});
    if (++blockFrames_ < static_cast<int>(kBlockSeconds * rate_)) return;
    const float peak = blockPeak_;
    blockPeak_ = 0.0f;
    blockFrames_ = 0;
    if (peak < kQuiet) return;
    const bool known = heardBlocks_ >= kLearnBlocks;
    if (known && peak > kLoud && peak > kJump * lately_) {
        latch(Guard::Jump);
        if (guard_ == Guard::Jump) held_ = std::min(held_, kJump * lately_ / peak);
        return;
    }
    heardBlocks_ = std::min(heardBlocks_ + 1, kLearnBlocks);
    constexpr float kSinks = 0.9977f; // 1 dB a second of blocks
    lately_ = std::max({peak, lately_ * kSinks, kQuiet});
}

void EarGuard::run(std::span<float> interleaved, float atRails) {
    const std::size_t frames = interleaved.size() / 2;
    const double seconds = static_cast<double>(frames) / rate_;
    railSeconds_ = std::max(0.0, railSeconds_ + seconds * (atRails > 0.5f ? 1.0 : -1.0));
    for (std::size_t i = 0; i < frames; ++i) {
        float left = interleaved[2 * i];
        float right = interleaved[2 * i + 1];
        if (!std::isfinite(left) || !std::isfinite(right)) left = right = 0.0f;
        monitorNow_ += glide_ * ((muted_ ? 0.0f : monitor_) - monitorNow_);
        left *= monitorNow_;
        right *= monitorNow_;
        watch(left, right);
        // A jump is held before its first frame leaves: what it is held down by is known within a block of 20 ms, and
        // until then the limiter alone stands before it.
        const float open = guard_ == Guard::Open ? 1.0f : guard_ == Guard::Jump ? held_ : 0.0f;
        openNow_ += glide_ * (open - openNow_);

        at_ = (at_ + 1) & (kRing - 1);
        ring_[idx(at_)] = {left, right};
        peaks_[idx((at_ - kWing) & (kRing - 1))] = peakAhead();
        // The frame that leaves now lies kDelay back; peaks up to kWing back are known.
        float loudest = 0.0f;
        for (int ahead = kWing; ahead <= kDelay + 1; ++ahead)
            loudest = std::max(loudest, peaks_[idx((at_ - ahead) & (kRing - 1))]);
        limiter_ = std::min(1.0f, limiter_ + release_);
        if (loudest * openNow_ * limiter_ > kCeiling) {
            limiter_ = kCeiling / (loudest * openNow_);
            limited_ = true;
        }
        const Pair& now = back(kDelay);
        interleaved[2 * i] = now.left * openNow_ * limiter_;
        interleaved[2 * i + 1] = now.right * openNow_ * limiter_;
    }
    const float heard = std::max(lately_, blockPeak_);
    if (railSeconds_ > kHowlSeconds && heard > kQuiet * 0.3f) latch(Guard::Howl);
}

} // namespace lariat
