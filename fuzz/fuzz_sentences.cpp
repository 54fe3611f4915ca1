// Fuzz target for the tie line: what sentences ask for applies as a whole, and what is offered never fails to be made.
#include "building/sentences.h"
#include "library/check.h"
#include "library/workspace.h"
#include "one_reader.h"

#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    static const Patch patch =
        *openPatch(std::filesystem::path(LARIAT_SOURCE) / "data/demo/lamp.json", workspace.library);
    const std::string text(reinterpret_cast<const char*>(data), size);
    (void)completeSentence(text, patch, workspace.library, workspace.housing(patch));
    const auto said = readSentences(text, patch, workspace.library, workspace.housing(patch));
    if (!fuzz::isExplained(said)) return 0;
    const auto made = applyEdits(patch, said->edits);
    if (!made) std::abort();
    const auto again = readPatch(writePatch(*made));
    if (fuzz::isExplained(again) && writePatch(*again) != writePatch(*made)) std::abort();
    return 0;
}
