// What flows in a cable: a short run of samples in volts, and where inside the samples its edges lie.
//
// The engine works in runs of kRun samples. Sources of pulses list their edges with sub-sample time, so that
// sync, clocks and envelopes that are tied to them start exactly then; for any other signal the reader finds
// the crossing of its threshold by interpolation (see GateReader in gate.h).
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>

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

    /// In order of time. A rounding must not push an edge out of the run.
    void addEdge(float at, bool rising) {
        const float inside = std::clamp(at, -1.0f, static_cast<float>(kRun - 1));
        if (edgeCount < kRun) edges[static_cast<std::size_t>(edgeCount++)] = {inside, rising};
    }
    float& operator[](int i) { return volts[static_cast<std::size_t>(i)]; }
    float operator[](int i) const { return volts[static_cast<std::size_t>(i)]; }
};

/// The signal of a jack in which nothing is plugged.
inline const Signal& silence() {
    static const Signal zero;
    return zero;
}

inline constexpr float kLinearVolts = 10.0f; ///< outputs are exact up to here …
inline constexpr float kRailVolts = 11.5f;   ///< … and never get here

/// Soft limit of every output: linear to ±10 V, then bending toward ±11.5 V, with a continuous slope.
inline float softRail(float volts) {
    constexpr float room = kRailVolts - kLinearVolts;
    const float over = std::abs(volts) - kLinearVolts;
    if (over <= 0.0f) return volts;
    return std::copysign(kLinearVolts + room * over / (over + room), volts);
}

/// Holds n samples of an output inside the rails. False if one is not a number or infinite; all are silenced then.
/// The engine calls it for every output of every block, so that no block has to.
inline bool holdInRails(float* volts, int n) {
    std::int32_t beyond = 0; // a number, so that the loop is vectorised
    for (int i = 0; i < n; ++i) beyond |= std::abs(volts[i]) <= kLinearVolts ? 0 : 1; // 1 for NaN too
    if (beyond == 0) return true;
    for (int i = 0; i < n; ++i)
        if (!std::isfinite(volts[i])) {
            std::fill(volts, volts + n, 0.0f);
            return false;
        }
    for (int i = 0; i < n; ++i) volts[i] = softRail(volts[i]);
    return true;
}

} // namespace lariat
