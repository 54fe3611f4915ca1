// Euclidean rhythms: `fill` hits spread as evenly as whole steps allow over `length` (Toussaint 2005, by Bresenham's
// line), turned by `rotate` steps to the right.
#pragma once

#include <algorithm>

namespace lariat {

/// `step` from 0 to length - 1.
constexpr bool isEuclideanHit(int step, int length, int fill, int rotate) {
    const int hits = std::min(fill, length);
    const int place = (step + length - rotate % length) % length;
    return place * hits % length < hits;
}

} // namespace lariat
