// Allotment: which part of this case plays which role of a recipe. An integer programme decides it: one part one role,
// jacks and knobs that are there, wires behind the panel that save a cable, the cables that are left.
#pragma once

#include "plan/recipe.h"
#include "stock/functions.h"

#include <optional>

namespace lariat {

/// What an allotment is to keep small.
enum class Counts { Cables, Modules, Moves, Rows };

/// What a recipe is planned on.
struct Site {
    const Library* library = nullptr;
    const Functions* functions = nullptr;
    const Case* housing = nullptr;
    Patch present; ///< what is patched already
};

struct AllotAsk {
    Counts counts = Counts::Cables;
    std::string instead{}; ///< a voice that goes: its parts are free, cables of it that stay are no move
    bool standIns = true;  ///< may be used where the thing itself is short
    /// Plans that are not wanted again, role by role: what plays it (see Allotment::kind).
    std::vector<std::vector<std::string>> notAgain{};
    double seconds = 2.0;                        ///< that the solver may take; of planRecipe, for all plans together
    std::map<std::string, std::string> pinned{}; ///< roles that stay where they are: the key of their seat
};

/// Who plays a role.
struct Casting {
    std::string role;
    std::optional<Seat> seat; ///< nothing: nobody can
    std::string post{};       ///< that stands there already
};

/// What becomes of a cable of the recipe.
struct Routing {
    enum class Way { Tie, BehindPanel, ThereAlready, Stays };
    Way way = Way::Tie;
};

struct Allotment {
    std::vector<Casting> castings; ///< in the order of the recipe's roles
    std::vector<Routing> routings; ///< in the order of its cables
    double cost = 0.0;
    double bound = 0.0; ///< no allotment costs less
    bool proven = true; ///< none is better; else time ran out
    [[nodiscard]] bool complete() const;
    /// Roles stay empty whatever is done: not only because time ran out.
    [[nodiscard]] bool isShort() const;
    [[nodiscard]] const Casting* of(std::string_view role) const;
    /// What plays each role, as AllotAsk::notAgain wants it: two parts of a kind are the same.
    [[nodiscard]] std::vector<std::string> kind() const;
    [[nodiscard]] int ties() const;
    [[nodiscard]] int standIns() const;
    [[nodiscard]] int modules() const; ///< that are not in use by the present patch
};

/// The best allotment of a recipe of which only what is wished is left (chosen). What nobody can play has no seat.
/// Fails if the recipe asks for functions or words that do not exist, or if there is no case.
Result<Allotment> allot(const Recipe& recipe, const Site& site, const AllotAsk& ask = {});

/// How a way out through a mixer comes about, where it is not there yet.
struct MixerWay {
    std::string lineOut;  ///< "slot/part" of the way out
    bool between = false; ///< what goes there now goes through the mixer's first channel then
};
/// Whether sound at this seat of the function "way-out" leaves the case: at once, by way of a mixer that is to be tied,
/// or not at all.
struct Leads {
    bool out = false;
    std::optional<MixerWay> mixer{};
};
Leads leadsOut(const Site& site, const Seat& seat, const std::string& instead = {});

/// The seat's place as one text, "slot/part".
std::string placeOf(const Seat& seat);

} // namespace lariat
