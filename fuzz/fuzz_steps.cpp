// Fuzz target for what is typed: lines of steps, lanes, and the reckoner. What is read can be written and read again.
#include "model/pattern_text.h"
#include "one_reader.h"
#include "timing/reckon.h"

#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    const std::string text(reinterpret_cast<const char*>(data), size);
    (void)fuzz::isExplained(reckon(text));
    if (const auto hits = readHits(text); fuzz::isExplained(hits) && readHits(writeHits(*hits)) != *hits) std::abort();
    const auto steps = readSteps(text);
    if (!fuzz::isExplained(steps)) return 0;
    const auto again = readSteps(writeSteps(*steps));
    if (!again || writeSteps(*again) != writeSteps(*steps)) std::abort();
    return 0;
}
