// Reading and writing gates, triggers and clocks with sub-sample time.
#pragma once

#include "blocks/signal.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <span>

namespace lariat {

inline constexpr float kGateOn = 2.0f;  ///< an input goes high above this voltage …
inline constexpr float kGateOff = 1.0f; ///< … and low again below this one

/// Finds the edges of an input. Keep one per input in the block's state.
class GateReader {
  public:
    /// The edges within samples [begin, end). Times are in samples of the run, as in Edge.
    std::span<const Edge> read(const Signal& in, int begin, int end) {
        count_ = 0;
        if (in.listsEdges)
            readListed(in, begin, end);
        else
            readSamples(in, begin, end);
        last_ = in[end - 1];
        return {found_.data(), static_cast<std::size_t>(count_)};
    }
    [[nodiscard]] bool high() const { return high_; }

  private:
    void readListed(const Signal& in, int begin, int end) {
        if (begin == 0) seen_ = 0;
        for (; seen_ < in.edgeCount; ++seen_) {
            const Edge& edge = in.edges[static_cast<std::size_t>(seen_)];
            if (edge.at > static_cast<float>(end - 1)) break;
            add(edge.at, edge.rising);
        }
        // A cable that was plugged in while its source was high. Band-limited waveforms come some samples later than
        // their edges, so that only what stays counts.
        const bool differs = high_ ? in[end - 1] < kGateOff : in[end - 1] > kGateOn;
        differing_ = differs && count_ == 0 ? differing_ + end - begin : 0;
        if (differing_ > kStays) add(static_cast<float>(begin), !high_);
    }
    void readSamples(const Signal& in, int begin, int end) {
        float before = last_;
        for (int i = begin; i < end; ++i) {
            const float now = in[i];
            const float threshold = high_ ? kGateOff : kGateOn;
            if (high_ ? now < threshold : now > threshold) {
                const float rise = now - before;
                const float part = std::abs(rise) > 1e-9f ? std::clamp((now - threshold) / rise, 0.0f, 0.9999f) : 0.0f;
                add(static_cast<float>(i) - part, !high_);
            }
            before = now;
        }
    }
    void add(float at, bool rising) {
        if (rising == high_ || count_ == kRun) return;
        high_ = rising;
        found_[static_cast<std::size_t>(count_++)] = {at, rising};
    }

    std::array<Edge, kRun> found_{};
    int count_ = 0;
    static constexpr int kStays = 16;
    int differing_ = 0; ///< samples for which the level has not been what the edges said
    int seen_ = 0;      ///< edges of this run that have been handed on
    float last_ = 0.0f;
    bool high_ = false;
};

/// Writes a two-level output. Call `start`, then `change` in order of time, then `finish`.
class GateWriter {
  public:
    void start(Signal* out, int begin) {
        out_ = out;
        cursor_ = begin;
        if (out_) out_->listsEdges = true;
    }
    /// The level goes to `high` at time `at`; samples before it keep the old level. The sample at the edge
    /// carries the part of its interval that lies behind the edge.
    void change(float at, bool high, float volts) {
        if (out_ && high != high_) {
            const int index = std::clamp(static_cast<int>(std::ceil(at)), cursor_, kRun - 1);
            fill(index);
            const float part = std::clamp(static_cast<float>(index) - at, 0.0f, 1.0f);
            (*out_)[index] = level_ + (volts - level_) * part;
            if (index == cursor_) ++cursor_;
            out_->addEdge(at, high);
        }
        high_ = high;
        level_ = volts;
    }
    void finish(int end) {
        if (out_) fill(end);
        out_ = nullptr;
    }
    [[nodiscard]] bool high() const { return high_; }

  private:
    void fill(int end) {
        for (; cursor_ < end; ++cursor_) (*out_)[cursor_] = level_;
    }

    Signal* out_ = nullptr;
    int cursor_ = 0;
    float level_ = 0.0f;
    bool high_ = false;
};

} // namespace lariat
