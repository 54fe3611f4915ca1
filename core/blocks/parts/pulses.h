// Several gates in, timed pulses out.
#pragma once

#include "blocks/block.h"
#include "blocks/parts/gate.h"

#include <limits>

namespace lariat {

inline constexpr double kNever = std::numeric_limits<double>::infinity();

/// N gate inputs whose edges are handed on in order of time.
template <int N> class GateBank {
  public:
    /// For every edge of the inputs `jacks` in order of time (of edges at one time the first jack's comes first): calls
    /// `until(at)` while all levels are as they were before it, then `event(which, edge)`.
    template <class Until, class Event>
    void inOrder(const Frame& frame, const std::array<int, N>& jacks, Until&& until, Event&& event) {
        bool quiet = true;
        for (std::size_t n = 0; n < N; ++n)
            quiet =
                (concerns(frame, jacks[n], n) ? readers_[n].passesQuietly(frame.in(jacks[n]), frame.begin, frame.end)
                                              : true) &&
                quiet;
        if (quiet) return;
        std::array<FoundEdges, N> lists;
        for (std::size_t n = 0; n < N; ++n)
            if (concerns(frame, jacks[n], n)) readers_[n].read(frame.in(jacks[n]), frame.begin, frame.end, lists[n]);
        std::array<std::size_t, N> next{};
        for (;;) {
            std::size_t first = N;
            for (std::size_t n = 0; n < N; ++n)
                if (next[n] < lists[n].count &&
                    (first == N || lists[n].edges[next[n]].at < lists[first].edges[next[first]].at))
                    first = n;
            if (first == N) return;
            const Edge edge = lists[first].edges[next[first]++];
            until(static_cast<double>(edge.at));
            high_[first] = edge.rising;
            event(static_cast<int>(first), edge);
        }
    }
    /// Without anything to be done before an edge.
    template <class Event> void inOrder(const Frame& frame, const std::array<int, N>& jacks, Event&& event) {
        inOrder(
            frame, jacks, [](double) {}, event);
    }
    /// The level that the input has reached with the edges handed on so far.
    [[nodiscard]] bool high(int n) const { return high_[idx(n)]; }

  private:
    [[nodiscard]] bool concerns(const Frame& frame, int jack, std::size_t n) const {
        return frame.plugged(jack) || readers_[n].high();
    }

    std::array<bool, N> high_{};
    std::array<GateReader, N> readers_;
};

/// An output of pulses that end by themselves. `start`, then `fire`, `raise` and `drop` in order of time, then
/// `finish`.
class PulseWriter {
  public:
    void start(const Frame& frame, int output) { writer_.start(frame.out(output), frame.begin); }
    /// High from `at` for so many samples; a pulse that is still high goes on from here.
    void fire(double at, double samples, float volts) {
        closeUntil(at);
        writer_.change(static_cast<float>(at), true, volts);
        ends_ = at + samples;
    }
    /// High from `at` until dropped.
    void raise(double at, float volts) { fire(at, kNever, volts); }
    void drop(double at) {
        closeUntil(at);
        writer_.change(static_cast<float>(at), false, 0.0f);
        ends_ = kNever;
    }
    void finish(const Frame& frame) {
        closeUntil(frame.end - 1.0);
        writer_.finish(frame.end);
        if (frame.endsRun()) ends_ -= kRun; // times count from the start of the run
    }
    [[nodiscard]] bool high() const { return writer_.high(); }

  private:
    void closeUntil(double to) {
        if (ends_ > to) return;
        writer_.change(static_cast<float>(ends_), false, 0.0f);
        ends_ = kNever;
    }

    GateWriter writer_;
    double ends_ = kNever;
};

inline constexpr float kGateVolts = 8.0f;
inline constexpr double kTriggerSeconds = 0.005;

/// What a block does between edges: `advance(to)` writes samples up to a time. This keeps the place.
class Walk {
  public:
    explicit Walk(const Frame& frame) : next_(frame.begin), end_(frame.end) {}
    /// Calls `sample(i)` for every sample before time `at` (exclusive of one that lies at or behind it).
    template <class F> void upTo(double at, F&& sample) {
        const int until =
            static_cast<int>(std::ceil(std::clamp(at, static_cast<double>(next_), static_cast<double>(end_))));
        for (; next_ < until; ++next_) sample(next_);
    }
    template <class F> void toEnd(F&& sample) { upTo(end_, sample); }

  private:
    int next_;
    int end_;
};

} // namespace lariat
