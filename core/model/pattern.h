// Patterns: what a sequencer plays. They live in the patch, not in the module.
#pragma once

#include "model/extra.h"

#include <string>
#include <vector>

namespace lariat {

/// One step of a pitch track.
struct Step {
    enum class Kind { Note, Rest, Tie };
    Kind kind = Kind::Rest;
    int note = 60;     ///< C4 = 60; of a tie, the note that is held
    double gate = 0.5; ///< open part of the step, above 0 up to 1; before a tie the whole step is open
    bool accent = false;
    int velocity = 100;       ///< 1…127
    double cv = 0.0;          ///< volts at the track's CV output
    bool slide = false;       ///< glides from the note before
    double probability = 1.0; ///< of being played at all
    int repeats = 1;          ///< times that it is struck within its step, 1…8
    double late = 0.0;        ///< part of the step by which it comes late, 0…0.9: what was played by hand
    bool unknown = false;     ///< nobody wrote it down: what stands here is tried

    bool operator==(const Step&) const = default;
};

inline constexpr double kLatest = 0.9; ///< of Step::late

enum class Direction { Forward, Backward, Pendulum, Random };
/// The step that is played as the count-th of a line, from 0. Of a random one `drawn` decides.
constexpr std::size_t stepAt(long count, std::size_t steps, Direction direction, std::size_t drawn = 0) {
    const auto n = static_cast<long>(steps);
    switch (direction) {
    case Direction::Forward:
        return static_cast<std::size_t>(count % n);
    case Direction::Backward:
        return static_cast<std::size_t>(n - 1 - count % n);
    case Direction::Pendulum: {
        const long period = n > 1 ? 2 * n - 2 : 1;
        const long p = count % period;
        return static_cast<std::size_t>(p < n ? p : period - p);
    }
    case Direction::Random:
        return drawn % steps;
    }
    return 0;
}

/// How a track or lane goes through its steps.
struct Stride {
    int division = 1; ///< clock pulses a step, 1…16
    Direction direction = Direction::Forward;
    int lock = 1; ///< those of one group change variation together, when the group's first one starts over; 0: alone
    bool triplets = false; ///< three steps in the time of two
    double swing = 0.5;    ///< part of two steps that the first of them takes, 0.5…0.75

    bool operator==(const Stride&) const = default;
    /// Clock pulses that a step lasts.
    [[nodiscard]] double pulses() const { return triplets ? division * 2.0 / 3.0 : division; }
};
inline constexpr double kMostSwing = 0.75;

/// A line of notes: pitch, gate, accent, velocity and CV.
struct Track {
    std::string name;
    std::vector<Step> steps; ///< 1…64
    Stride stride{};
    Extra extra{};

    bool operator==(const Track&) const = default;
};

/// A step of a lane. Where a lane has accents, its other hits are lower: 5 V instead of 8 V. Of one that nobody wrote
/// down, a hit is tried.
enum class Hit : unsigned char { Rest, Hit, Accent, Unknown };

/// A line of triggers.
struct Lane {
    std::string name;
    std::vector<Hit> hits; ///< 1…64
    Stride stride{};
    Extra extra{};

    bool operator==(const Lane&) const = default;
};

/// The tracks and lanes of one of the variations B…H.
struct Variation {
    std::vector<Track> tracks;
    std::vector<Lane> lanes;
    Extra extra{};

    bool operator==(const Variation&) const = default;
};

/// What the sequencer at `post` plays.
struct Pattern {
    std::string post;
    std::vector<Track> tracks; ///< of variation A
    std::vector<Lane> lanes;
    std::vector<Variation> others{}; ///< B, C, … H
    Extra extra{};

    bool operator==(const Pattern&) const = default;

    /// Tracks and lanes of variation 0 (A) … 7 (H); one that is not written plays A.
    [[nodiscard]] const std::vector<Track>& tracksOf(int variation) const {
        return has(variation) ? others[static_cast<std::size_t>(variation - 1)].tracks : tracks;
    }
    [[nodiscard]] const std::vector<Lane>& lanesOf(int variation) const {
        return has(variation) ? others[static_cast<std::size_t>(variation - 1)].lanes : lanes;
    }

  private:
    [[nodiscard]] bool has(int variation) const {
        return variation > 0 && variation <= static_cast<int>(others.size());
    }
};

inline constexpr std::size_t kMaxSteps = 64;
inline constexpr int kMaxVariations = 8;

} // namespace lariat
