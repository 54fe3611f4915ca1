// What flows in a cable: a run of samples in volts, what is known of them as a whole, and where inside the samples its
// edges lie.
//
// The engine works in runs of kRun samples. Sources of pulses list their edges with sub-sample time, so that
// sync, clocks and envelopes that are tied to them start exactly then; for any other signal the reader finds
// the crossing of its threshold by interpolation (see GateReader in gate.h). Lists are kept apart from the samples, and
// only outputs that may list edges have one.
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>

namespace lariat {

inline constexpr int kRun = 64;

/// A place in an array, from whatever number it is counted with.
template <class Number> constexpr std::size_t idx(Number n) {
    return static_cast<std::size_t>(n);
}

/// One value for each sample of a run.
struct alignas(32) Line {
    std::array<float, kRun> values;

    template <class Number> float& operator[](Number i) { return values[idx(i)]; }
    template <class Number> float operator[](Number i) const { return values[idx(i)]; }
    float* data() { return values.data(); }
    [[nodiscard]] const float* data() const { return values.data(); }
    void fill(float value) { values.fill(value); }
};

/// A crossing of the gate threshold.
struct Edge { // not initialised: room for them is made for every run
    float at; ///< in samples from the start of the run; in (k - 1, k] for the change seen at sample k
    bool rising;
};

/// The edges of one run, in order of time.
struct EdgeList {
    int count = 0;
    bool listed = false; ///< false: this source does not list its edges in this run
    std::array<Edge, kRun> edges{};

    /// A rounding must not push an edge out of the run.
    void add(float at, bool rising) {
        if (count < kRun) edges[idx(count++)] = {std::clamp(at, -1.0f, static_cast<float>(kRun - 1)), rising};
    }
    void clear() {
        count = 0;
        listed = false;
    }
};

struct Signal {
    alignas(32) std::array<float, kRun> volts{};
    EdgeList* list = nullptr; ///< nullptr: never lists edges
    float low = 0.0f;         ///< of the run, once all of it is there
    float high = 0.0f;

    float& operator[](int i) { return volts[idx(i)]; }
    float operator[](int i) const { return volts[idx(i)]; }
    /// All samples of the run are the same. Not to be asked by whoever runs sample by sample.
    [[nodiscard]] bool steady() const { return low == high; }
    [[nodiscard]] bool listsEdges() const { return list && list->listed; }
};

/// The signal of a jack in which nothing is plugged.
inline const Signal& silence() {
    static const Signal zero;
    return zero;
}

/// Outputs are exact up to here: 10 V and what a band-limited corner of 10 V overshoots …
inline constexpr float kLinearVolts = 10.8f;
inline constexpr float kRailVolts = 11.5f; ///< … and never get here

/// Soft limit of every output: linear to ±10.8 V, then bending toward ±11.5 V, with a continuous slope.
inline float softRail(float volts) {
    constexpr float room = kRailVolts - kLinearVolts;
    const float over = std::abs(volts) - kLinearVolts;
    if (over <= 0.0f) return volts;
    return std::copysign(kLinearVolts + room * over / (over + room), volts);
}

/// Holds one sample inside the rails. False if it is not a number or infinite; it is silenced then.
inline bool holdInRails(float& volts) {
    if (std::abs(volts) <= kLinearVolts) return true;
    const bool number = std::isfinite(volts);
    volts = number ? softRail(volts) : 0.0f;
    return number;
}

/// Holds a whole run inside the rails and notes its lowest and highest sample. False if one is not a number or
/// infinite; all are silenced then. The engine calls it for every output of every block, so that no block has to.
bool finishRun(Signal& signal);

} // namespace lariat
