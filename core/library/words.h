// Words as people type them: compared without regard to case, blanks and dashes, with what is near for refusals.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

/// In small letters, with single spaces.
std::string plainWords(std::string_view text);
/// The same, and dashes are blanks: "contour-1" is "contour 1".
std::string looseWords(std::string_view text);
/// A name as an id: lower-case letters, digits and dashes, `most` of them; empty if it has none.
std::string idFrom(std::string_view name, std::size_t most = 58);
/// Those of `names` that take the fewest changes of a letter to become `wanted`, nearest first.
std::vector<std::string> nearestWords(std::string_view wanted, const std::vector<std::string>& names,
                                      std::size_t most = 3);

} // namespace lariat
