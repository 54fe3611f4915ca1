// Seeking: knobs are turned, in silent runs, until measured goals hold; then how far each may go before one fails.
#pragma once

#include "plan/goal.h"
#include "plan/plan.h"

namespace lariat {

struct SeekKnob {
    std::string post;
    std::string knob;
    std::optional<double> low{}; ///< in its unit: no farther than this, if it is known to be so
    std::optional<double> high{};
};

/// Where a knob was found to stand, and how far it may be turned, the others staying, before a goal fails.
struct FoundKnob {
    std::string post;
    std::string knob;
    double value = 0.0;
    double low = 0.0;
    double high = 0.0;
    double room = 0.0; ///< part of the travel between low and high: the smaller, the more sensitive
};

struct Sought {
    bool met = false; ///< all goals hold
    std::vector<GoalReading> goals;
    std::vector<FoundKnob> knobs; ///< in the order in which they were asked for; ranges only if all goals hold
    int runs = 0;
    bool wasThere = false; ///< all goals held before
    Edits edits;           ///< that bring the knobs there

    /// Indices into `knobs`, those with the least room first.
    [[nodiscard]] std::vector<std::size_t> bySensitivity() const;
};

struct SeekOptions {
    int threads = 0; ///< 0: all but one, at least one
    int mostRuns = 240;
    std::function<bool(double)> progress{}; ///< told 0…1; false stops
};

inline constexpr std::size_t kMostSeekKnobs = 8;

/// Looks over the whole travel of the knobs first, then closely where it was best (NLopt, subplex). What does not hold
/// in the end is told by `goals`. Fails if a knob is none, is a switch or is locked, if there are more than
/// kMostSeekKnobs, if a goal has no tolerance, or when stopped.
Result<Sought> seek(const Patch& patch, const Library& library, const std::vector<Goal>& goals,
                    const std::vector<SeekKnob>& knobs, const SeekOptions& options = {});

/// The goals of a recipe on a plan.
Result<std::vector<Goal>> goalsOf(const Planned& planned, const Plan& plan);
/// The knobs that it says may be trimmed, as far as the panels of this plan have them.
std::vector<SeekKnob> trimsOf(const Planned& planned, const Plan& plan);

} // namespace lariat
