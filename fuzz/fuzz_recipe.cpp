// Fuzz target for the readers of recipes, functions and expressions.
#include "one_reader.h"
#include "plan/recipe.h"
#include "stock/functions.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    const std::string_view bytes(reinterpret_cast<const char*>(data), size);
    (void)fuzz::isExplained(Functions::read(bytes));
    (void)fuzz::isExplained(evaluate(std::string(bytes), {{"note", 26.0}, {"v", 1.0}}));
    const auto recipe = readRecipe(bytes);
    if (!fuzz::isExplained(recipe)) return 0;
    (void)fuzz::isExplained(wishValues(*recipe, {}));
    if (!readRecipe(writeRecipe(*recipe))) std::abort(); // what was read can be written and read again
    return 0;
}
