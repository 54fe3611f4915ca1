// Fuzz target for recordings: the reader opens files, so the bytes go through one.
#include "model/audio_file.h"
#include "one_reader.h"

#include <cstdint>
#include <cstdio>
#include <string>
#include <unistd.h>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace lariat;
    static const std::string file = "/tmp/lariat-fuzz-" + std::to_string(::getpid()) + ".wav";
    std::FILE* out = std::fopen(file.c_str(), "wb");
    if (!out) std::abort();
    std::fwrite(data, 1, size, out);
    std::fclose(out);
    (void)fuzz::isExplained(readAudio(file));
    std::remove(file.c_str());
    return 0;
}
