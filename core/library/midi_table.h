// The table of a MIDI converter in a patch: what each port gives in the mode that it stands in.
#pragma once

#include "blocks/time/midi_modes.h"
#include "library/library.h"
#include "model/edit.h"

#include <optional>
#include <vector>

namespace lariat {

/// The table in force at a post; nothing if it has no converter.
std::optional<MidiMode> midiTableOf(const Post& post, const PartInfo& part);
/// The converter stands in the mode whose table is its own.
bool hasOwnMidiTable(const Post& post, const PartInfo& part);
/// A knob that is a cell of that table, which no panel shows as a knob.
bool inMidiTable(const PartInfo& part, const KnobInfo& knob);
/// What it takes for a port of the own table to give that. The first change makes the table in force the own one, so
/// that all other ports stay as they are. Fails if the post has no converter, or the panel no knob for its mode.
Result<std::vector<Edit>> changeMidiPort(const Post& post, const PartInfo& part, std::size_t port,
                                         const MidiPort& wanted);

} // namespace lariat
