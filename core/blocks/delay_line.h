// A ring of samples, read anywhere between them.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <vector>

namespace lariat {

/// Outside the audio callback `resize`; copying one onto another of the same size does not allocate.
class DelayLine {
  public:
    void resize(std::size_t samples) { ring_.assign(samples, 0.0f); }
    [[nodiscard]] std::size_t size() const { return ring_.size(); }
    void write(float value) {
        ring_[place_] = std::isfinite(value) ? value : 0.0f;
        place_ = place_ + 1 < ring_.size() ? place_ + 1 : 0;
    }
    /// What was written n samples ago; 1 is the newest.
    [[nodiscard]] float at(std::size_t n) const {
        const std::size_t size = ring_.size();
        return ring_[(place_ + size - std::min(n, size)) % size];
    }
    /// Third-order Hermite interpolation; `samples` from 2 to size - 3.
    [[nodiscard]] float read(float samples) const {
        const float held = std::clamp(samples, 2.0f, static_cast<float>(ring_.size() - 3));
        const auto n = static_cast<std::size_t>(held);
        const float t = held - static_cast<float>(n);
        const float a = at(n - 1);
        const float b = at(n);
        const float c = at(n + 1);
        const float d = at(n + 2);
        const float slope = 0.5f * (c - a);
        const float v = b - c;
        const float w = slope + v;
        const float curve = w + v + 0.5f * (d - b);
        return ((curve * t - (w + curve)) * t + slope) * t + b;
    }

  private:
    std::vector<float> ring_;
    std::size_t place_ = 0;
};

} // namespace lariat
