// Standard MIDI Files: read by ourselves, byte by byte and in linear time, written by libsmf.
//
// The library ends the whole program on a track without an end, on running status behind a system message and on times
// that overflow; whatever comes from outside has to be told apart before it could see it, and that is to read it.
// Source: The MIDI 1.0 specification, "Standard MIDI Files 1.0" (RP-001).
#pragma once

#include "model/performance.h"
#include "model/result.h"

#include <filesystem>
#include <string_view>

namespace lariat {

struct MidiImport {
    Performance performance;
    int systemMessages = 0; ///< left out: exclusive ones and other system messages
    int marks = 0;          ///< left out: texts, keys, measures and other marks that are no message

    /// "12 system messages and 3 texts and marks"; empty if nothing was left out that could be heard or read.
    [[nodiscard]] std::string leftOut() const;
};

/// The channel messages of a file, all tracks together, for the keys or the converter at `post`. Tempo is the file's
/// first one; where it changes later, the beats that follow are stretched, so that all keeps its time. At most
/// kMaxMessages messages and kMaxMidiTracks tracks. A file that is damaged anywhere is refused, with the byte.
Result<MidiImport> readMidiFile(const std::filesystem::path& file, const std::string& post);
Result<MidiImport> readMidi(std::string_view bytes, const std::string& post);
inline constexpr int kMaxMidiTracks = 1024;

/// The text of the marker at which a file of ours says that it begins anew.
inline constexpr const char* kLoopMark = "loop";

/// Writes a performance as a MIDI file of one track, 480 ticks a beat. Clock, start and stop have no place in such
/// files and are left out.
Result<void> writeMidiFile(const std::filesystem::path& file, const Performance& performance);

} // namespace lariat
