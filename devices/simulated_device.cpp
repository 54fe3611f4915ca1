#include "devices/simulated_device.h"

#include "measure/align.h"
#include "model/audio_file.h"

#include <algorithm>
#include <chrono>
#include <vector>

namespace lariat {
namespace {

constexpr double kMostSeconds = 300.0;

} // namespace

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
        const auto now = Clock::now();
        if (now > due + period) {
            ++dropouts_;
            due = now;
        }
        std::unique_lock lock(mutex_);
        if (wake_.wait_until(lock, due, [this] { return stopping_; })) return;
    }
}

Result<std::vector<float>> comesInFrom(const std::filesystem::path& file, unsigned rate) {
    auto read = readAudio(file);
    if (!read) return tl::unexpected(read.error());
    const auto channels = static_cast<std::size_t>(read->channels);
    const auto frames = std::min(read->samples.size() / channels, static_cast<std::size_t>(kMostSeconds * read->rate));
    std::vector<float> out;
    for (std::size_t c = 0; c < 2; ++c) {
        std::vector<float> one(frames);
        for (std::size_t f = 0; f < frames; ++f) one[f] = read->samples[f * channels + std::min(c, channels - 1)];
        if (read->rate != rate) one = resampled(one, read->rate, rate);
        out.resize(2 * one.size());
        for (std::size_t f = 0; f < one.size(); ++f) out[2 * f + c] = one[f];
    }
    return out;
}

} // namespace lariat
