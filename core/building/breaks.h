// What a plug breaks: normals, and channels of a cascade. To be told before it goes in.
#pragma once

#include "library/library.h"

#include <vector>

namespace lariat {

/// Jacks that a plug into `input` would silence: the input loses its normal, and so does every input that it lends to.
struct BrokenNormal {
    JackRef from; ///< what feeds it now
    JackRef to;   ///< … and would no longer
};
std::vector<BrokenNormal> brokenBy(const Patch& patch, const Library& library, const JackRef& input);
/// A channel that something is plugged into, and the output further down whose sum it is missing from.
struct LostChannel {
    JackRef channel;
    JackRef from;
};
/// What a plug in this output takes out of sums that others listen to, as the block states it (Flow::unlessPlugged).
std::vector<LostChannel> cascadeBrokenBy(const Patch& patch, const Library& library, const JackRef& output);

} // namespace lariat
