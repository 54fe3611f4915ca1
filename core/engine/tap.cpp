#include "engine/tap.h"

#include <algorithm>

namespace lariat {

void Tap::write(const Signal& signal) {
    constexpr auto relaxed = std::memory_order_relaxed;
    const std::uint64_t start = count_.load(relaxed);
    MinMax range{signal[0], signal[0]};
    for (std::size_t i = 0; i < kRun; ++i) {
        const float volts = signal.volts[i];
        fine_[(start + i) % kFine].store(volts, relaxed);
        range.min = std::min(range.min, volts);
        range.max = std::max(range.max, volts);
    }
    open_ = start % kPerSpan == 0 ? range : MinMax{std::min(open_.min, range.min), std::max(open_.max, range.max)};
    const std::uint64_t end = start + kRun;
    if (end % kPerSpan == 0) {
        const std::size_t slot = (end / kPerSpan - 1) % kCoarse;
        low_[slot].store(open_.min, relaxed);
        high_[slot].store(open_.max, relaxed);
    }
    count_.store(end, std::memory_order_release);
}

std::vector<float> Tap::samples(std::size_t n) const {
    const std::uint64_t end = count();
    n = std::min<std::uint64_t>({n, kFine, end});
    std::vector<float> out(n);
    for (std::size_t i = 0; i < n; ++i) out[i] = fine_[(end - n + i) % kFine].load(std::memory_order_relaxed);
    return out;
}

std::vector<MinMax> Tap::spans(std::size_t n) const {
    const std::uint64_t end = count() / kPerSpan;
    n = std::min<std::uint64_t>({n, kCoarse, end});
    std::vector<MinMax> out(n);
    for (std::size_t i = 0; i < n; ++i) {
        const std::size_t slot = (end - n + i) % kCoarse;
        out[i] = {low_[slot].load(std::memory_order_relaxed), high_[slot].load(std::memory_order_relaxed)};
    }
    return out;
}

} // namespace lariat
