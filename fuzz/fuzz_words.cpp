// Fuzz target for modules written as lines, and for wishes in a few words: what is read can be written and read again.
#include "library/library.h"
#include "library/workspace.h"
#include "maker/module_text.h"
#include "one_reader.h"
#include "plan/free_wish.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const Functions functions = *Functions::load(std::filesystem::path(LARIAT_SOURCE) / "data/functions.json");
    const std::string text(reinterpret_cast<const char*>(data), size);
    if (const auto wish = recipeFromWish(text, functions); fuzz::isExplained(wish) && !readRecipe(writeRecipe(*wish)))
        std::abort();
    const ModuleText read = readModuleText(text);
    if (read.module.has_value() != read.faults.empty()) std::abort();
    (void)hintFor(text, static_cast<int>(size % 40));
    if (!read.module) return 0;
    const ModuleText again = readModuleText(writeModuleText(*read.module));
    if (!again.module || writeModuleText(*again.module) != writeModuleText(*read.module)) std::abort();
    return 0;
}
