// MIDI files, by libsmf.
#pragma once

#include "model/performance.h"
#include "model/result.h"

#include <filesystem>

namespace lariat {

/// The channel messages of a Standard MIDI File, all tracks together, for the keys or the converter at `post`. Tempo is
/// the file's first one; where it changes later, the beats that follow are stretched, so that all keeps its time. At
/// most kMaxMessages; those that a performance cannot keep (pattern_json.h) are left out. A file whose chunks claim
/// more than it holds is refused.
Result<Performance> readMidiFile(const std::filesystem::path& file, const std::string& post);
/// Writes a performance as a MIDI file of one track, 480 ticks a beat. Clock, start and stop have no place in such
/// files and are left out.
Result<void> writeMidiFile(const std::filesystem::path& file, const Performance& performance);

} // namespace lariat
