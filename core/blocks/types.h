// The block types, one line each; registry.cpp lists them.
#pragma once

#include "blocks/block.h"

namespace lariat {

BlockType clockType();
BlockType trackSequencerType();
BlockType vcoType();
BlockType lfoType();
BlockType noiseType();
BlockType contourType();
BlockType svfType();
BlockType vcaType();
BlockType mixerType();
BlockType attenuverterType();
BlockType multType();
BlockType lineOutType();

} // namespace lariat
