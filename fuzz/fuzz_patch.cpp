// Fuzz target for the patch reader: any bytes give a patch that can be written and read again, or an error with a
// reason. Build with the preset "fuzz"; run with data/demo as the seed corpus.
#include "library/check.h"
#include "library/workspace.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const Workspace workspace = loadWorkspace(std::filesystem::path(LARIAT_SOURCE) / "data");
    const auto read = readPatch({reinterpret_cast<const char*>(data), size});
    if (!read) {
        if (read.error().reason.empty() || read.error().reason.str().size() > 4000) std::abort();
        return 0;
    }
    const std::string text = writePatch(*read);
    const auto again = readPatch(text);
    if (!again || writePatch(*again) != text) std::abort();
    (void)checkPatch(*read, workspace.library);
    return 0;
}
