// Fuzz target for notes, sheets as text, what travels in a sheet, and what takes are looked for by: an answer or a
// sentence, and never anything but a patch.
#include "library/check.h"
#include "library/workspace.h"
#include "log/query.h"
#include "log/take.h"
#include "one_reader.h"
#include "plan/sheet_text.h"
#include "stock/carried.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    const std::string text(reinterpret_cast<const char*>(data), size);
    Patch start;
    start.caseId = "keepers-case";
    if (const auto notes = readNotes(text, start, workspace.library, workspace.cases.at("keepers-case"));
        fuzz::isExplained(notes) && !checkPatch(notes->patch, workspace.library))
        std::abort();
    if (const auto sheet = readSheetText(text, workspace);
        fuzz::isExplained(sheet) && !checkPatch(sheet->patch, workspace.library))
        std::abort();
    (void)fuzz::isExplained(carriedIn(text));
    (void)fuzz::isExplained(readQuery(text, 0));
    (void)fuzz::isExplained(readTakeNote(text));
    (void)fuzz::isExplained(readRig(text));
    return 0;
}
