// The phase that VCO and LFO turn, and the waveforms made from it.
//
// Phase p runs through [0, 1); with peak A = 5 V:
//   sine A sin(2πp) · triangle A(1 - 4|p - ½|) · saw A(2p - 1) · pulse A while p < width, else -A
//   sub ÷2, ÷4: squares that toggle every 1 or 2 turns · blends: half the sum of their parts
// Every jump and bend is found at its exact time within the sample, at audio-rate width, negative (through-
// zero) frequency and hard sync too, and band-limited by blep.h. Only the corners of waves that are heard are minded;
// between them the phase is summed in one go.
#pragma once

#include "blocks/parts/blep.h"
#include "blocks/parts/maths.h"

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
        if (count_ > 1)
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
    using Outputs = std::array<Signal*, kWaves>;

    /// What moves the phase through samples [begin, end) of a run.
    struct Way {
        const float* turns; ///< phase step of each sample of the run
        const float* width; ///< 0…1
        bool evenTurns;     ///< all turns of these samples are the same
        bool evenWidth;
    };

    /// The waves, as bits, that have to be made for these outputs.
    static unsigned needed(const Outputs& outputs);

    /// Turns the phase and writes the waves that somebody hears. `sync`: in order of time.
    void run(int begin, int end, const Way& way, std::span<const SyncPulse> sync, const Outputs& outputs,
             unsigned needed);
    /// The same for one sample without sync, where the width stands still. `Waves`: those needed, if they are known, so
    /// that the code for one wave has nothing else in it.
    template <unsigned Waves = ~0u> void one(int i, float turn, float width, const Outputs& outputs, unsigned needed);

    [[nodiscard]] double phase() const { return phase_; }
    /// Starts the cycle at a phase in [0, 1); before the first run.
    void startAt(double phase) {
        phase_ = phase;
        upper_ = phase >= 0.5;
    }

    static constexpr std::size_t kOwnWaves = 6; ///< those that are not blends

  private:
    class Lines;
    class Rings;
    static void listEdges(const Outputs& outputs);

    [[gnu::noinline]] void turnCorner(int i, float turn, float width, const Outputs& outputs, unsigned needed);
    template <class Sink> void sample(Sink& sink, int i, double turn, double width, std::span<const SyncPulse> sync);
    template <class Sink> void travel(Sink& sink, double from, double to, double turn, double widthStep);
    template <class Sink> void corner(Sink& sink, double at, double turn);
    template <class Sink> void wrap(Sink& sink, double at, double turn);
    template <class Sink> void countTurn(Sink& sink, double at, bool forward);
    template <class Sink> void flipPulse(Sink& sink, double at);
    template <class Sink> void reset(Sink& sink, double at, double turn);
    /// Samples from i on in which nothing happens before `stop`; their phases are noted.
    int glide(int i, int stop, const Way& way, int begin, unsigned needed, float* phases);
    [[nodiscard]] float squareOf(unsigned bit) const { return (turns_ & bit) ? -5.0f : 5.0f; }

    std::array<CornerRing, kOwnWaves> corners_{};
    double phase_ = 0.0;
    double width_ = 0.5; ///< at the present moment of the walk
    bool upper_ = false; ///< p >= 1/2
    bool high_ = true;   ///< p < width
    std::uint32_t turns_ = 0;
};

template <unsigned Waves>
[[gnu::always_inline]] inline void OscillatorCore::one(int i, float turn, float width, const Outputs& outputs,
                                                       unsigned asked) {
    constexpr bool kAny = Waves == ~0u;
    const unsigned needed = kAny ? asked : Waves;
    const auto wants = [&](Wave wave) { return (needed >> wave & 1u) != 0; };
    if (wants(Pulse) || wants(Sub2) || wants(Sub4)) listEdges(outputs);
    const auto target = static_cast<double>(width);
    double limit = wants(Triangle) && !upper_ ? 0.5 : 1.0;
    if (wants(Pulse) && high_) limit = std::min(limit, std::min(target, width_));
    const double reached = phase_ + static_cast<double>(turn);
    const bool calm = turn >= 0.0f && reached < limit && !(wants(Pulse) && !high_ && reached < target);
    if (calm) [[likely]] {
        phase_ = reached;
        width_ = target;
    } else {
        turnCorner(i, turn, width, outputs, needed);
    }
    if (!wants(Triangle)) upper_ = phase_ >= 0.5;
    if (!wants(Pulse)) high_ = phase_ < width_;
    const auto p = static_cast<float>(phase_);
    std::array<float, kOwnWaves> made{};
    const auto make = [&](Wave wave, float raw) {
        made[wave] = corners_[wave].push(raw);
        if (Signal* out = outputs[wave]) (*out)[i] = made[wave];
    };
    if (wants(Sine)) make(Sine, 5.0f * fastSinTurn(p));
    if (wants(Triangle)) make(Triangle, 5.0f * (1.0f - 4.0f * std::abs(p - 0.5f)));
    if (wants(Saw)) make(Saw, 5.0f * (2.0f * p - 1.0f));
    if (wants(Pulse)) make(Pulse, high_ ? 5.0f : -5.0f);
    if (wants(Sub2)) make(Sub2, squareOf(1));
    if (wants(Sub4)) make(Sub4, squareOf(2));
    if constexpr (kAny) {
        if (Signal* out = outputs[TrianglePulse]) (*out)[i] = 0.5f * (made[Triangle] + made[Pulse]);
        if (Signal* out = outputs[SawPulse]) (*out)[i] = 0.5f * (made[Saw] + made[Pulse]);
    }
}

} // namespace lariat
