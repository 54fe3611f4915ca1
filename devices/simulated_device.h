// The simulated interface: asks for sound in real time as a card would.
#pragma once

#include "devices/audio_device.h"

#include <atomic>
#include <condition_variable>
#include <cstdint>
#include <filesystem>
#include <mutex>
#include <thread>
#include <vector>

namespace lariat {

class SimulatedDevice final : public AudioDevice {
  public:
    explicit SimulatedDevice(AudioSettings settings)
        : settings_(std::move(settings)), coming_(std::move(settings_.comesIn)) {}
    ~SimulatedDevice() override { stop(); }

    Result<void> start(AudioCallback callback) override;
    void stop() override;
    [[nodiscard]] std::string name() const override { return kSimulatedDevice; }
    [[nodiscard]] unsigned dropouts() const override { return dropouts_; }
    [[nodiscard]] bool alive() const override { return alive_; }
    [[nodiscard]] bool hasInput() const override { return !coming_.empty(); }

    /// Behaves as if the cable to the interface had been pulled.
    void pull() { alive_ = false; }

  private:
    void work();

    AudioSettings settings_;
    AudioCallback callback_;
    std::vector<float> coming_;
    std::thread thread_;
    std::mutex mutex_; ///< guards stopping_; never held while the callback runs
    std::condition_variable wake_;
    bool stopping_ = false;
    std::atomic<unsigned> dropouts_{0};
    std::atomic<bool> alive_{true};
};

/// A sound file as the simulated interface hears it: interleaved stereo at that rate, of five minutes at most.
Result<std::vector<float>> comesInFrom(const std::filesystem::path& file, unsigned rate);

} // namespace lariat
