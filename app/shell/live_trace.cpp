#include "shell/live_trace.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kRollSeconds = 2.2;
constexpr double kWideEnough = 150.0; ///< columns; a narrower picture shows less time, so that it stays readable
constexpr double kReadSeconds = 2.2;
constexpr double kFrameSeconds = 0.09; ///< between two frames of the pitch: all of them are some six seconds

/// Folds samples into columns of ranges.
template <class Item, class Range>
std::vector<MinMax> fold(const std::vector<Item>& items, int columns, Range&& range) {
    std::vector<MinMax> out;
    const std::size_t n = items.size();
    const auto wanted = std::min<std::size_t>(static_cast<std::size_t>(std::max(2, columns)), n);
    for (std::size_t i = 0; i < wanted; ++i) {
        const std::size_t begin = i * n / wanted;
        const std::size_t end = std::max(begin + 1, (i + 1) * n / wanted);
        MinMax span = range(items[begin]);
        for (std::size_t k = begin + 1; k < end; ++k) {
            const MinMax next = range(items[k]);
            span = {std::min(span.min, next.min), std::max(span.max, next.max)};
        }
        out.push_back(span);
    }
    return out;
}

} // namespace

void LiveTrace::measure(const Tap& tap, double rate, SignalKind jack) {
    const double spanSeconds = Tap::kPerSpan / rate;
    const auto spans = tap.spans(static_cast<std::size_t>(kReadSeconds / spanSeconds));
    const std::vector<float> newest = tap.samples(PitchTrack::kFrame);
    reading_ = readSignal(newest, rate, spans, spanSeconds, jack);
    if (reading_.kind == SignalKind::Audio) {
        if (track_.empty() || static_cast<double>(tap.count() - tracked_) > kFrameSeconds * rate) {
            track_.add(newest, rate);
            tracked_ = tap.count();
        }
        reading_.over = track_.summary();
    }
    if (reading_.pitch && reading_.kind == SignalKind::Audio)
        window_ = std::clamp(4.0 / reading_.pitch->value, 0.002, 0.08);
    rolled_ = reading_.pitch && reading_.kind != SignalKind::Audio
                  ? std::clamp(8.0 / reading_.pitch->value, 0.1, kRollSeconds)
                  : kRollSeconds;
}

void LiveTrace::follow(const PitchSource& source, const LiveTrace& leader) {
    if (reading_.over && leader.reading_.over)
        reading_.over = heardPitch(*reading_.over, source, *leader.reading_.over);
}

std::vector<MinMax> LiveTrace::columns(const Tap& tap, double rate, int columns) const {
    if (reading_.kind != SignalKind::Audio || reading_.comesAndGoes) {
        const double shown = rolled_ * std::clamp(columns / kWideEnough, 0.25, 1.0);
        const auto spans = tap.spans(static_cast<std::size_t>(shown * rate / Tap::kPerSpan));
        return fold(spans, columns, [](const MinMax& span) { return span; });
    }
    const auto shown = static_cast<std::size_t>(window_ * rate);
    const std::vector<float> samples = tap.samples(2 * shown + 64);
    if (samples.size() < shown + 2) return {};
    const auto [low, high] = std::ranges::minmax_element(samples);
    const float middle = 0.5f * (*low + *high);
    std::size_t start = samples.size() - shown;
    for (std::size_t i = start; i > 0; --i)
        if (samples[i - 1] < middle && samples[i] >= middle) {
            start = i;
            break;
        }
    const std::vector<float> stretch(samples.begin() + static_cast<std::ptrdiff_t>(start),
                                     samples.begin() + static_cast<std::ptrdiff_t>(start + shown));
    return fold(stretch, columns, [](float v) { return MinMax{v, v}; });
}

VoltRange LiveTrace::range() const {
    return rangeFor(reading_.kind, static_cast<float>(reading_.min.value), static_cast<float>(reading_.max.value));
}

} // namespace lariat
