// Fuzz target for scenes in words: what is read applies, is played and checked without harm, and is read again.
#include "engine/automation.h"
#include "library/check.h"
#include "library/workspace.h"
#include "model/edit.h"
#include "one_reader.h"
#include "timing/scenes.h"

#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    static const Patch patch =
        *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/lamp.json", workspace.library);
    const auto scenes = readScenes(std::string(reinterpret_cast<const char*>(data), size), patch, workspace.library);
    if (!fuzz::isExplained(scenes)) return 0;
    const auto made = applyEdit(patch, SetScenes{*scenes});
    if (!made) std::abort();
    (void)checkScenes(*made, workspace.library, workspace.housing(*made));
    for (const AutomationLine& line : automationOf(*made, workspace.library))
        if (const int piece = line.pieceAt(3.0); piece >= 0) (void)line.valueAt(piece, 3.0);
    if (!readScenes(writeScenes(*scenes, *made, workspace.library), *made, workspace.library)) std::abort();
    return 0;
}
