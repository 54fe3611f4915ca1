// Wire: what lies between a jack and a block that is more than copper. The graph puts it in where it is needed; no
// module names it.
#pragma once

#include "blocks/block.h"

namespace lariat {

namespace wire {
enum Control { Gain, Offset, Noise, Law, Threshold, Shortest };
enum Laws { Straight, FromHertz, ToHertz };
} // namespace wire

const BlockType& wireType();

} // namespace lariat
