// Pitch over a while: one steady tone, a drum that falls to its tail, a tune, or none.
//
// A sound is read in frames of up to 170 ms. What repeats itself in nearly all of them at one pitch is steady. A drum
// is loud and high at first and then quiet and low: its pitch is where it comes to rest. Everything else that has a
// pitch moves, from its lowest to its highest note.
#pragma once

#include "measure/measure.h"

#include <deque>
#include <optional>
#include <span>
#include <utility>

namespace lariat {

struct PitchSummary {
    std::optional<Hertz> steady;                    ///< of a tone, or of a drum's tail
    std::optional<std::pair<Hertz, Hertz>> range{}; ///< lowest and highest of what moves
    bool tail = false;                              ///< the steady one is that of a drum's tail

    bool operator==(const PitchSummary&) const = default;
};

class PitchTrack {
  public:
    static constexpr std::size_t kFrame = 16384; ///< samples of a frame
    static constexpr std::size_t kMost = 64;     ///< frames kept

    /// Reads one more frame: the newest kFrame samples, or fewer.
    void add(std::span<const float> volts, double rate);
    void clear() { frames_.clear(); }
    [[nodiscard]] bool empty() const { return frames_.empty(); }
    [[nodiscard]] PitchSummary summary() const;

  private:
    struct Frame {
        double octaves = 0.0; ///< log2 of the frequency
        double level = 0.0;   ///< RMS without DC
        bool clear = false;   ///< it repeats itself
    };
    std::deque<Frame> frames_;
};

/// The same of a whole recording, from frames spread over it.
PitchSummary pitchOf(std::span<const float> volts, double rate);
/// Pitch of a frame: over its newest quarter, where a sound that moves is still itself; over half of it, for the cents;
/// or, of what is too low for that, over all of it.
std::optional<PitchReading> pitchOfFrame(std::span<const float> volts, double rate);

inline constexpr double kSteadyClarity = 0.97; ///< of a pitch; above it cents mean something

} // namespace lariat
