// Edges that are heard: how a signal jumps.
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace lariat {

inline constexpr double kHardSeconds = 0.0005; ///< an edge that takes no longer strikes, or clicks

/// Samples at which the volts have gone through most of their range within the time of a hard edge, up or down. None of
/// less than a volt.
std::vector<std::size_t> hardEdges(std::span<const float> volts, double rate, bool rising);

} // namespace lariat
