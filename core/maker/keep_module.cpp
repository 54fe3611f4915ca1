#include "maker/keep_module.h"

#include "library/check.h"
#include "maker/module_text.h"
#include "model/file.h"
#include "units/letters.h"

#include <fmt/format.h>

namespace lariat {

std::filesystem::path moduleFile(const std::filesystem::path& own, const std::string& id) {
    return own / "modules" / (id + ".json");
}

Result<void> keepModule(const ModuleDescription& module, const std::filesystem::path& own) {
    const std::filesystem::path file = moduleFile(own, module.id);
    std::error_code problem;
    std::filesystem::create_directories(file.parent_path(), problem);
    if (problem)
        return tl::unexpected(
            Error{file.parent_path().string(), {}, say("the folder cannot be made: {}", problem.message())});
    return writeFile(file, writeModule(module), FileKind::Document);
}

std::optional<Error> whyNot(const ModuleInfo& module, const Workspace& workspace, const Patch& patch) {
    Workspace with = workspace;
    with.library.add(module);
    for (const auto& [id, housing] : workspace.cases)
        for (const Slot& slot : housing.slots) {
            if (slot.module != module.description.id) continue;
            if (auto fits = fitCase(housing, with.library); !fits) {
                Error error = fits.error();
                error.path = housing.name;
                return error;
            }
            break;
        }
    if (auto checked = checkPatch(patch, with.library); !checked) return checked.error();
    return std::nullopt;
}

Result<ModuleInfo> readModuleFile(const std::filesystem::path& file) {
    const auto located = [&](Error error) {
        error.file = file.string();
        return tl::unexpected(std::move(error));
    };
    auto bytes = readFile(file);
    if (!bytes) return tl::unexpected(bytes.error());
    if (trimmed(*bytes).starts_with('{')) {
        auto read = readModule(*bytes).and_then(resolveModule);
        if (!read) return located(read.error());
        return read;
    }
    ModuleText text = readModuleText(*bytes);
    if (!text.module) {
        const Fault& first = text.faults.front();
        return located({{}, first.line > 0 ? fmt::format("line {}", first.line) : std::string(), first.reason});
    }
    return resolveModule(*text.module);
}

} // namespace lariat
