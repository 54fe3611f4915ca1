// A way out for MIDI: a real port, one of our own that others connect to, or a stand-in that keeps what it is sent.
#pragma once

#include "model/performance.h"
#include "model/result.h"

#include <chrono>
#include <memory>
#include <mutex>
#include <string>
#include <utility>
#include <vector>

namespace lariat {

class MidiOutput {
  public:
    virtual ~MidiOutput() = default;
    [[nodiscard]] virtual std::string name() const = 0;
    /// From one thread. False if it went wrong.
    virtual bool send(const MidiMessage& message) = 0;
};

inline constexpr const char* kSimulatedMidiOut = "Simulated MIDI out";
inline constexpr const char* kVirtualMidiPort = "Lariat (a port of its own)";

/// The stand-in: what is sent is kept with its time.
class SimulatedMidiOut final : public MidiOutput {
  public:
    using Sent = std::pair<std::chrono::steady_clock::time_point, MidiMessage>;

    [[nodiscard]] std::string name() const override { return kSimulatedMidiOut; }
    bool send(const MidiMessage& message) override {
        const std::lock_guard lock(mutex_);
        sent_.emplace_back(std::chrono::steady_clock::now(), message);
        return true;
    }
    [[nodiscard]] std::vector<Sent> sent() const {
        const std::lock_guard lock(mutex_);
        return sent_;
    }

  private:
    mutable std::mutex mutex_;
    std::vector<Sent> sent_;
};

/// Real ports that can be opened now, then one of our own, then the simulated one. Never empty.
std::vector<std::string> midiOutputNames();
/// Opens the port of that name. Fails, saying what is there, if it cannot.
Result<std::unique_ptr<MidiOutput>> openMidiOutput(const std::string& name);

} // namespace lariat
