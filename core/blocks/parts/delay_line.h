// A ring of samples, read anywhere between them.
#pragma once

#include "blocks/signal.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdlib>
#include <memory>
#include <utility>

namespace lariat {

/// The samples lie in a block's memory; what is copied with its state is only the place (`State`). Two lines of one
/// size may read and write one ring for a while, as the two schedules of a cross-fade do.
class DelayMemory {
  public:
    /// Outside the audio callback. The system hands out pages of zeros, which cost nothing until they are used.
    void resize(std::size_t samples) {
        own_.reset(static_cast<float*>(std::calloc(samples, sizeof(float))));
        ring_ = own_.get();
        size_ = ring_ ? samples : 0;
    }
    /// Becomes the owner of another one's ring, which goes on using it.
    void take(DelayMemory& other) {
        if (size_ != other.size_) return;
        std::swap(own_, other.own_);
        ring_ = own_.get();
    }
    [[nodiscard]] float* ring() const { return ring_; }
    [[nodiscard]] std::size_t size() const { return size_; }

  private:
    struct Free {
        void operator()(float* samples) const { std::free(samples); }
    };
    std::unique_ptr<float[], Free> own_;
    float* ring_ = nullptr;
    std::size_t size_ = 0;
};

/// A place in a ring of samples, read anywhere between them.
class DelayLine {
  public:
    DelayLine(const DelayMemory& memory, std::size_t& place)
        : ring_(memory.ring()), size_(memory.size()), place_(place) {}

    [[nodiscard]] std::size_t size() const { return size_; }
    void write(float value) {
        ring_[place_] = std::isfinite(value) ? value : 0.0f;
        place_ = place_ + 1 < size_ ? place_ + 1 : 0;
    }
    /// What was written n samples ago; 1 is the newest.
    [[nodiscard]] float at(std::size_t n) const {
        const std::size_t back = std::min(n, size_);
        return ring_[place_ >= back ? place_ - back : place_ + size_ - back];
    }
    /// Third-order Hermite interpolation; `samples` from 2 to size - 3.
    [[nodiscard]] float read(float samples) const {
        const float held = std::clamp(samples, 2.0f, static_cast<float>(size_ - 3));
        const auto n = idx(held);
        return between(n, held - static_cast<float>(n));
    }
    /// n + t samples ago.
    [[nodiscard]] float between(std::size_t n, float t) const {
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

    /// The same, with a place in double, for lines that move slowly.
    [[nodiscard]] float read(double samples) const {
        const double held = std::clamp(samples, 2.0, static_cast<double>(size_ - 3));
        const double whole = std::floor(held);
        return between(idx(whole), static_cast<float>(held - whole));
    }

  private:
    float* ring_;
    std::size_t size_;
    std::size_t& place_;
};

} // namespace lariat
