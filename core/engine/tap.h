// Taps: what the last seconds of a jack looked like, written by the engine and read by anyone.
//
// One writer, any readers, no locks: samples are relaxed atomics and the count of samples is published after them. A
// reader copies, looks at the count again, and drops from the old end what has been overwritten meanwhile, so that what
// it gets belongs together.
#pragma once

#include "blocks/block.h"

#include <atomic>
#include <cstdint>
#include <cstdlib>
#include <memory>
#include <vector>

namespace lariat {

struct MinMax {
    float min = 0.0f;
    float max = 0.0f;
};

/// How much a tap keeps; each is rounded up to a power of two.
struct TapLength {
    std::size_t samples = 1u << 14; ///< 0.17 s at 96 kHz
    std::size_t spans = 1u << 13;   ///< ranges of kPerSpan samples: 10.9 s at 96 kHz

    /// Two seconds as samples and a minute as ranges.
    static TapLength longest(double rate) { return {idx(2.0 * rate), idx(60.0 * rate / 128.0)}; }
    bool operator==(const TapLength&) const = default;
};

/// A piece of a signal, with its edges.
struct Snapshot {
    std::vector<float> volts; ///< oldest first
    std::uint64_t end = 0;    ///< number of the sample behind the last one, counted since the tap was made
    struct At {
        double sample = 0.0; ///< from the first of `volts`
        bool rising = false;
    };
    std::vector<At> edges; ///< only of signals that list them
};

class Tap {
  public:
    static constexpr std::size_t kFine = TapLength{}.samples; ///< usual length in samples
    static constexpr std::size_t kCoarse = TapLength{}.spans; ///< and in spans
    static constexpr int kPerSpan = 128;                      ///< samples in a coarse span
    static constexpr std::size_t kEdges = 1024;               ///< edges kept

    explicit Tap(const TapLength& length = {});

    /// Appends one run that began at sample `at` of the engine. Only the engine's thread.
    void write(const Signal& signal, std::uint64_t at = 0);
    /// Samples written so far.
    [[nodiscard]] std::uint64_t count() const { return count_.load(std::memory_order_acquire); }
    /// The engine's sample that the first one here was.
    [[nodiscard]] std::uint64_t begin() const { return begin_.load(std::memory_order_relaxed); }
    /// The newest `n` samples (at most what the tap keeps), oldest first; fewer if there are not that many.
    [[nodiscard]] std::vector<float> samples(std::size_t n) const { return snapshot(n).volts; }
    [[nodiscard]] Snapshot snapshot(std::size_t n) const;
    /// The newest `n` spans, oldest first.
    [[nodiscard]] std::vector<MinMax> spans(std::size_t n) const;
    [[nodiscard]] TapLength length() const { return {fine_.size, low_.size}; }

  private:
    /// A ring of atomics; the system hands out pages of zeros, which cost nothing until they are written.
    template <class T> struct Ring {
        struct Free {
            void operator()(std::atomic<T>* values) const { std::free(values); }
        };
        std::unique_ptr<std::atomic<T>[], Free> values;
        std::size_t size = 0;
        void make(std::size_t wanted);
        std::atomic<T>& operator[](std::uint64_t n) { return values[idx(n) & (size - 1)]; }
        const std::atomic<T>& operator[](std::uint64_t n) const { return values[idx(n) & (size - 1)]; }
    };

    Ring<float> fine_;
    Ring<float> low_;
    Ring<float> high_;
    Ring<double> edges_; ///< times in samples since the tap was made; negative: falling
    MinMax open_;        ///< the span being collected
    std::atomic<std::uint64_t> edgeCount_{0};
    std::atomic<std::uint64_t> begin_{0};
    std::atomic<std::uint64_t> count_{0};
};

/// What a block tells of itself, for anyone to read.
class ToldTap {
  public:
    void write(const Told& told) {
        for (std::size_t n = 0; n < told.size(); ++n) values_[n].store(told[n], std::memory_order_relaxed);
    }
    [[nodiscard]] Told read() const {
        Told out{};
        for (std::size_t n = 0; n < out.size(); ++n) out[n] = values_[n].load(std::memory_order_relaxed);
        return out;
    }

  private:
    std::array<std::atomic<int>, std::tuple_size_v<Told>> values_{};
};

} // namespace lariat
