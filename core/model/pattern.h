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

    bool operator==(const Step&) const = default;
};

enum class Direction { Forward, Backward, Pendulum, Random };

/// How a track or lane goes through its steps.
struct Stride {
    int division = 1; ///< clock pulses a step, 1…16
    Direction direction = Direction::Forward;
    int lock = 1; ///< those of one group change variation together, when the group's first one starts over; 0: alone

    bool operator==(const Stride&) const = default;
};

/// A line of notes: pitch, gate, accent, velocity and CV.
struct Track {
    std::string name;
    std::vector<Step> steps; ///< 1…64
    Stride stride{};
    Extra extra{};

    bool operator==(const Track&) const = default;
};

/// A line of triggers.
struct Lane {
    std::string name;
    std::vector<bool> hits; ///< 1…64
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
