#include "devices/simulated_device.h"

#include "model/file.h"

#include <atomic>
#include <chrono>
#include <vector>

#include <sndfile.h>

namespace lariat {

/// An open WAV file.
class SimulatedDevice::Recorder {
  public:
    Recorder(const std::filesystem::path& file, unsigned rate) {
        SF_INFO info{};
        info.samplerate = static_cast<int>(rate);
        info.channels = 2;
        info.format = SF_FORMAT_WAV | SF_FORMAT_FLOAT;
        file_ = sf_open(file.c_str(), SFM_WRITE, &info);
        // A library that says nothing of itself keeps files the same from one run to the next.
        if (file_) sf_command(file_, SFC_SET_ADD_PEAK_CHUNK, nullptr, SF_FALSE);
    }
    ~Recorder() {
        if (file_) sf_close(file_);
    }
    Recorder(const Recorder&) = delete;
    Recorder& operator=(const Recorder&) = delete;
    [[nodiscard]] bool open() const { return file_ != nullptr; }
    /// The disk takes no more; what was written stays.
    [[nodiscard]] bool failed() const { return failed_; }
    void write(const std::vector<float>& block) {
        const auto size = static_cast<sf_count_t>(block.size());
        if (!failed_ && sf_write_float(file_, block.data(), size) != size) failed_ = true;
    }

  private:
    SNDFILE* file_ = nullptr;
    std::atomic<bool> failed_{false};
};

Result<void> SimulatedDevice::start(AudioCallback callback) {
    stop();
    callback_ = std::move(callback);
    stopping_ = false;
    alive_ = true;
    thread_ = std::thread([this] { work(); });
    return {};
}

void SimulatedDevice::stop() {
    {
        const std::lock_guard lock(mutex_);
        stopping_ = true;
    }
    wake_.notify_all();
    if (thread_.joinable()) thread_.join();
    recordStop();
}

Result<void> SimulatedDevice::recordTo(const std::filesystem::path& file) {
    if (auto allowed = mayWrite(file, FileKind::Sound); !allowed) return allowed;
    auto recorder = std::make_shared<Recorder>(file, settings_.rate);
    if (!recorder->open())
        return tl::unexpected(Error{file.string(), {}, "cannot be written; choose another place for the recording"});
    const std::lock_guard lock(mutex_);
    recorder_ = std::move(recorder);
    return {};
}

void SimulatedDevice::recordStop() {
    std::shared_ptr<Recorder> done;
    const std::lock_guard lock(mutex_);
    done.swap(recorder_);
}

bool SimulatedDevice::recordFailed() {
    const std::lock_guard lock(mutex_);
    return recorder_ && recorder_->failed();
}

void SimulatedDevice::work() {
    using Clock = std::chrono::steady_clock;
    const auto period = std::chrono::nanoseconds(1'000'000'000LL * settings_.blockFrames / settings_.rate);
    std::vector<float> block(2u * settings_.blockFrames);
    std::vector<float> in(coming_.empty() ? 0 : block.size());
    std::size_t heard = 0;
    auto due = Clock::now();
    while (alive_) {
        for (float& sample : in) sample = coming_[heard++ % coming_.size()];
        callback_(block.data(), settings_.blockFrames, in.empty() ? nullptr : in.data());
        due += period;
        std::shared_ptr<Recorder> recorder;
        {
            std::unique_lock lock(mutex_);
            if (stopping_) return;
            recorder = recorder_;
        }
        if (recorder) recorder->write(block);
        const auto now = Clock::now();
        if (now > due + period) {
            ++dropouts_;
            due = now;
        }
        std::unique_lock lock(mutex_);
        if (wake_.wait_until(lock, due, [this] { return stopping_; })) return;
    }
}

} // namespace lariat
