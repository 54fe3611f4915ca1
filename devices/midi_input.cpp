#include "devices/midi_input.h"

#include "devices/midi_ports.h"

#include <fmt/format.h>

namespace lariat {
namespace {

class RealMidiInput final : public MidiInput {
  public:
    RealMidiInput(const std::string& name, MidiCallback callback)
        : name_(name), callback_(std::move(callback)), in_(openMidiPort<RtMidiIn>(name, kOwnMidiInput)) {
        in_->setCallback(&RealMidiInput::received, this);
        in_->ignoreTypes(true, false, true); // clock comes in, long system messages and sensing do not
    }
    [[nodiscard]] std::string name() const override { return name_; }

  private:
    static void received(double, std::vector<unsigned char>* bytes, void* self) {
        if (!bytes || bytes->empty()) return;
        const auto at = [&](std::size_t i) { return i < bytes->size() ? (*bytes)[i] : std::uint8_t{0}; };
        static_cast<RealMidiInput*>(self)->callback_({at(0), at(1), at(2)});
    }

    std::string name_;
    MidiCallback callback_;
    std::unique_ptr<RtMidiIn> in_;
};

} // namespace

std::vector<std::string> midiInputNames() {
    return midiPortNames<RtMidiIn>(kOwnMidiInput, kSimulatedKeyboard);
}

Result<std::unique_ptr<MidiInput>> openMidiInput(const std::string& name, MidiCallback callback) {
    if (name.empty() || name == kSimulatedKeyboard) return std::make_unique<SimulatedKeyboard>(std::move(callback));
    try {
        return std::make_unique<RealMidiInput>(name, std::move(callback));
    } catch (const RtMidiError& error) {
        return failure(say("MIDI from {} cannot be opened: {}. There are: {}", name, error.getMessage(),
                           fmt::join(midiInputNames(), ", ")));
    }
}

} // namespace lariat
