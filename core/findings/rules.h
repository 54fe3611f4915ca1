// The rules, one line each.
#pragma once

#include "findings/finding.h"

namespace lariat {

using Findings = std::vector<Finding>;

Findings findNoPath(const Observation& observed);
Findings findDrone(const Observation& observed);
Findings findZeroAttenuator(const Observation& observed);
Findings findPitchOnFollower(const Observation& observed);
Findings findSustainNotReached(const Observation& observed);
Findings findDrumNotReset(const Observation& observed);
Findings findSumClips(const Observation& observed);

} // namespace lariat
