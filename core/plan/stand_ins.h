// A patch in another case with the planner's help: what that case has no part for is played by what can stand in.
#pragma once

#include "building/rehouse.h"
#include "stock/functions.h"

#include <functional>

namespace lariat {

struct StandIn {
    std::string post; ///< name, in the patch as it was
    std::string by;   ///< name of the module, and of its part if it has several
    Sentence because; ///< what it costs; empty: it does the same under other words
};

struct Housed {
    Rehousing moved;               ///< with the stand-ins; `missing` is what not even they can play
    std::vector<StandIn> standIns; ///< in the order of the patch
    double apart = 0.0;            ///< dB between what is heard here and there (soundDistance)
};

/// Like rehouse, and then the planner seats what is missing: what it was tied to stays where it is, cables go to the
/// jacks that do the same, knobs to those that turn the same, steps and keys come along. Both patches are run silently.
/// Fails if a patch cannot be run, or when `goesOn` says no.
Result<Housed> rehouseWithStandIns(const Patch& patch, const Library& library, const Functions& functions,
                                   const Case& to, const std::function<bool(double)>& goesOn = {});

} // namespace lariat
