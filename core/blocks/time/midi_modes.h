// The modes of the MIDI converter as a table: which port gives what of which channel.
#pragma once

#include <array>
#include <span>
#include <string>
#include <string_view>

namespace lariat {

enum class MidiFunction { Pitch, Gate, Velocity, Bend, Modulation, Pressure, Clock, Run, Drum };

struct MidiPort {
    const char* port;
    int channel; ///< 1…16; 0: any
    MidiFunction gives;
    int index; ///< of pitch, gate and velocity: the voice; of a drum: the note; of a clock: pulses a beat
};

struct MidiMode {
    const char* name;
    int voices;      ///< notes at a time on one channel
    bool perChannel; ///< each voice hears a channel of its own
    std::array<MidiPort, 14> ports;
};

/// All modes, in the order of the converter's switch.
std::span<const MidiMode> midiModes();
/// The table of a mode, one line a port, for people.
std::string midiTable(const MidiMode& mode);

} // namespace lariat
