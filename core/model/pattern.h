// Patterns: what a track sequencer plays. They live in the patch, not in the module.
#pragma once

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

    bool operator==(const Step&) const = default;
};

/// A line of notes: pitch, gate and accent.
struct Track {
    std::string name;
    std::vector<Step> steps; ///< 1…64

    bool operator==(const Track&) const = default;
};

/// A line of triggers.
struct Lane {
    std::string name;
    std::vector<bool> hits; ///< 1…64

    bool operator==(const Lane&) const = default;
};

/// What the sequencer at `post` plays.
struct Pattern {
    std::string post;
    std::vector<Track> tracks;
    std::vector<Lane> lanes;

    bool operator==(const Pattern&) const = default;
};

inline constexpr std::size_t kMaxSteps = 64;

} // namespace lariat
