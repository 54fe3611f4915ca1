// The phase that VCO and LFO turn, and the waveforms made from it.
//
// Phase p runs through [0, 1); with peak A = 5 V:
//   sine A sin(2πp) · triangle A(1 - 4|p - ½|) · saw A(2p - 1) · pulse A while p < width, else -A
//   sub ÷2, ÷4: squares that toggle every 1 or 2 turns · blends: half the sum of their parts
// Every jump and bend is found at its exact time within the sample, at audio-rate width, negative (through-
// zero) frequency and hard sync too, and band-limited by blep.h.
#pragma once

#include "blocks/blep.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <span>

namespace lariat {

/// A pulse that restarts the cycle: always, or (soft) only when three quarters of it have passed.
struct SyncPulse { // not initialised: lists of them are made for every run
    float at;
    bool soft;
};

/// The rising edges of one or two sync inputs, in order of time.
class SyncPulses {
  public:
    void add(std::span<const Edge> edges, bool soft = false) {
        for (const Edge& edge : edges)
            if (edge.rising && count_ < pulses_.size()) pulses_[count_++] = {edge.at, soft};
        std::sort(pulses_.begin(), pulses_.begin() + static_cast<std::ptrdiff_t>(count_),
                  [](const SyncPulse& a, const SyncPulse& b) { return a.at < b.at; });
    }
    [[nodiscard]] std::span<const SyncPulse> all() const { return {pulses_.data(), count_}; }

  private:
    std::array<SyncPulse, kRun> pulses_;
    std::size_t count_ = 0;
};

class OscillatorCore {
  public:
    enum Wave { Sine, Triangle, Saw, Pulse, Sub2, Sub4, TrianglePulse, SawPulse, kWaves };

    /// Turns the phase through samples [begin, end) of the run and writes the waves that somebody hears.
    /// turns[i]: phase step of sample i; width[i]: 0…1; `sync`: in order of time.
    void run(int begin, int end, const float* turns, const float* width, std::span<const SyncPulse> sync,
             std::span<Signal* const> outputs);
    [[nodiscard]] double phase() const { return phase_; }
    void restart() { *this = {}; }
    /// Starts the cycle at a phase in [0, 1); before the first run.
    void startAt(double phase) {
        phase_ = phase;
        upper_ = phase >= 0.5;
    }

  private:
    static constexpr int kOwnWaves = 6; ///< those that are not blends

    template <int Fixed>
    void runAs(int begin, int samples, const float* turns, const float* width, std::span<const SyncPulse> sync,
               std::span<Signal* const> outputs);
    using Line = std::array<float, kRun>;
    void runWalking(int begin, int n, const float* turns, const float* width, std::span<const SyncPulse> sync,
                    Line& phases, Line& pulses, Line& subs2, Line& subs4);
    bool runCalm(int n, const float* turns, const float* width, float* phases);
    void travel(double from, double to, double turn, double widthStep);
    void corner(double at, double turn);
    void wrap(double at, double turn);
    void countTurn(double at, bool forward);
    void flipPulse(double at);
    void reset(double at, double turn);
    [[nodiscard]] double position(double at) const { return at + begin_; }
    [[nodiscard]] bool wanted(Wave wave) const { return (needed_ & (1u << wave)) != 0; }
    Corners& corners(Wave wave) { return corners_[wave]; }
    [[nodiscard]] float squareOf(unsigned bit) const { return (turns_ & bit) ? -5.0f : 5.0f; }

    std::array<Corners, kOwnWaves> corners_{};
    double phase_ = 0.0;
    double width_ = 0.5; ///< at the present moment of the walk
    bool upper_ = false; ///< p >= 1/2
    bool high_ = true;   ///< p < width
    std::uint32_t turns_ = 0;
    unsigned needed_ = 0;
    int begin_ = 0;
    Signal* pulseOut_ = nullptr;
    Signal* sub2Out_ = nullptr;
    Signal* sub4Out_ = nullptr;
};

} // namespace lariat
