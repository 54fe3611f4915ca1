// What a block costs: time per sample, with every jack in use.
#pragma once

#include "blocks/block.h"

namespace lariat {

struct BlockCost {
    double nanoseconds = 0.0; ///< per sample
    double percent = 0.0;     ///< of one core at `rate`
};

/// Runs one block alone, with slow and fast sines in all inputs and all outputs heard, for about `seconds` of its
/// sound, five times, and takes the median. A figure of this machine, not of the block alone.
BlockCost measureCost(const BlockType& type, double rate = 96000.0, double seconds = 0.2);

} // namespace lariat
