#include "blocks/time/midi_modes.h"

#include <fmt/format.h>

namespace lariat {
namespace {

using enum MidiFunction;

constexpr std::array<MidiMode, 5> kModes = {{
    {"one voice",
     1,
     false,
     {{{"pitch-1", 0, Pitch, 0},
       {"pitch-2", 0, Bend, 0},
       {"pitch-3", 0, Modulation, 0},
       {"pitch-4", 0, Pressure, 0},
       {"gate-1", 0, Gate, 0},
       {"gate-2", 0, Clock, 1},
       {"gate-3", 0, Clock, 4},
       {"gate-4", 0, Clock, 24},
       {"cv-1", 0, Velocity, 0},
       {"cv-2", 0, Modulation, 0},
       {"cv-3", 0, Bend, 0},
       {"cv-4", 0, Pressure, 0},
       {"clock", 0, Clock, 24},
       {"run", 0, Run, 0}}}},
    {"two voices",
     2,
     false,
     {{{"pitch-1", 0, Pitch, 0},
       {"pitch-2", 0, Pitch, 1},
       {"pitch-3", 0, Bend, 0},
       {"pitch-4", 0, Modulation, 0},
       {"gate-1", 0, Gate, 0},
       {"gate-2", 0, Gate, 1},
       {"gate-3", 0, Clock, 1},
       {"gate-4", 0, Clock, 4},
       {"cv-1", 0, Velocity, 0},
       {"cv-2", 0, Velocity, 1},
       {"cv-3", 0, Modulation, 0},
       {"cv-4", 0, Pressure, 0},
       {"clock", 0, Clock, 24},
       {"run", 0, Run, 0}}}},
    {"four voices",
     4,
     false,
     {{{"pitch-1", 0, Pitch, 0},
       {"pitch-2", 0, Pitch, 1},
       {"pitch-3", 0, Pitch, 2},
       {"pitch-4", 0, Pitch, 3},
       {"gate-1", 0, Gate, 0},
       {"gate-2", 0, Gate, 1},
       {"gate-3", 0, Gate, 2},
       {"gate-4", 0, Gate, 3},
       {"cv-1", 0, Velocity, 0},
       {"cv-2", 0, Velocity, 1},
       {"cv-3", 0, Velocity, 2},
       {"cv-4", 0, Velocity, 3},
       {"clock", 0, Clock, 24},
       {"run", 0, Run, 0}}}},
    {"a channel each",
     4,
     true,
     {{{"pitch-1", 1, Pitch, 0},
       {"pitch-2", 2, Pitch, 1},
       {"pitch-3", 3, Pitch, 2},
       {"pitch-4", 4, Pitch, 3},
       {"gate-1", 1, Gate, 0},
       {"gate-2", 2, Gate, 1},
       {"gate-3", 3, Gate, 2},
       {"gate-4", 4, Gate, 3},
       {"cv-1", 1, Velocity, 0},
       {"cv-2", 2, Velocity, 1},
       {"cv-3", 3, Velocity, 2},
       {"cv-4", 4, Velocity, 3},
       {"clock", 0, Clock, 24},
       {"run", 0, Run, 0}}}},
    {"voice and drums",
     1,
     false,
     {{{"pitch-1", 1, Pitch, 0},
       {"pitch-2", 1, Bend, 0},
       {"pitch-3", 1, Modulation, 0},
       {"pitch-4", 1, Pressure, 0},
       {"gate-1", 1, Gate, 0},
       {"gate-2", 10, Drum, 36},
       {"gate-3", 10, Drum, 38},
       {"gate-4", 10, Drum, 42},
       {"cv-1", 1, Velocity, 0},
       {"cv-2", 1, Modulation, 0},
       {"cv-3", 1, Bend, 0},
       {"cv-4", 1, Pressure, 0},
       {"clock", 0, Clock, 24},
       {"run", 0, Run, 0}}}},
}};

std::string functionText(const MidiPort& port) {
    switch (port.gives) {
    case Pitch:
        return fmt::format("pitch of voice {}", port.index + 1);
    case Gate:
        return fmt::format("gate of voice {}", port.index + 1);
    case Velocity:
        return fmt::format("velocity of voice {}", port.index + 1);
    case Bend:
        return "pitch bend";
    case Modulation:
        return "modulation wheel";
    case Pressure:
        return "pressure";
    case Clock:
        return fmt::format("clock, {} a beat", port.index);
    case Run:
        return "high from start to stop";
    case Drum:
        return fmt::format("trigger of note {}", port.index);
    }
    return "";
}

} // namespace

std::span<const MidiMode> midiModes() {
    return kModes;
}

std::string midiTable(const MidiMode& mode) {
    std::string out = fmt::format("{}\n", mode.name);
    for (const MidiPort& port : mode.ports)
        out += fmt::format("  {:<8} {:<11} {}\n", port.port,
                           port.channel == 0 ? "any channel" : fmt::format("channel {}", port.channel),
                           functionText(port));
    return out;
}

} // namespace lariat
