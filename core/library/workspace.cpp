#include "library/workspace.h"

#include "model/file.h"

#include <algorithm>
#include <cstdlib>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace fs = std::filesystem;

Result<Case> fitCase(Case housing, const Library& library) {
    std::set<std::pair<int, int>> covered;
    for (std::size_t i = 0; i < housing.slots.size(); ++i) {
        const Slot& slot = housing.slots[i];
        const std::string path = fmt::format("slots/{}", i + 1);
        const ModuleInfo* module = library.module(slot.module);
        if (!module) return failure(say("there is no module \"{}\"", slot.module), path);
        if (slot.loose()) continue;
        if (slot.column + module->description.hp - 1 > housing.hpPerRow)
            return failure(say("{} sticks out of its row", module->description.name), path);
        for (int hp = slot.column; hp < slot.column + module->description.hp; ++hp)
            if (!covered.emplace(slot.row, hp).second)
                return failure(say("{} overlaps its neighbour at HP {}", module->description.name, hp), path);
    }
    return housing;
}

namespace {

void loadFolder(Workspace& workspace, const fs::path& folder) {
    std::error_code problem;
    if (fs::is_directory(folder / "modules", problem))
        for (Error& error : workspace.library.load(folder / "modules")) workspace.errors.push_back(std::move(error));
    for (Error& error : workspace.library.loadSamples(folder / "samples")) workspace.errors.push_back(std::move(error));
    for (Error& error : workspace.library.loadTunings(folder / "tunings")) workspace.errors.push_back(std::move(error));
    if (!fs::is_directory(folder / "cases", problem)) return;
    std::vector<fs::path> files;
    for (const auto& entry : fs::directory_iterator(folder / "cases", problem))
        if (entry.path().extension() == ".json") files.push_back(entry.path());
    std::ranges::sort(files);
    for (const fs::path& file : files) {
        auto housing = readFile(file).and_then(readCase).and_then(
            [&](Case read) { return fitCase(std::move(read), workspace.library); });
        if (housing) {
            std::string id = housing->id;
            workspace.cases.insert_or_assign(std::move(id), std::move(*housing));
        } else {
            housing.error().file = file.string();
            workspace.errors.push_back(std::move(housing.error()));
        }
    }
}

} // namespace

const Case* Workspace::housing(const Patch& patch) const {
    const auto it = cases.find(patch.caseId);
    return it == cases.end() ? nullptr : &it->second;
}

Workspace loadWorkspace(const fs::path& data, const fs::path& own) {
    Workspace workspace;
    loadFolder(workspace, data);
    if (workspace.library.modules().empty())
        workspace.errors.push_back(
            {data.string(), {}, say("no modules were found here; set LARIAT_DATA to Lariat's data folder")});
    if (!own.empty()) loadFolder(workspace, own);
    workspace.own = own;
    return workspace;
}

bool takeIn(Workspace& workspace, const Workspace& other) {
    const auto count = [&] {
        const Library& library = workspace.library;
        return library.modules().size() + library.samples().size() + library.tunings().size() + workspace.cases.size();
    };
    const std::size_t before = count();
    for (const auto& [id, module] : other.library.modules())
        if (!workspace.library.module(id)) workspace.library.add(module);
    workspace.library.borrowMaterial(other.library);
    for (const auto& [id, housing] : other.cases)
        if (!workspace.cases.contains(id) && fitCase(housing, workspace.library)) workspace.cases.emplace(id, housing);
    return count() != before;
}

fs::path dataFolder() {
    if (const char* set = std::getenv("LARIAT_DATA")) return set;
    std::error_code problem;
    const fs::path program = fs::read_symlink("/proc/self/exe", problem);
    fs::path installed = program.parent_path().parent_path() / "share" / "lariat";
    if (!problem && fs::is_directory(installed / "modules", problem)) return installed;
    return LARIAT_SOURCE_DATA;
}

fs::path ownDataFolder() {
    if (const char* set = std::getenv("XDG_DATA_HOME"); set && *set) return fs::path(set) / "lariat";
    if (const char* home = std::getenv("HOME")) return fs::path(home) / ".local" / "share" / "lariat";
    return {};
}

} // namespace lariat
