// MIDI clock as it falls out of the running transport: 24 pulses a beat with their times, start, continue and stop.
// Source: The MIDI 1.0 specification, system real-time messages.
#pragma once

#include <boost/lockfree/spsc_queue.hpp>

#include <chrono>
#include <cmath>
#include <cstdint>

namespace lariat {

class ClockPulses {
  public:
    using Time = std::chrono::steady_clock::time_point;
    struct Event {
        Time when;               ///< at which it is to be sent
        std::uint8_t status = 0; ///< 0xF8 pulse, 0xFA start, 0xFB continue, 0xFC stop
    };
    static constexpr double kPerBeat = 24.0;

    // Audio side.
    void set(bool on) { on_ = on; }
    /// A run took the position from `before` to `after` beats; it begins at `start` and lasts so many seconds.
    void run(double before, double after, bool running, Time start, double seconds) {
        if (!on_) {
            running_ = false;
            return;
        }
        constexpr double kAtOnce = 0.5; // beats: further than any clock goes within a run
        const bool leapt = running_ && (after < before || after - before > kAtOnce || before < last_ - 1e-9);
        last_ = after;
        if (running != running_ || leapt) {
            running_ = running;
            const bool fromStart = before < 0.5 / kPerBeat || leapt;
            put(start, running ? (fromStart ? 0xFA : 0xFB) : 0xFC);
        }
        if (!running || after <= before || after - before > kAtOnce) return;
        const auto end = std::llround(std::ceil(after * kPerBeat - 1e-6));
        for (auto pulse = std::llround(std::ceil(before * kPerBeat - 1e-6)); pulse < end; ++pulse) {
            const double part = (static_cast<double>(pulse) / kPerBeat - before) / (after - before);
            put(start + std::chrono::nanoseconds(std::llround(1e9 * seconds * std::max(0.0, part))), 0xF8);
        }
    }

    // The side that sends: one thread.
    bool take(Event& event) { return waiting_.pop(event); }

  private:
    void put(Time when, int status) {
        (void)waiting_.push({when, static_cast<std::uint8_t>(status)}); // nobody takes them: there is no one to tell
    }

    bool on_ = false;
    bool running_ = false;
    double last_ = 0.0;
    boost::lockfree::spsc_queue<Event, boost::lockfree::capacity<1024>> waiting_;
};

} // namespace lariat
