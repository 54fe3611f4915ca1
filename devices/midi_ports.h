// Ports of the MIDI system by their names, the same for both directions.
#pragma once

#include <RtMidi.h>

#include <string>
#include <vector>

namespace lariat {

inline constexpr const char* kMidiClient = "Lariat";

/// Opens the port of that name, or one of our own if it is called `own`; throws RtMidiError if it is not there.
inline void openMidiPort(RtMidi& ports, const std::string& name, const char* own) {
    if (name == own) return ports.openVirtualPort(kMidiClient);
    for (unsigned port = 0; port < ports.getPortCount(); ++port)
        if (ports.getPortName(port) == name) return ports.openPort(port, kMidiClient);
    throw RtMidiError("it is not plugged in", RtMidiError::NO_DEVICES_FOUND);
}

/// Those that can be opened now, then our own, then the stand-in; the stand-in alone on a machine without MIDI.
template <class Ports> std::vector<std::string> midiPortNames(const char* own, const char* standIn) {
    std::vector<std::string> names;
    try {
        Ports ports(RtMidi::UNSPECIFIED, kMidiClient);
        for (unsigned port = 0; port < ports.getPortCount(); ++port) names.push_back(ports.getPortName(port));
        names.emplace_back(own);
    } catch (const RtMidiError&) {
        names.clear();
    }
    names.emplace_back(standIn);
    return names;
}

} // namespace lariat
