// What flows in a cable: a short run of samples in volts, and where inside the samples its edges lie.
//
// The engine works in runs of kRun samples. Sources of pulses list their edges with sub-sample time, so that
// sync, clocks and envelopes that are tied to them start exactly then; for any other signal the reader finds
// the crossing of its threshold by interpolation (see GateReader in gate.h).
#pragma once

#include <array>
#include <cmath>

namespace lariat {

inline constexpr int kRun = 32;

/// A crossing of the gate threshold.
struct Edge {
    float at = 0.0f; ///< in samples from the start of the run; in (k - 1, k] for the change seen at sample k
    bool rising = true;
};

struct Signal {
    alignas(32) std::array<float, kRun> volts{};
    std::array<Edge, kRun> edges{};
    int edgeCount = 0;
    bool listsEdges = false; ///< false: this source does not list its edges

    void addEdge(float at, bool rising) {
        if (edgeCount < kRun) edges[static_cast<std::size_t>(edgeCount++)] = {at, rising};
    }
    float& operator[](int i) { return volts[static_cast<std::size_t>(i)]; }
    float operator[](int i) const { return volts[static_cast<std::size_t>(i)]; }
};

/// The signal of a jack in which nothing is plugged.
inline const Signal& silence() {
    static const Signal zero;
    return zero;
}

/// Soft limit of every output: linear to ±10 V, then bending toward ±11.5 V, with a continuous slope.
inline float softRail(float volts) {
    constexpr float linear = 10.0f;
    constexpr float room = 1.5f;
    const float over = std::abs(volts) - linear;
    if (over <= 0.0f) return volts;
    return std::copysign(linear + room * over / (over + room), volts);
}

} // namespace lariat
