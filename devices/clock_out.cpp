#include "devices/clock_out.h"

namespace lariat {

ClockOut::ClockOut(std::unique_ptr<MidiOutput> output, std::function<bool(ClockPulses::Event&)> next)
    : output_(std::move(output)), next_(std::move(next)), thread_([this] { work(); }) {}

ClockOut::~ClockOut() {
    {
        const std::lock_guard lock(mutex_);
        stopping_ = true;
    }
    wake_.notify_all();
    thread_.join();
}

void ClockOut::work() {
    using namespace std::chrono_literals;
    bool sounding = false; // what it leads has been started
    const auto waited = [this](auto until) {
        std::unique_lock lock(mutex_);
        return !wake_.wait_until(lock, until, [this] { return stopping_; });
    };
    for (ClockPulses::Event event;;) {
        if (!next_(event)) {
            if (!waited(std::chrono::steady_clock::now() + 1ms)) break;
            continue;
        }
        if (!waited(event.when)) break;
        if (!output_->send({event.status, 0, 0})) failed_ = true;
        if (event.status == 0xF8) meter_.pulse(std::chrono::steady_clock::now());
        if (event.status != 0xF8) sounding = event.status != 0xFC;
    }
    if (sounding) output_->send({0xFC, 0, 0}); // nothing goes on without its leader
}

} // namespace lariat
