#include "devices/midi_output.h"

#include <RtMidi.h>
#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kClient = "Lariat";

class RealMidiOutput final : public MidiOutput {
  public:
    explicit RealMidiOutput(const std::string& name) : name_(name), out_(RtMidi::UNSPECIFIED, kClient) {
        if (name == kVirtualMidiPort) {
            out_.openVirtualPort(kClient);
            return;
        }
        for (unsigned port = 0; port < out_.getPortCount(); ++port) {
            if (out_.getPortName(port) != name) continue;
            out_.openPort(port, kClient);
            return;
        }
        throw RtMidiError("it is not plugged in", RtMidiError::NO_DEVICES_FOUND);
    }
    [[nodiscard]] std::string name() const override { return name_; }
    bool send(const MidiMessage& message) override {
        // Real-time messages are one byte; of the others those of program and channel pressure have two.
        const int kind = message.kind();
        const std::size_t size = kind >= 0xF0 ? 1 : kind == 0xC0 || kind == 0xD0 ? 2 : 3;
        const unsigned char bytes[3] = {message.status, message.data1, message.data2};
        try {
            out_.sendMessage(bytes, size);
            return true;
        } catch (const RtMidiError&) {
            return false;
        }
    }

  private:
    std::string name_;
    RtMidiOut out_;
};

} // namespace

std::vector<std::string> midiOutputNames() {
    std::vector<std::string> names;
    try {
        RtMidiOut out(RtMidi::UNSPECIFIED, kClient);
        for (unsigned port = 0; port < out.getPortCount(); ++port) names.push_back(out.getPortName(port));
        names.emplace_back(kVirtualMidiPort);
    } catch (const RtMidiError&) {
        // A machine without a MIDI system has the stand-in alone.
    }
    names.emplace_back(kSimulatedMidiOut);
    return names;
}

Result<std::unique_ptr<MidiOutput>> openMidiOutput(const std::string& name) {
    if (name == kSimulatedMidiOut) return std::make_unique<SimulatedMidiOut>();
    try {
        return std::make_unique<RealMidiOutput>(name);
    } catch (const RtMidiError& error) {
        return failure(fmt::format("MIDI to {} cannot be opened: {}. There are: {}", name, error.getMessage(),
                                   fmt::join(midiOutputNames(), ", ")));
    }
}

} // namespace lariat
