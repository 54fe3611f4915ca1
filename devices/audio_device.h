// A way out for sound: a real interface, or a stand-in that keeps time like one.
#pragma once

#include "model/result.h"

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace lariat {

/// Fills `frames` interleaved stereo frames; runs on the device's own thread. `in` holds as many frames that come in,
/// or is nullptr if the device has no input.
using AudioCallback = std::function<void(float* out, std::size_t frames, const float* in)>;

struct AudioSettings {
    std::string device; ///< a name from audioDeviceNames(); empty: the first real one, else the simulated one
    unsigned rate = 48000;
    unsigned blockFrames = 512;
    /// What comes in at the simulated one, again and again: interleaved stereo at its rate; empty: nothing.
    std::vector<float> comesIn{};
};

class AudioDevice {
  public:
    virtual ~AudioDevice() = default;
    /// Starts calling `callback`; errors say what to do.
    virtual Result<void> start(AudioCallback callback) = 0;
    virtual void stop() = 0;
    [[nodiscard]] virtual std::string name() const = 0;
    /// Blocks that came too late so far.
    [[nodiscard]] virtual unsigned dropouts() const = 0;
    /// False once a running device has gone away.
    [[nodiscard]] virtual bool alive() const = 0;
    /// Two channels come in as well.
    [[nodiscard]] virtual bool hasInput() const = 0;
};

inline constexpr const char* kSimulatedDevice = "Simulated interface";

/// Real outputs that can be opened now, then the simulated one. Never empty.
std::vector<std::string> audioDeviceNames();
/// The device of that name, or the simulated one if it is not there.
std::unique_ptr<AudioDevice> makeAudioDevice(const AudioSettings& settings);

} // namespace lariat
