// How the posts of a test stand are called behind the panel.
#pragma once

#include <string>
#include <string_view>

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

} // namespace lariat::stand
