// Does a patch fit the modules? Everything the engine relies on is checked here, once.
#pragma once

#include "library/library.h"

namespace lariat {

/// The patch if every module, part, jack and knob in it exists, knobs stand inside their range, cables run
/// from an output to a free input, and patterns belong to sequencers; else the first thing that is wrong.
Result<Patch> checkPatch(Patch patch, const Library& library);

/// Reads and checks a patch file; errors name the file.
Result<Patch> openPatch(const std::filesystem::path& file, const Library& library);

} // namespace lariat
