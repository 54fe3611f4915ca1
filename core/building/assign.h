// Who gets what: as many of those who want something as possible, each of what it can use.
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

namespace lariat {

/// For each of those who want something, what they may have, best first, as indices; gives what each one gets. Nobody
/// goes without as long as others can make room (augmenting paths, Kuhn 1955); who can have the first of its list and
/// stands before others keeps it.
std::vector<std::optional<std::size_t>> assign(const std::vector<std::vector<std::size_t>>& mayHave);

} // namespace lariat
