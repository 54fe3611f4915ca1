// Fuzz target for the readers of modules and cases.
#include "library/library.h"
#include "model/case.h"
#include "model/module.h"
#include "one_reader.h"

#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    const std::string_view bytes(reinterpret_cast<const char*>(data), size);
    (void)fuzz::isExplained(readCase(bytes));
    const auto module = readModule(bytes);
    if (fuzz::isExplained(module)) (void)fuzz::isExplained(resolveModule(*module));
    return 0;
}
