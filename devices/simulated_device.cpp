#include "devices/simulated_device.h"

#include <chrono>
#include <vector>

namespace lariat {

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

} // namespace lariat
