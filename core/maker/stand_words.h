// How the posts of a test stand are called behind the panel, and what its normals tie there.
#pragma once

#include "model/module.h"

#include <string>
#include <string_view>
#include <utility>

#include <fmt/format.h>

namespace lariat::stand {

inline constexpr const char* kOnly = "1";            ///< the part of a module that is one block
inline constexpr std::string_view kShelf = "shelf-"; ///< slots of posts that are to become blocks

/// Every block stands in a module of its own.
inline std::string blockModule(std::string_view type) {
    return fmt::format("block-{}", type);
}
/// The post of a block of a part.
inline std::string blockPost(std::string_view part, std::string_view block) {
    return fmt::format("in-{}-{}", part, block);
}

/// The output that feeds an input while nothing is plugged in, with its part; none without normals that lead to one.
inline std::pair<const PartInfo*, const JackInfo*> sourceOfNormals(const ModuleInfo& module, const JackInfo& input) {
    const JackInfo* at = &input;
    const PartInfo* part = nullptr;
    while (at->normal) { // resolveModule refuses circles
        part = module.part(at->normal->part);
        at = part->jack(at->normal->jack);
    }
    return part && at->output ? std::pair{part, at} : std::pair<const PartInfo*, const JackInfo*>{};
}

} // namespace lariat::stand
