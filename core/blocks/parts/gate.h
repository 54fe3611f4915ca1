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

/// The edges that a reader has found. Lives for one call.
struct FoundEdges { // not initialised
    std::array<Edge, kRun> edges;
    std::size_t count = 0;

    void add(float at, bool rising) {
        if (count < edges.size()) edges[count++] = {at, rising};
    }
    [[nodiscard]] std::span<const Edge> all() const { return {edges.data(), count}; }
};

/// Finds the edges of an input. Keep one per input in the block's state.
class GateReader {
  public:
    /// The edges within samples [begin, end), added to `found`. Times are in samples of the run, as in Edge.
    void read(const Signal& in, int begin, int end, FoundEdges& found) {
        if (in.listsEdges())
            readListed(in, begin, end, found);
        else
            readSamples(in, begin, end, found);
        last_ = in[end - 1];
    }
    /// True, and the call is done, if these samples quite obviously hold no edge.
    bool passesQuietly(const Signal& in, int begin, int end) {
        if (in.listsEdges()) {
            if (begin == 0) seen_ = 0;
            if (seen_ < in.list->count || differs(in[end - 1])) return false;
            differing_ = 0;
        } else {
            // A whole run whose extent is known, or one sample.
            const bool known = begin == 0 && end == kRun;
            if (!known && end != begin + 1) return false;
            const float low = known ? in.low : in[begin];
            const float high = known ? in.high : in[begin];
            if (high_ ? low < kGateOff : high > kGateOn) return false;
            if (!(low <= high)) return false; // not a number
        }
        last_ = in[end - 1];
        return true;
    }
    [[nodiscard]] bool high() const { return high_; }

  private:
    [[nodiscard]] bool differs(float volts) const { return high_ ? volts < kGateOff : volts > kGateOn; }

    void readListed(const Signal& in, int begin, int end, FoundEdges& found) {
        if (begin == 0) seen_ = 0;
        const std::size_t before = found.count;
        for (; seen_ < in.list->count; ++seen_) {
            const Edge& edge = in.list->edges[idx(seen_)];
            if (edge.at > static_cast<float>(end - 1)) break;
            add(edge.at, edge.rising, found);
        }
        // A cable that was plugged in while its source was high. Band-limited waveforms come some samples later than
        // their edges, so that only what stays counts.
        differing_ = differs(in[end - 1]) && found.count == before ? differing_ + end - begin : 0;
        if (differing_ > kStays) {
            differing_ = 0;
            add(static_cast<float>(begin), !high_, found);
        }
    }
    void readSamples(const Signal& in, int begin, int end, FoundEdges& found) {
        float before = last_;
        for (int i = begin; i < end; ++i) {
            const float now = in[i];
            const float threshold = high_ ? kGateOff : kGateOn;
            if (high_ ? now < threshold : now > threshold) {
                const float rise = now - before;
                const float part = std::abs(rise) > 1e-9f ? std::clamp((now - threshold) / rise, 0.0f, 0.9999f) : 0.0f;
                add(static_cast<float>(i) - part, !high_, found);
            }
            before = now;
        }
    }
    void add(float at, bool rising, FoundEdges& found) {
        if (rising == high_) return;
        high_ = rising;
        found.add(at, rising);
    }

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
        begin_ = cursor_ = begin;
        if (out_ && out_->list) out_->list->listed = true;
    }
    /// The level goes to `high` at time `at`; samples before it keep the old level. The sample at the edge
    /// carries the part of its interval that lies behind the edge.
    void change(float at, bool high, float volts) {
        if (out_ && high != high_) {
            const int index = std::clamp(static_cast<int>(std::ceil(at)), begin_, kRun - 1);
            const float part = std::clamp(static_cast<float>(index) - at, 0.0f, 1.0f);
            if (index >= cursor_) {
                fill(index);
                (*out_)[index] = level_ + (volts - level_) * part;
                cursor_ = index + 1;
            } else { // a second edge within the sample written last
                (*out_)[cursor_ - 1] += (volts - level_) * part;
            }
            if (out_->list) out_->list->add(at, high);
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

    Signal* out_ = nullptr; ///< only between start and finish
    int begin_ = 0;
    int cursor_ = 0;
    float level_ = 0.0f;
    bool high_ = false;
};

} // namespace lariat
