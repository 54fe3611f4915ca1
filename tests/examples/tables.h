// The tables of examples, by what they are about.
#pragma once

#include "support/examples.h"

namespace lariat::test {

std::vector<Example> mistakesOfGates();
std::vector<Example> twinsOfGates();
std::vector<Example> mistakesOfTones();
std::vector<Example> twinsOfTones();
std::vector<Example> mistakesOfTunes();
std::vector<Example> twinsOfTunes();
std::vector<Example> mistakesOfLevels();
std::vector<Example> twinsOfLevels();

} // namespace lariat::test
