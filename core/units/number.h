// A number as it is typed: "0.4", nothing else around it.
#pragma once

#include <charconv>
#include <optional>
#include <string_view>

namespace lariat {

inline std::optional<double> parseNumber(std::string_view text) {
    double value = 0.0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc{} || end != text.data() + text.size()) return std::nullopt;
    return value;
}

} // namespace lariat
