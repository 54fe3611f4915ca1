// The shipped data: modules and cases, found beside the program or where it was installed.
#pragma once

#include "library/library.h"

#include <filesystem>
#include <map>

namespace lariat {

/// What patches are read against.
struct Workspace {
    Library library;
    std::map<std::string, Case> cases;
    std::vector<Error> errors;   ///< files that could not be used
    std::filesystem::path own{}; ///< the user's folder, where what is changed is kept; may be empty

    [[nodiscard]] const Case* housing(const Patch& patch) const;
};

/// The case, if its modules are known, stand beside one another and inside their rows; else the first one that does
/// not.
Result<Case> fitCase(Case housing, const Library& library);

/// Reads modules/ and cases/ of the data folder, then those of the user's own folder if there is one.
Workspace loadWorkspace(const std::filesystem::path& data, const std::filesystem::path& own = {});

/// Adds what the other one has and this one has not: modules, cases, recordings and tunings. What is known stays as it
/// is known. False if there was nothing.
bool takeIn(Workspace& workspace, const Workspace& other);

/// The shipped data folder: $LARIAT_DATA, else share/lariat beside the program's bin folder, else the one that
/// the program was built from.
std::filesystem::path dataFolder();
/// The user's own folder, $XDG_DATA_HOME/lariat or ~/.local/share/lariat.
std::filesystem::path ownDataFolder();

} // namespace lariat
