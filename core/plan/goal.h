// Goals: what is to be measured of a patch, and how near it is.
#pragma once

#include "library/library.h"
#include "measure/likeness.h"
#include "plan/recipe.h"
#include "units/sentence.h"

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace lariat {

/// A goal on a patch. In what unit depends on its kind:
///   pitch       note number (C4 = 60) of what is heard in the window: of a drum, put the window over its tail
///   length      seconds from the loudest 5 ms until the sound stays 60 dB below them, or the window ends
///   peak        volts, the larger of both sides        level    volts RMS
///   brightness  hertz, the centre of the spectrum      formant  hertz, the lowest formant
///   rate        hertz, rising edges through 1.5 V      lowest, highest   volts
///   alike       per cent by which the most different hit differs from the first, over its first 30 ms
///   like        dB by which what is in it differs from a recording (measure/likeness.h)
struct Goal {
    std::string name;
    GoalKind kind = GoalKind::Peak;
    JackRef at{}; ///< an output; no post: the left way out
    double want = 0.0;
    double within = 0.0; ///< above zero
    double from = 0.0;
    double to = 2.0;
    std::shared_ptr<const Likeness> like{}; ///< of the kind Like
};

struct GoalReading {
    Goal goal;
    std::optional<double> measured; ///< nothing: there is nothing of the kind, as a pitch of silence
    /// How far off it is, in tolerances; a large number if there is nothing to measure.
    [[nodiscard]] double miss() const;
    [[nodiscard]] bool met() const { return miss() <= 1.0; }
    /// "D1 +1 cent", "304 ms", "6.1 V"; "nothing to measure".
    [[nodiscard]] std::string text() const;
    /// What was wanted, as text: "D1 ± 5 cents".
    [[nodiscard]] std::string wanted() const;
};

/// One measurement in a recording in volts.
std::optional<double> measureGoal(const Goal& goal, std::span<const float> volts, double rate);

/// Runs the patch silently from its start, only what is needed, and measures all goals. Fails if a goal names no jack
/// of the patch, or when `goesOn` says no.
Result<std::vector<GoalReading>> measureGoals(const Patch& patch, const Library& library,
                                              const std::vector<Goal>& goals, const std::function<bool()>& goesOn = {});

/// What somebody wants of a kind, as it is typed: "D1", "300 ms", "6 V", "1.2 kHz", "2 %".
Result<double> readGoalValue(GoalKind kind, const std::string& text);
/// How far off is still good: "5 cents" of a pitch; of the others as their values, or in per cent of what is wanted.
Result<double> readGoalTolerance(GoalKind kind, double want, const std::string& text);
/// The kind of that name.
Result<GoalKind> readGoalKind(const std::string& name);

/// A value of that kind as text.
std::string goalText(GoalKind kind, double value);

} // namespace lariat
