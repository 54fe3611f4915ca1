// Letters and blanks of ASCII: what is typed in files and fields, whatever the locale.
#pragma once

#include <string>
#include <string_view>

namespace lariat {

inline std::string lower(std::string_view text) {
    std::string out(text);
    for (char& c : out) c = static_cast<char>(c >= 'A' && c <= 'Z' ? c - 'A' + 'a' : c);
    return out;
}

/// Without blanks, tabs and ends of line around it.
inline std::string_view trimmed(std::string_view text) {
    constexpr std::string_view kBlanks = " \t\r\n\f\v";
    const auto first = text.find_first_not_of(kBlanks);
    if (first == std::string_view::npos) return {};
    return text.substr(first, text.find_last_not_of(kBlanks) + 1 - first);
}

} // namespace lariat
