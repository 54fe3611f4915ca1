// Ports of the MIDI systems that run here by their names, the same for both directions.
#pragma once

#include "devices/outlive.h"

#include <RtMidi.h>

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace lariat {

inline constexpr const char* kMidiClient = "Lariat";

/// Calls `use` with the ports of each MIDI system that runs here, until it returns true. Left to choose by itself, the
/// library gives up at the first system that does not run, though the next one may.
template <class Ports> void eachMidiSystem(const std::function<bool(std::unique_ptr<Ports>)>& use) {
    outliveSoundSystems();
    std::vector<RtMidi::Api> systems;
    RtMidi::getCompiledApi(systems);
    for (const RtMidi::Api system : systems) {
        if (system == RtMidi::RTMIDI_DUMMY) continue;
        try {
            if (use(std::make_unique<Ports>(system, kMidiClient))) return;
        } catch (const RtMidiError&) {
            continue; // it does not run here
        }
    }
}

/// The port of that name, open, or one of our own if it is called `own`; throws RtMidiError if it is not there.
template <class Ports> std::unique_ptr<Ports> openMidiPort(const std::string& name, const char* own) {
    std::unique_ptr<Ports> opened;
    eachMidiSystem<Ports>([&](std::unique_ptr<Ports> ports) {
        if (name == own) {
            ports->openVirtualPort(kMidiClient);
            opened = std::move(ports);
            return true;
        }
        for (unsigned port = 0; port < ports->getPortCount(); ++port)
            if (ports->getPortName(port) == name) {
                ports->openPort(port, kMidiClient);
                opened = std::move(ports);
                return true;
            }
        return false;
    });
    if (!opened) throw RtMidiError("it is not plugged in", RtMidiError::NO_DEVICES_FOUND);
    return opened;
}

/// Those that can be opened now, then our own, then the stand-in; the stand-in alone on a machine without MIDI.
template <class Ports> std::vector<std::string> midiPortNames(const char* own, const char* standIn) {
    std::vector<std::string> names;
    bool runs = false;
    eachMidiSystem<Ports>([&](std::unique_ptr<Ports> ports) {
        for (unsigned port = 0; port < ports->getPortCount(); ++port) names.push_back(ports->getPortName(port));
        runs = true;
        return false;
    });
    if (runs) names.emplace_back(own);
    names.emplace_back(standIn);
    return names;
}

} // namespace lariat
