#include "devices/midi_output.h"

#include "devices/midi_ports.h"

#include <fmt/format.h>

namespace lariat {
namespace {

class RealMidiOutput final : public MidiOutput {
  public:
    explicit RealMidiOutput(const std::string& name)
        : name_(name), out_(openMidiPort<RtMidiOut>(name, kVirtualMidiPort)) {}
    [[nodiscard]] std::string name() const override { return name_; }
    bool send(const MidiMessage& message) override {
        // Real-time messages are one byte; of the others those of program and channel pressure have two.
        const int kind = message.kind();
        const std::size_t size = kind >= 0xF0 ? 1 : kind == 0xC0 || kind == 0xD0 ? 2 : 3;
        const unsigned char bytes[3] = {message.status, message.data1, message.data2};
        try {
            out_->sendMessage(bytes, size);
            return true;
        } catch (const RtMidiError&) {
            return false;
        }
    }

  private:
    std::string name_;
    std::unique_ptr<RtMidiOut> out_;
};

} // namespace

std::vector<std::string> midiOutputNames() {
    return midiPortNames<RtMidiOut>(kVirtualMidiPort, kSimulatedMidiOut);
}

Result<std::unique_ptr<MidiOutput>> openMidiOutput(const std::string& name) {
    if (name == kSimulatedMidiOut) return std::make_unique<SimulatedMidiOut>();
    try {
        return std::make_unique<RealMidiOutput>(name);
    } catch (const RtMidiError& error) {
        return failure(say("MIDI to {} cannot be opened: {}. There are: {}", name, error.getMessage(),
                           fmt::join(midiOutputNames(), ", ")));
    }
}

} // namespace lariat
