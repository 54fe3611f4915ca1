// Fuzz target for the MIDI reader: what is read can be kept by a patch.
#include "library/midi_file.h"
#include "one_reader.h"

#include <cmath>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    const auto read = readMidi({reinterpret_cast<const char*>(data), size}, "keys");
    if (!fuzz::isExplained(read)) return 0;
    if (read->performance.messages.size() > kMaxMessages) std::abort();
    for (const PlayedMessage& message : read->performance.messages)
        if (!std::isfinite(message.beat) || message.beat < 0.0) std::abort();
    return 0;
}
