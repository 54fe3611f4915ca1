#include "findings/edges.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr float kLeastVolts = 1.0f;
constexpr float kMost = 0.6f; ///< part of the range

} // namespace

std::vector<std::size_t> hardEdges(std::span<const float> volts, double rate, bool rising) {
    std::vector<std::size_t> found;
    if (volts.empty()) return found;
    const auto [low, high] = std::ranges::minmax(volts);
    if (high - low < kLeastVolts) return found;
    const auto step = static_cast<std::size_t>(kHardSeconds * rate);
    for (std::size_t i = step; i < volts.size(); ++i) {
        const float moved = volts[i] - volts[i - step];
        if ((rising ? moved : -moved) < kMost * (high - low)) continue;
        found.push_back(i);
        i += 2 * step;
    }
    return found;
}

} // namespace lariat
