// A plan: a recipe on a case as edits of the patch: posts, knobs, steps and cables, in build order, as one voice.
#pragma once

#include "building/edits.h"
#include "plan/allot.h"

#include <functional>

namespace lariat {

struct PlannedCable {
    JackRef from;
    JackRef to;
    CableStock taken{}; ///< no length: none that is left reaches
    double needs = 0.0; ///< cm
};

struct Plan {
    Allotment allotment;
    Edits edits; ///< of the present patch; one step of the history
    Patch after;
    std::string voice;
    std::map<std::string, std::string> posts; ///< by role
    std::vector<PlannedCable> cables;         ///< that are tied, in order
    std::vector<Sentence> remarks;            ///< a knob that stops at its end, a cable that is missing
    int tied = 0;
    int taken = 0; ///< cables that are taken out
    int stays = 0; ///< cables of the voice that it replaces
};

/// The edits of an allotment that is complete. `voice` is the name of what is built; the next free one if it is taken.
/// Fails if a value cannot be worked out or the patch that comes of it is none.
Result<Plan> makePlan(const Recipe& recipe, const Values& values, const Site& site, const AllotAsk& ask,
                      Allotment allotment, const std::string& voice);

/// Why a recipe cannot be built here, and the cheapest ways round.
struct ShortFunction {
    std::string function; ///< name
    int needs = 0;
    int there = 0;                       ///< in the case, the thing itself
    std::vector<std::string> usedBy{};   ///< "VCA 1 of Ballast VCAs: Kick"
    std::vector<std::string> standIns{}; ///< of the free ones that could stand in: "Mussel gates 1"
};
struct WayRound {
    enum class Kind { GivesWay, GoesStraight, Shared, Instead, Borrowed } kind = Kind::GivesWay;
    Sentence what;
    int moves = 0;              ///< cables
    std::optional<Plan> plan{}; ///< nothing: it takes more than cables
};
struct Shortage {
    std::vector<ShortFunction> functions;
    std::vector<std::string> roles; ///< nobody plays
    std::vector<WayRound> ways;     ///< the fewest moves first
};

struct PlanAsk {
    const Recipe* recipe = nullptr;
    Wishes wishes{};
    AllotAsk allot{};
    std::string voice{}; ///< empty: the recipe's name
    std::size_t plans = 3;
};
struct Planned {
    Recipe recipe; ///< what is wished of it
    Values values;
    std::vector<Plan> plans;            ///< the best first, different from one another in what plays a role
    std::optional<Shortage> shortage{}; ///< if there is none
};
/// The best plans for a recipe, or what is short. Fails on wishes and recipes that make no sense.
Result<Planned> planRecipe(const PlanAsk& ask, const Site& site, const std::function<bool()>& goesOn = {});

} // namespace lariat
