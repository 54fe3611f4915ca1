#include "blocks/time/midi_modes.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

using enum MidiFunction;

constexpr std::array<const char*, kMidiPorts> kPorts = {"pitch-1", "pitch-2", "pitch-3", "pitch-4", "gate-1",
                                                        "gate-2",  "gate-3",  "gate-4",  "cv-1",    "cv-2",
                                                        "cv-3",    "cv-4",    "clock",   "run"};

/// Channel, function, index of a port; which port it is follows from its place. Clock and run are the same in all.
struct Row {
    int channel;
    MidiFunction gives;
    int index;
};
constexpr MidiMode mode(const char* name, int voices, bool perChannel, const std::array<Row, kMidiPorts - 2>& rows) {
    MidiMode out{name, voices, perChannel, {}};
    for (std::size_t p = 0; p < rows.size(); ++p)
        out.ports[p] = {kPorts[p], rows[p].channel, rows[p].gives, rows[p].index};
    out.ports[kMidiPorts - 2] = {kPorts[kMidiPorts - 2], 0, Clock, 24};
    out.ports[kMidiPorts - 1] = {kPorts[kMidiPorts - 1], 0, Run, 0};
    return out;
}

constexpr std::array kModes = {
    mode("one voice", 1, false,
         {{{0, Pitch, 0},
           {0, Bend, 0},
           {0, Modulation, 0},
           {0, Pressure, 0},
           {0, Gate, 0},
           {0, Clock, 1},
           {0, Clock, 4},
           {0, Clock, 24},
           {0, Velocity, 0},
           {0, Modulation, 0},
           {0, Bend, 0},
           {0, Pressure, 0}}}),
    mode("two voices", 2, false,
         {{{0, Pitch, 0},
           {0, Pitch, 1},
           {0, Bend, 0},
           {0, Modulation, 0},
           {0, Gate, 0},
           {0, Gate, 1},
           {0, Clock, 1},
           {0, Clock, 4},
           {0, Velocity, 0},
           {0, Velocity, 1},
           {0, Modulation, 0},
           {0, Pressure, 0}}}),
    mode("four voices", 4, false,
         {{{0, Pitch, 0},
           {0, Pitch, 1},
           {0, Pitch, 2},
           {0, Pitch, 3},
           {0, Gate, 0},
           {0, Gate, 1},
           {0, Gate, 2},
           {0, Gate, 3},
           {0, Velocity, 0},
           {0, Velocity, 1},
           {0, Velocity, 2},
           {0, Velocity, 3}}}),
    mode("a channel each", 4, true,
         {{{1, Pitch, 0},
           {2, Pitch, 1},
           {3, Pitch, 2},
           {4, Pitch, 3},
           {1, Gate, 0},
           {2, Gate, 1},
           {3, Gate, 2},
           {4, Gate, 3},
           {1, Velocity, 0},
           {2, Velocity, 1},
           {3, Velocity, 2},
           {4, Velocity, 3}}}),
    mode("voice and drums", 1, false,
         {{{1, Pitch, 0},
           {1, Bend, 0},
           {1, Modulation, 0},
           {1, Pressure, 0},
           {1, Gate, 0},
           {10, Drum, 36},
           {10, Drum, 38},
           {10, Drum, 42},
           {1, Velocity, 0},
           {1, Modulation, 0},
           {1, Bend, 0},
           {1, Pressure, 0}}}),
    mode("voice and controllers", 1, false,
         {{{0, Pitch, 0},
           {0, Velocity, 0},
           {0, Bend, 0},
           {0, Pressure, 0},
           {0, Gate, 0},
           {0, Hold, 0},
           {0, Clock, 4},
           {0, Clock, 24},
           {0, Controller, kFreeController},
           {0, Controller, kFreeController + 1},
           {0, Modulation, 0},
           {0, Pressure, 0}}}),
    mode("two voices, controllers", 2, false,
         {{{0, Pitch, 0},
           {0, Pitch, 1},
           {0, Velocity, 0},
           {0, Velocity, 1},
           {0, Gate, 0},
           {0, Gate, 1},
           {0, Hold, 0},
           {0, Clock, 4},
           {0, Controller, kFreeController},
           {0, Controller, kFreeController + 1},
           {0, Modulation, 0},
           {0, Bend, 0}}}),
    mode("three voices", 3, false,
         {{{0, Pitch, 0},
           {0, Pitch, 1},
           {0, Pitch, 2},
           {0, Bend, 0},
           {0, Gate, 0},
           {0, Gate, 1},
           {0, Gate, 2},
           {0, Hold, 0},
           {0, Velocity, 0},
           {0, Velocity, 1},
           {0, Velocity, 2},
           {0, Modulation, 0}}}),
    mode("two channels", 2, true,
         {{{1, Pitch, 0},
           {2, Pitch, 1},
           {1, Bend, 0},
           {2, Bend, 0},
           {1, Gate, 0},
           {2, Gate, 1},
           {1, Hold, 0},
           {2, Hold, 0},
           {1, Velocity, 0},
           {2, Velocity, 1},
           {1, Modulation, 0},
           {2, Modulation, 0}}}),
    mode("drums", 0, false,
         {{{10, Controller, kFreeController},
           {10, Controller, kFreeController + 1},
           {10, Bend, 0},
           {10, Pressure, 0},
           {10, Drum, 36},
           {10, Drum, 38},
           {10, Drum, 42},
           {10, Drum, 46},
           {10, Modulation, 0},
           {0, Controller, 7},
           {0, Controller, 10},
           {0, Controller, 91}}}),
    mode("eight controllers", 0, false,
         {{{0, Controller, 20},
           {0, Controller, 21},
           {0, Controller, 22},
           {0, Controller, 23},
           {0, Hold, 0},
           {0, Clock, 1},
           {0, Clock, 4},
           {0, Clock, 24},
           {0, Controller, 24},
           {0, Controller, 25},
           {0, Controller, 26},
           {0, Controller, 27}}}),
    mode("clocks", 1, false,
         {{{0, Pitch, 0},
           {0, Velocity, 0},
           {0, Bend, 0},
           {0, Modulation, 0},
           {0, Clock, 1},
           {0, Clock, 2},
           {0, Clock, 4},
           {0, Clock, 8},
           {0, Pressure, 0},
           {0, Controller, kFreeController},
           {0, Controller, kFreeController + 1},
           {0, None, 0}}}),
};

} // namespace

std::span<const MidiMode> midiModes() {
    return kModes;
}

std::span<const char* const> midiPortIds() {
    return kPorts;
}

MidiMode withVoices(MidiMode mode) {
    mode.voices = 0;
    mode.perChannel = false;
    int shared = -1;
    for (MidiPort& port : mode.ports) {
        if (port.gives != Pitch && port.gives != Gate && port.gives != Velocity) continue;
        port.index = std::clamp(port.index, 0, 3);
        mode.voices = std::max(mode.voices, port.index + 1);
        if (port.gives != Pitch) continue;
        if (shared >= 0 && port.channel != shared) mode.perChannel = true;
        shared = port.channel;
    }
    return mode;
}

Sentence functionText(const MidiPort& port) {
    switch (port.gives) {
    case None:
        return say("nothing");
    case Pitch:
        return say("pitch of voice {}", port.index + 1);
    case Gate:
        return say("gate of voice {}", port.index + 1);
    case Velocity:
        return say("velocity of voice {}", port.index + 1);
    case Bend:
        return say("pitch bend");
    case Modulation:
        return say("modulation wheel");
    case Pressure:
        return say("pressure");
    case Controller:
        return port.index >= kFreeController ? say("free controller {}", port.index == kFreeController ? 'A' : 'B')
                                             : say("controller {}", port.index);
    case Hold:
        return say("hold pedal");
    case Clock:
        return say("clock, {} a beat", port.index);
    case Run:
        return say("high from start to stop");
    case Drum:
        return say("trigger of note {}", port.index);
    }
    return say("");
}

Sentence channelText(const MidiPort& port) {
    return port.channel == 0 ? say("any channel") : say("channel {}", port.channel);
}

std::string midiTable(const MidiMode& mode) {
    std::string out = fmt::format("{}\n", mode.name);
    for (const MidiPort& port : mode.ports)
        out += fmt::format("  {:<8} {:<11} {}\n", port.port, channelText(port).str(), functionText(port).str());
    return out;
}

} // namespace lariat
