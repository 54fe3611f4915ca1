// What a case still has: parts that no post uses.
#pragma once

#include "library/library.h"

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// A part of the case that no post uses.
struct FreePart {
    const Slot* slot = nullptr;
    const ModuleInfo* module = nullptr;
    const PartInfo* part = nullptr;
};

/// What the case still has, in the order of its slots; with a block of that type only, if one is named.
std::vector<FreePart> freeParts(const Patch& patch, const Library& library, const Case* housing,
                                std::string_view blockType = {});

/// How much of one function a case has.
struct Capacity {
    const BlockType* type = nullptr;
    int total = 0;
    int free = 0;
};
/// By function, in the order of the blocks; only what the case has at all.
std::vector<Capacity> capacity(const Patch& patch, const Library& library, const Case* housing);

/// A post for a free part, under a name and id that the patch does not have.
Post postFor(const Patch& patch, const FreePart& free, const std::string& voice = {});

} // namespace lariat
