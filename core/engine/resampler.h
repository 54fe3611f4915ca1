// Rate conversion of a stereo stream by libsamplerate's medium sinc converter: 121 dB of signal to noise, flat to
// 0.9 of the lower Nyquist frequency. The better one costs four times as much for what lies above 21.6 kHz.
#pragma once

#include "model/result.h"

#include <memory>
#include <span>
#include <vector>

namespace lariat {

/// Pulls interleaved stereo frames from a source of one rate and hands them out at another.
class Resampler {
  public:
    /// Allocates everything it will need; `inRate` and `outRate` in Hz.
    Resampler(double inRate, double outRate);
    ~Resampler();
    Resampler(const Resampler&) = delete;
    Resampler& operator=(const Resampler&) = delete;

    /// Fills `out` (interleaved) and returns the frames written. Calls `more` for input whenever it has run
    /// out; `more` returns interleaved frames that stay valid until its next call. No allocation.
    template <class More> std::size_t fill(std::span<float> out, More&& more) {
        std::size_t done = 0;
        while (done < out.size() / 2) {
            const std::size_t made = convert(out.subspan(2 * done));
            done += made;
            if (made == 0 && pending_.empty()) pending_ = more();
            if (made == 0 && pending_.empty()) break;
        }
        return done;
    }

  private:
    std::size_t convert(std::span<float> out);

    struct State;
    std::unique_ptr<State> state_;
    double ratio_;
    std::span<const float> pending_;
};

} // namespace lariat
