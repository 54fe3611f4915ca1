// Fuzz target for Scala tunings.
#include "units/tuning.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    std::string why;
    const auto read = lariat::readScala({reinterpret_cast<const char*>(data), size}, why);
    if (!read && (why.empty() || why.size() > 4000)) std::abort();
    return 0;
}
