#include "blocks/types.h"

#include <algorithm>

namespace lariat {

const std::vector<BlockType>& blockTypes() {
    static const std::vector<BlockType> types = {
        clockType(), trackSequencerType(), vcoType(),          lfoType(),  noiseType(),   contourType(), svfType(),
        vcaType(),   mixerType(),          attenuverterType(), multType(), lineOutType(),
    };
    return types;
}

const BlockType* findBlockType(std::string_view id) {
    const auto& types = blockTypes();
    const auto it = std::ranges::find(types, id, &BlockType::id);
    return it == types.end() ? nullptr : &*it;
}

} // namespace lariat
