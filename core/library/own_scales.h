// Scales of the user's own: sets of the twelve notes, kept as Scala files beside the tunings.
#pragma once

#include "model/result.h"

#include <filesystem>
#include <string>
#include <vector>

namespace lariat {

struct OwnScale {
    std::string name;
    unsigned mask = 0; ///< bit n: the note n semitones above the root
};

/// Those of a data folder's tunings that are made of whole semitones, by name.
std::vector<OwnScale> ownScales(const std::filesystem::path& dataFolder);
/// Writes one to tunings/<name>.scl, and makes the folders if need be. The root belongs to every scale. Fails for a
/// name that is none, one that is taken by another scale, or a folder that cannot be written.
Result<void> saveScale(const std::filesystem::path& dataFolder, const OwnScale& scale);

} // namespace lariat
