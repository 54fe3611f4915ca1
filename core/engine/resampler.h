// Rate conversion of a stereo stream. Equal rates pass through; half the rate, the usual case, is a half-band filter
// (halver.h); any other ratio is libsamplerate's medium sinc converter: 121 dB of signal to noise, flat to 0.9 of the
// lower Nyquist frequency.
#pragma once

#include "model/result.h"

#include <memory>
#include <span>
#include <vector>

namespace lariat {

/// Pulls interleaved stereo frames from a source of one rate and hands them out at another. Without delay: the first
/// frame out belongs to the first one in.
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
            const std::size_t before = pending_.size();
            const std::size_t made = convert(out.subspan(2 * done));
            done += made;
            if (made > 0 || pending_.size() < before) continue;
            if (!pending_.empty()) break; // an odd frame that no more will complete
            pending_ = more();
            if (pending_.empty()) break;
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
