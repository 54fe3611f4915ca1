// A performance straight to files: run by run, so that an hour takes no more memory than a second.
#pragma once

#include "engine/render.h"
#include "measure/measure.h"
#include "model/sound_writer.h"

#include <filesystem>
#include <map>
#include <string>
#include <vector>

namespace lariat {

struct FilesWanted {
    std::filesystem::path mix{};                 ///< empty: none
    std::filesystem::path stems{};               ///< a folder for one file of each voice, made if need be; empty: none
    SoundFormat format{};                        ///< of mix and stems; stems end as the mix does, or in .wav
    std::vector<std::filesystem::path> probes{}; ///< one for each probe: a channel of floating point, 1 is 1 V
};

struct FilesMade {
    LevelReading left; ///< volts at the case's way out
    LevelReading right;
    std::vector<LevelReading> probes;
    std::vector<std::filesystem::path> stems;
    std::uint64_t faults = 0;
    std::string faultyPost;
};

/// Renders a checked patch from its start, once for the mix with all probes and once for each stem. `options.fileRate`
/// is not used. All files are put in their places at the end: after an error or a cancel everything is as before.
Result<FilesMade> renderToFiles(const Patch& patch, const Library& library, const RenderOptions& options,
                                const FilesWanted& wanted);

} // namespace lariat
