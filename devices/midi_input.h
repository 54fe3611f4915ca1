// A way in for MIDI: a real port, or a stand-in that is played by the program itself.
#pragma once

#include "model/performance.h"
#include "model/result.h"

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace lariat {

/// Called on the device's own thread.
using MidiCallback = std::function<void(const MidiMessage&)>;

class MidiInput {
  public:
    virtual ~MidiInput() = default;
    [[nodiscard]] virtual std::string name() const = 0;
};

inline constexpr const char* kOwnMidiInput = "Lariat (an input of its own)";
inline constexpr const char* kSimulatedKeyboard = "Simulated keyboard";

/// The stand-in: what is pushed comes in.
class SimulatedKeyboard final : public MidiInput {
  public:
    explicit SimulatedKeyboard(MidiCallback callback) : callback_(std::move(callback)) {}
    [[nodiscard]] std::string name() const override { return kSimulatedKeyboard; }
    void push(const MidiMessage& message) { callback_(message); }

  private:
    MidiCallback callback_;
};

/// Real ports that can be opened now, then one of our own that others connect to, then the simulated one. Never empty.
std::vector<std::string> midiInputNames();
/// Opens the port of that name; an empty name opens the simulated one. Fails, saying what is there, if it cannot.
Result<std::unique_ptr<MidiInput>> openMidiInput(const std::string& name, MidiCallback callback);

} // namespace lariat
