// Fuzz target for Scala tunings.
#include "units/tuning.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    lariat::Sentence why;
    const auto read = lariat::readScala({reinterpret_cast<const char*>(data), size}, why);
    if (!read && (why.empty() || why.str().size() > 4000)) std::abort();
    return 0;
}
