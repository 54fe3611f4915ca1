// What is done to a case: each takes one and gives another, or says why not.
#pragma once

#include "library/library.h"

#include <filesystem>
#include <optional>
#include <string>

namespace lariat {

/// A case without modules.
Result<Case> newCase(const std::string& name, int rows, int hpPerRow, const Current& supply);

/// Two cases as one, side by side or one on the other: the rows of the second below those of the first, each part with
/// its own supply, all cables together. Slots of the first keep their ids, so that a patch in it is one in both. Fails
/// where the two are too many rows or modules.
Result<Case> joinedCase(const Case& first, const Case& second, const std::string& name);

/// Where a module of that width fits: the first gap from the top left on.
struct CasePlace {
    int row = 1;
    int column = 1;
};
std::optional<CasePlace> gapFor(const Case& housing, const Library& library, int hp);
/// The slots that stand where a module of that width would; `self` does not count.
std::vector<const Slot*> inTheWay(const Case& housing, const Library& library, const CasePlace& place, int hp,
                                  std::string_view self = {});

/// One more module: at that place, else in the first gap, else loose in the bag.
Result<Case> withModule(Case housing, const Library& library, const std::string& module,
                        std::optional<CasePlace> place = {});
/// A module at another place, or out of the bag into a row. Fails if another one stands there or it sticks out.
Result<Case> withMoved(Case housing, const Library& library, const std::string& slot, const CasePlace& place);
/// A module as far to the left (-1) or right (+1) as it goes: to its neighbour, or past it if it stands there already
/// and there is room behind.
Result<Case> withShoved(Case housing, const Library& library, const std::string& slot, int direction);
/// A module out of its row into the bag.
Result<Case> withLoose(Case housing, const std::string& slot);
/// Without that module.
Result<Case> withoutModule(Case housing, const std::string& slot);
/// Borrowed from somebody, or one's own again (no name).
Result<Case> withBorrowed(Case housing, const std::string& slot, const std::string& from, const std::string& since);
/// So many cables of that length and colour; none: they go from the list.
Result<Case> withCables(Case housing, int lengthCm, const std::string& colour, int count);
/// How many of the cables take another plug on theirs.
Result<Case> withStackables(Case housing, int count);
/// Other rows and width. Fails if modules would stick out.
Result<Case> withSize(Case housing, const Library& library, int rows, int hpPerRow);

/// Writes a case into the folder cases/ of a user's own data, where it comes before a shipped one of its id.
Result<void> keepCase(const Case& housing, const std::filesystem::path& own);

} // namespace lariat
