// Cases that nobody ships: small, large, short of something.
#pragma once

#include "model/case.h"

#include <string>
#include <vector>

namespace lariat::test {

/// Modules in rows from the top left, as many as fit.
Case caseOf(const std::string& id, int rows, int hp, const std::vector<std::string>& modules);
/// Six of different size: a small one, a large one, one with a single VCA, one of whole voices only, one without a
/// mixer, a skiff with borrowed modules.
const std::vector<Case>& heldBackCases();

} // namespace lariat::test
