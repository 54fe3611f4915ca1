// What is short for a recipe in a case, and the cheapest ways round it.
#pragma once

#include "plan/plan.h"

namespace lariat {

/// `best` is the best allotment there is, with roles that nobody plays.
Shortage whatIsShort(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask,
                     const Allotment& best, const std::string& voice, const std::function<bool()>& goesOn);

} // namespace lariat
