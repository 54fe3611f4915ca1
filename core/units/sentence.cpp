#include "units/sentence.h"

#include <cctype>

namespace lariat {

std::string detail::nextPlace(std::string_view pattern, std::size_t& at) {
    const auto open = pattern.find('{', at);
    const auto close = pattern.find('}', open);
    at = close + 1;
    return std::string(pattern.substr(open, close - open + 1));
}

std::string Sentence::str() const {
    std::string out;
    for (const Sentence& outer : where) out += outer.str() + ": ";
    return out + fillIn(pattern, parts);
}

std::string fillIn(std::string_view pattern, const std::vector<std::string>& parts) {
    std::string out;
    std::size_t at = 0;
    std::size_t next = 0;
    while (at < pattern.size()) {
        const auto open = pattern.find('{', at);
        const auto close = open == std::string_view::npos ? open : pattern.find('}', open);
        if (close == std::string_view::npos) break;
        out += pattern.substr(at, open - at);
        const bool numbered = std::isdigit(static_cast<unsigned char>(pattern[open + 1])) != 0;
        const std::size_t part = numbered ? static_cast<std::size_t>(pattern[open + 1] - '0') : next++;
        if (part < parts.size()) out += parts[part];
        at = close + 1;
    }
    if (at < pattern.size()) out += pattern.substr(at);
    return out;
}

} // namespace lariat
