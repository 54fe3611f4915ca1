// Random sound patches, and mistakes seeded into them: what the finder is measured against.
#pragma once

#include "support/patches.h"

#include <functional>
#include <optional>
#include <random>
#include <set>
#include <string>
#include <vector>

namespace lariat::test {

/// A patch of one to three voices over a mix, in which nothing is wrong; some go through mults, logic, quantizers,
/// adders, attenuators and slews on their way.
Patch soundPatch(std::uint32_t seed);

/// A mistake that was made in a patch on purpose.
struct Seeded {
    std::string name; ///< what was done
    std::string sort; ///< "silent", "stuck", "mistuned" or "other"
    Patch patch;
    std::set<std::string> rules; ///< any of which explains it …
    std::set<std::string> posts; ///< … at one of these posts, or at a cable that ends there
};

/// Every mistake that can be made in a patch of soundPatch, one at a time.
std::vector<Seeded> mistakesIn(const Patch& sound, std::uint32_t seed);

/// Whether one of the findings explains it.
const Finding* explanation(const std::vector<Finding>& findings, const Seeded& seeded);

} // namespace lariat::test
