// Fuzz target for recordings, and for the questions that are asked of them: the readers open files, so the bytes go
// through one.
#include "ask/ask.h"
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
    FileOptions how;
    how.seconds = 0.05;
    if (auto trace = readTrack(file, how); fuzz::isExplained(trace) && trace->volts.size() < 20'000)
        for (const Question question : {Question::Shape, Question::Note, Question::Same, Question::Content}) {
            Asked asked;
            asked.question = question;
            asked.tracks = {*trace};
            (void)fuzz::isExplained(ask(asked));
        }
    std::remove(file.c_str());
    return 0;
}
