// A MIDI clock as it comes or goes: its tempo, and how uneven it is.
#pragma once

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <cstddef>
#include <mutex>

namespace lariat {

class ClockMeter {
  public:
    using Time = std::chrono::steady_clock::time_point;
    struct Reading {
        double tempo = 0.0;  ///< beats per minute; 0: no clock in the last second
        double jitter = 0.0; ///< root of the mean square by which pulses stand off an even grid, ms
        double worst = 0.0;  ///< ms
    };

    /// A pulse came, or was sent. From any thread.
    void pulse(Time at) {
        const std::lock_guard lock(mutex_);
        if (count_ > 0 && at - times_[(count_ - 1) % kKept] > std::chrono::seconds(1)) count_ = 0;
        times_[count_++ % kKept] = at;
    }

    /// Over the last two beats: a line is laid through the times of the pulses, by least squares.
    [[nodiscard]] Reading read(Time now = std::chrono::steady_clock::now()) const {
        const std::lock_guard lock(mutex_);
        const std::size_t n = std::min(count_, kKept);
        if (n < 3 || now - times_[(count_ - 1) % kKept] > std::chrono::seconds(1)) return {};
        std::array<double, kKept> ms{};
        const Time first = times_[(count_ - n) % kKept];
        double sum = 0.0;
        double sloped = 0.0;
        const double middle = 0.5 * static_cast<double>(n - 1);
        double squares = 0.0;
        for (std::size_t i = 0; i < n; ++i) {
            ms[i] = std::chrono::duration<double, std::milli>(times_[(count_ - n + i) % kKept] - first).count();
            const double x = static_cast<double>(i) - middle;
            sum += ms[i];
            sloped += x * ms[i];
            squares += x * x;
        }
        const double slope = sloped / squares;
        const double mean = sum / static_cast<double>(n);
        Reading out;
        out.tempo = slope > 0.0 ? 60'000.0 / (24.0 * slope) : 0.0;
        double off = 0.0;
        for (std::size_t i = 0; i < n; ++i) {
            const double away = std::abs(ms[i] - mean - slope * (static_cast<double>(i) - middle));
            off += away * away;
            out.worst = std::max(out.worst, away);
        }
        out.jitter = std::sqrt(off / static_cast<double>(n));
        return out;
    }

  private:
    static constexpr std::size_t kKept = 48;
    mutable std::mutex mutex_;
    std::array<Time, kKept> times_{};
    std::size_t count_ = 0;
};

} // namespace lariat
