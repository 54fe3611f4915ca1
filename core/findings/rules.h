// The rules, one line each: what is looked for, in the order in which findings are listed.
#pragma once

#include "findings/finding.h"

namespace lariat {

using Findings = std::vector<Finding>;

Findings findNoPath(const Observation& observed);
Findings findNoSound(const Observation& observed);
Findings findDrone(const Observation& observed);
Findings findTuningUnheard(const Observation& observed);
Findings findZeroAttenuator(const Observation& observed);
Findings findSplitSags(const Observation& observed);
Findings findPitchOnFollower(const Observation& observed);
Findings findUnheardModulation(const Observation& observed);
Findings findWrongJack(const Observation& observed);
Findings findWrongPitch(const Observation& observed);
Findings findFilterUntracked(const Observation& observed);
Findings findGateClicks(const Observation& observed);
Findings findTriggerAsGate(const Observation& observed);
Findings findStruckTwice(const Observation& observed);
Findings findPulseMissed(const Observation& observed);
Findings findSustainNotReached(const Observation& observed);
Findings findTailRunsOn(const Observation& observed);
Findings findMissingReset(const Observation& observed);
Findings findDrumNotReset(const Observation& observed);
Findings findFreeRunning(const Observation& observed);
Findings findWrongPolarity(const Observation& observed);
Findings findWidthSilent(const Observation& observed);
Findings findPinned(const Observation& observed);
Findings findFmPullsPitch(const Observation& observed);
Findings findTurnedToNoise(const Observation& observed);
Findings findSumClips(const Observation& observed);
Findings findOneSidedSum(const Observation& observed);
Findings findHotLine(const Observation& observed);
Findings findNoiseRaised(const Observation& observed);
Findings findDcOut(const Observation& observed);
Findings findSuddenLoudness(const Observation& observed);
Findings findLoopGain(const Observation& observed);
Findings findNormalBroken(const Observation& observed);
Findings findCascadeLoses(const Observation& observed);
Findings findCables(const Observation& observed);
Findings findNotInCase(const Observation& observed);
Findings findOverload(const Observation& observed);
Findings findClocksDrift(const Observation& observed);
Findings findLateLoop(const Observation& observed);

} // namespace lariat
