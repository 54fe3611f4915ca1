// Sees a pitch jump, and takes no glide for one: the voltage has moved by a semitone or more within a millisecond, and
// then stayed within 10 mV for a millisecond. What moves slower than 80 V/s, or does not come to rest within 5 ms, is
// no jump, however far it goes.
#pragma once

#include "blocks/signal.h"

#include <array>
#include <cmath>

namespace lariat {

class JumpWatch {
  public:
    /// Volts that a jump has at least: a semitone, less what it may lack after a quantizer and a cable.
    static constexpr float kLeast = 1.0f / 12.0f - 0.0005f;

    /// Samples of a millisecond.
    static std::size_t atOnce(double rate) { return std::min(kMemory - 1, idx(kAtOnce * rate)); }

    /// The next sample; `back` is what `atOnce` gives. 1 or -1 when a jump up or down has come to rest, else 0.
    int see(float a, std::size_t back) {
        const float then = memory_[(place_ + kMemory - back) % kMemory];
        memory_[place_] = a;
        place_ = (place_ + 1) % kMemory;
        if (seen_ < back) {
            ++seen_;
            return 0;
        }
        if (!jumping_) {
            if (std::abs(a - then) < kLeast) return 0;
            jumping_ = true;
            from_ = then;
            rest_ = a;
            still_ = since_ = 0;
        }
        ++since_;
        if (std::abs(a - rest_) > kStill) {
            rest_ = a;
            still_ = 0;
        } else {
            ++still_;
        }
        if (since_ > kPatience * back) jumping_ = false;
        if (still_ < back) return 0;
        jumping_ = false;
        if (std::abs(a - from_) < kLeast) return 0; // it went there and back
        return a > from_ ? 1 : -1;
    }

  private:
    static constexpr double kAtOnce = 0.001;
    static constexpr std::size_t kPatience = 5; ///< times that
    static constexpr float kStill = 0.01f;
    static constexpr std::size_t kMemory = 256; ///< 1 ms at 192 kHz

    std::array<float, kMemory> memory_{};
    std::size_t place_ = 0;
    std::size_t seen_ = 0;
    std::size_t since_ = 0;
    std::size_t still_ = 0;
    float from_ = 0.0f;
    float rest_ = 0.0f;
    bool jumping_ = false;
};

} // namespace lariat
