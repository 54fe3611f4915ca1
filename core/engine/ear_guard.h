// What stands between the case and the ears: monitor level, limiter, and a guard that latches.
//
// It works on what goes to the device, at the device's rate, after everything else. The limiter holds -1 dBFS between
// the samples as well (peaks by fourfold interpolation, 12 frames ahead, so all of it comes kDelay frames late). The
// guard acts on what would be heard, whatever the levels before it:
//   howl   a loop in the case, or what goes to its way out, stands at the rails for half a second: shut
//   DC     the mean of what is heard stays beyond 5 % of full scale for a second and a half: shut
//   jump   20 dB more than the loudest of late (which sinks by 1 dB a second of sound): held down to those 20 dB
// It stays so until the user lets go, by touching the monitor; no edit opens it.
#pragma once

#include <array>
#include <cstddef>
#include <span>

namespace lariat {

enum class Guard { Open, Howl, Dc, Jump };

class EarGuard {
  public:
    static constexpr int kDelay = 12; ///< frames

    explicit EarGuard(double rate);

    /// Level of what the device hears, 0…1. Lets go of the guard.
    void setMonitor(float gain);
    /// Silent, and back, without touching the guard.
    void setMuted(bool muted) { muted_ = muted; }

    /// Works on interleaved stereo frames, ±1 full scale. `atRails`: parts of these frames for which something that is
    /// heard stood at the rails, 0…1.
    void run(std::span<float> interleaved, float atRails);

    [[nodiscard]] Guard guard() const { return guard_; }
    /// True if the limiter has had to act since it was last asked.
    [[nodiscard]] bool limited() {
        const bool was = limited_;
        limited_ = false;
        return was;
    }

  private:
    void watch(float left, float right);
    void latch(Guard why) {
        if (guard_ == Guard::Open || guard_ == Guard::Jump) guard_ = why;
    }
    [[nodiscard]] float peakAhead() const;

    static constexpr int kRing = 32;
    struct Pair {
        float left = 0.0f;
        float right = 0.0f;
    };
    [[nodiscard]] const Pair& back(int frames) const { return ring_[idx((at_ - frames) & (kRing - 1))]; }

    double rate_;
    float monitor_ = 0.125f;
    float monitorNow_ = 0.125f;
    float glide_;
    bool muted_ = false;
    Guard guard_ = Guard::Open;
    float held_ = 1.0f;    ///< what a jump is held down by
    float openNow_ = 1.0f; ///< glides to 0, held_ or 1
    float limiter_ = 1.0f;
    float release_;
    bool limited_ = false;
    std::array<Pair, kRing> ring_{}; ///< the newest frames, as they would be heard
    int at_ = 0;
    std::array<float, kRing> peaks_{}; ///< between the samples, one for each frame
    double railSeconds_ = 0.0;
    double meanLeft_ = 0.0;
    double meanRight_ = 0.0;
    double meanPart_;
    double dcSeconds_ = 0.0;
    float blockPeak_ = 0.0f;
    int blockFrames_ = 0;
    float lately_ = 0.0f; ///< the loudest of late; 0: not known yet
    int heardBlocks_ = 0;
};

} // namespace lariat
