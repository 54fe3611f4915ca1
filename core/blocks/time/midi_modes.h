// The modes of the MIDI converter as a table: which port gives what of which channel.
#pragma once

#include "units/sentence.h"

#include <array>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

enum class MidiFunction {
    None,
    Pitch,
    Gate,
    Velocity,
    Bend,
    Modulation,
    Pressure,
    Controller, ///< one of the two free ones, or in an own table any
    Hold,       ///< a gate: controller 64 is down
    Clock,
    Run,
    Drum
};
inline constexpr std::array kMidiFunctions = {"nothing",    "pitch",      "gate",          "velocity",
                                              "bend",       "modulation", "pressure",      "a controller",
                                              "hold pedal", "clock",      "start to stop", "trigger of a note"};

struct MidiPort {
    const char* port = "";
    int channel = 0; ///< 1…16; 0: any
    MidiFunction gives = MidiFunction::None;
    int index = 0; ///< of pitch, gate and velocity: the voice; of a drum: the note; of a clock: pulses a beat; of a
                   ///< controller: its number, or kFreeController and the one behind it for the two free ones
};
inline constexpr int kFreeController = 128;
inline constexpr std::size_t kMidiPorts = 14;

struct MidiMode {
    const char* name = "";
    int voices = 0;          ///< notes at a time on one channel
    bool perChannel = false; ///< each voice hears a channel of its own
    std::array<MidiPort, kMidiPorts> ports{};
};

/// All modes but the last of the converter's switch, in its order; the last one is the post's own table.
std::span<const MidiMode> midiModes();
/// Ids of the ports, in order: pitch-1 … 4, gate-1 … 4, cv-1 … 4, clock, run.
std::span<const char* const> midiPortIds();
/// What follows from the ports of an own table: how many voices there are, and whether they share a channel.
MidiMode withVoices(MidiMode mode);

/// "pitch of voice 1"
Sentence functionText(const MidiPort& port);
/// "any channel", "channel 10"
Sentence channelText(const MidiPort& port);
/// The table of a mode, one line a port, for people.
std::string midiTable(const MidiMode& mode);

} // namespace lariat
