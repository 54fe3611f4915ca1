// Trials: no cure is shown that was not tried. A patch with the cure in it is run silently, and everything is looked
// for in it once more.
//
// A cure is good if what it is for is no longer found at its place, if no mistake is found that was not there before,
// and if everything that was alive still is. Of a voice that was silent, what is found in it once it sounds counts as
// hidden, not as made; that it goes on for ever does not.
#pragma once

#include "findings/finding.h"

namespace lariat {

inline constexpr int kMostTrials = 24;       ///< of one look at a patch
inline constexpr double kUsualCables = 40.0; ///< of a patch of more, fewer are tried
inline constexpr int kMostCures = 2;         ///< that are offered for one finding

inline constexpr double kTrialSeconds = 3.0;  ///< that a patch is run with a cure in it, if all came to life in six
inline constexpr double kLongestTrial = 12.0; ///< and if not

/// What came of a trial.
struct Verdict {
    enum class Worth { None, Shows, Good }; ///< shows: good for a voice that was silent, of which more is found now
    Worth worth = Worth::None;
    std::string why{}; ///< of none: what is wrong with it
};
/// Tries one cure. `before` is everything that was found.
Verdict tryFix(const Fix& fix, const Finding& finding, const std::vector<Finding>& before, const Observation& observed,
               const std::function<bool(double)>& progress = {});

/// Leaves each finding only the cures that are good, as many trials at a time as there are processors but one; those
/// that were not tried because of kMostTrials are left out and counted. Returns how many, or nothing if it was
/// cancelled.
std::optional<int> tryFixes(std::vector<Finding>& findings, const Observation& observed,
                            const std::function<bool(double)>& progress = {});

} // namespace lariat
