#include "devices/audio_device.h"

#include "devices/outlive.h"
#include "devices/simulated_device.h"

#include <atomic>
#include <chrono>

#include <RtAudio.h>
#include <fmt/format.h>

namespace lariat {
namespace {

struct Found {
    RtAudio::Api api;
    unsigned id;
    std::string name;
    bool hasInput = false; ///< two channels come in as well
};

/// Without a function for errors RtAudio would throw them on the device's thread. A device that goes away is
/// noticed by its silence instead.
void quiet(RtAudioError::Type, const std::string&) {}

std::vector<Found> findDevices() {
    outliveSoundSystems();
    std::vector<Found> found;
    std::vector<RtAudio::Api> apis;
    RtAudio::getCompiledApi(apis);
    for (const RtAudio::Api api : apis) {
        if (api == RtAudio::RTAUDIO_DUMMY) continue;
        try {
            RtAudio audio(api);
            audio.showWarnings(false);
            for (unsigned id = 0; id < audio.getDeviceCount(); ++id) {
                const RtAudio::DeviceInfo info = audio.getDeviceInfo(id);
                if (info.probed && info.outputChannels >= 2)
                    found.push_back({api, id, fmt::format("{} ({})", info.name, RtAudio::getApiDisplayName(api)),
                                     info.duplexChannels >= 2});
            }
        } catch (const RtAudioError&) {
            continue; // this sound system is not running here
        }
    }
    return found;
}

class RealDevice final : public AudioDevice {
  public:
    RealDevice(Found found, AudioSettings settings)
        : found_(std::move(found)), settings_(std::move(settings)), audio_(found_.api) {}
    ~RealDevice() override { stop(); }

    Result<void> start(AudioCallback callback) override {
        stop();
        callback_ = std::move(callback);
        RtAudio::StreamParameters output;
        output.deviceId = found_.id;
        output.nChannels = 2;
        unsigned frames = settings_.blockFrames;
        try {
            RtAudio::StreamParameters input = output;
            audio_.openStream(&output, found_.hasInput ? &input : nullptr, RTAUDIO_FLOAT32, settings_.rate, &frames,
                              &RealDevice::fill, this, nullptr, quiet);
            audio_.startStream();
        } catch (const RtAudioError& error) {
            return failure(say("{} cannot be opened ({}); choose another device in the preferences", found_.name,
                               error.getMessage()));
        }
        lastCall_ = now();
        return {};
    }
    void stop() override {
        try {
            if (audio_.isStreamOpen()) audio_.closeStream();
        } catch (const RtAudioError&) {
            lastCall_ = 0; // it went away while it was being closed
        }
    }
    [[nodiscard]] std::string name() const override { return found_.name; }
    [[nodiscard]] unsigned dropouts() const override { return dropouts_; }
    [[nodiscard]] bool hasInput() const override { return found_.hasInput; }
    [[nodiscard]] bool alive() const override { return now() - lastCall_ < kSilentMilliseconds; }

  private:
    static constexpr long long kSilentMilliseconds = 1500;
    static long long now() {
        using namespace std::chrono;
        return duration_cast<milliseconds>(steady_clock::now().time_since_epoch()).count();
    }
    static int fill(void* out, void* in, unsigned frames, double, RtAudioStreamStatus status, void* self) {
        auto* device = static_cast<RealDevice*>(self);
        device->lastCall_ = now();
        if (status & RTAUDIO_OUTPUT_UNDERFLOW) ++device->dropouts_;
        device->callback_(static_cast<float*>(out), frames, static_cast<const float*>(in));
        return 0;
    }

    Found found_;
    AudioSettings settings_;
    RtAudio audio_;
    AudioCallback callback_;
    std::atomic<unsigned> dropouts_{0};
    std::atomic<long long> lastCall_{0};
};

} // namespace

std::vector<std::string> audioDeviceNames() {
    std::vector<std::string> names;
    for (const Found& found : findDevices()) names.push_back(found.name);
    names.emplace_back(kSimulatedDevice);
    return names;
}

std::unique_ptr<AudioDevice> makeAudioDevice(const AudioSettings& settings) {
    if (settings.device != kSimulatedDevice)
        for (Found& found : findDevices())
            if (settings.device.empty() || settings.device == found.name)
                return std::make_unique<RealDevice>(std::move(found), settings);
    return std::make_unique<SimulatedDevice>(settings);
}

} // namespace lariat
