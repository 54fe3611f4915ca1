// Slow drift of a tuning: a seeded Ornstein-Uhlenbeck walk with a memory of eight seconds, stepped once a run.
#pragma once

#include "blocks/parts/random.h"
#include "blocks/signal.h"

namespace lariat {

struct Drift {
    Random random;
    float now = 0.0f; ///< with a standard deviation of 1

    void seed(std::uint64_t seed) {
        random.state = seed;
        now = 1.7320508f * random.bipolar();
    }
    /// Call once a run.
    void step(double rate) {
        constexpr double memory = 8.0;
        const double part = kRun / (rate * memory);
        now += static_cast<float>(-part * now + std::sqrt(2.0 * part) * 1.7320508 * random.bipolar());
    }
};

} // namespace lariat
