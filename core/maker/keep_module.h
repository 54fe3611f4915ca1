// A user's own modules: kept in the folder that every window reads at its start.
#pragma once

#include "library/workspace.h"

#include <filesystem>
#include <optional>
#include <string>

namespace lariat {

/// The file of a user's own module.
std::filesystem::path moduleFile(const std::filesystem::path& own, const std::string& id);
/// Writes it there, where it comes before a shipped one of its id.
Result<void> keepModule(const ModuleDescription& module, const std::filesystem::path& own);
/// Why a workspace cannot have that module instead of its own of the same id, or nothing: a case in which it would not
/// fit, or a patch that needs what it has not.
std::optional<Error> whyNot(const ModuleInfo& module, const Workspace& workspace, const Patch& patch);
/// A module read from a file: its description, or its lines where the file is no JSON.
Result<ModuleInfo> readModuleFile(const std::filesystem::path& file);

} // namespace lariat
