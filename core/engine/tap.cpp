#include "engine/tap.h"

#include <algorithm>
#include <bit>

namespace lariat {

template <class T> void Tap::Ring<T>::make(std::size_t wanted) {
    static_assert(std::atomic<T>::is_always_lock_free && sizeof(std::atomic<T>) == sizeof(T));
    size = std::bit_ceil(std::max<std::size_t>(wanted, 2 * kRun));
    values.reset(static_cast<std::atomic<T>*>(std::calloc(size, sizeof(T))));
}

Tap::Tap(const TapLength& length) {
    fine_.make(length.samples);
    low_.make(length.spans);
    high_.make(length.spans);
    edges_.make(kEdges);
}

void Tap::write(const Signal& signal, std::uint64_t at) {
    constexpr auto relaxed = std::memory_order_relaxed;
    const std::uint64_t start = count_.load(relaxed);
    if (start == 0) begin_.store(at, relaxed); // published with the count
    for (std::size_t i = 0; i < kRun; ++i) fine_[start + i].store(signal.volts[i], relaxed);
    const MinMax range{signal.low, signal.high};
    open_ = start % kPerSpan == 0 ? range : MinMax{std::min(open_.min, range.min), std::max(open_.max, range.max)};
    const std::uint64_t end = start + kRun;
    if (end % kPerSpan == 0) {
        const std::uint64_t span = end / kPerSpan - 1;
        low_[span].store(open_.min, relaxed);
        high_[span].store(open_.max, relaxed);
    }
    if (signal.listsEdges()) {
        std::uint64_t edges = edgeCount_.load(relaxed);
        for (int e = 0; e < signal.list->count; ++e) {
            const Edge& edge = signal.list->edges[idx(e)];
            // Counted from 2, so that the sign can tell rising from falling.
            const double at = static_cast<double>(start) + static_cast<double>(edge.at) + 2.0;
            edges_[edges++].store(edge.rising ? at : -at, relaxed);
        }
        edgeCount_.store(edges, std::memory_order_release);
    }
    count_.store(end, std::memory_order_release);
}

Snapshot Tap::snapshot(std::size_t n) const {
    constexpr auto relaxed = std::memory_order_relaxed;
    Snapshot out;
    out.end = count();
    n = idx(std::min<std::uint64_t>({n, fine_.size, out.end}));
    out.volts.resize(n);
    // Acquiring, so that the count is looked at again only after all of them.
    for (std::size_t i = 0; i < n; ++i) out.volts[i] = fine_[out.end - n + i].load(std::memory_order_acquire);
    const std::uint64_t edges = edgeCount_.load(std::memory_order_acquire);
    std::vector<double> times;
    for (std::uint64_t e = edges > kEdges ? edges - kEdges : 0; e < edges; ++e)
        times.push_back(edges_[e].load(relaxed));
    // What the writer has overtaken since is gone.
    const std::uint64_t now = count_.load(relaxed) + kRun; // a run may be half written
    const std::uint64_t oldest = now > fine_.size ? now - fine_.size : 0;
    const std::uint64_t first = out.end - n;
    if (n > 0 && oldest > first && oldest < now) {
        const auto lost = static_cast<std::ptrdiff_t>(std::min<std::uint64_t>(oldest - first, n));
        if (count_.load(relaxed) != out.end) out.volts.erase(out.volts.begin(), out.volts.begin() + lost);
    }
    const double begin = static_cast<double>(out.end - out.volts.size());
    for (const double time : times) {
        const double at = std::abs(time) - 2.0 - begin;
        if (at > -1.0 && at < static_cast<double>(out.volts.size())) out.edges.push_back({at, time > 0.0});
    }
    return out;
}

std::vector<MinMax> Tap::spans(std::size_t n) const {
    const std::uint64_t end = count() / kPerSpan;
    n = idx(std::min<std::uint64_t>({n, low_.size, end}));
    std::vector<MinMax> out(n);
    for (std::size_t i = 0; i < n; ++i)
        out[i] = {low_[end - n + i].load(std::memory_order_relaxed),
                  high_[end - n + i].load(std::memory_order_relaxed)};
    return out;
}

} // namespace lariat
