// Opto-coupler: a lamp before a light-dependent resistor.
#pragma once

#include "blocks/parts/filters.h"

#include <algorithm>

namespace lariat {

/// Follows what drives the lamp, 0…1, with a rise of 4 ms and a fall that slows down as it gets dark:
/// dr/dt = (c - r)/τ, falling τ = 30 ms · (1 + 5 (1 - r)²).
class Opto {
  public:
    /// One sample on. `slowness` scales all times.
    float toward(float drive, float slowness, double period) {
        const float c = std::clamp(drive, 0.0f, 1.0f);
        const float dark = 1.0f - static_cast<float>(light_.now);
        const float tau =
            slowness * (c > static_cast<float>(light_.now) ? 0.004f : 0.03f * (1.0f + 5.0f * dark * dark));
        const double x = period / static_cast<double>(tau);
        return light_.toward(c, x * (1.0 - x * (0.5 - x * (1.0 / 6.0)))); // 1 - e^-x for small x
    }

  private:
    Lag light_;
};

} // namespace lariat
