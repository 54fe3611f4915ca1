#include "library/words.h"

#include <algorithm>
#include <cctype>
#include <numeric>

namespace lariat {
namespace {

/// Edits needed to turn one word into another (Levenshtein).
std::size_t distance(const std::string& a, const std::string& b) {
    std::vector<std::size_t> row(b.size() + 1);
    std::iota(row.begin(), row.end(), 0u);
    for (std::size_t i = 1; i <= a.size(); ++i) {
        std::size_t diagonal = row[0];
        row[0] = i;
        for (std::size_t j = 1; j <= b.size(); ++j) {
            const std::size_t change = diagonal + (a[i - 1] == b[j - 1] ? 0 : 1);
            diagonal = row[j];
            row[j] = std::min({row[j] + 1, row[j - 1] + 1, change});
        }
    }
    return row[b.size()];
}

} // namespace

std::string plainWords(std::string_view text) {
    std::string out;
    bool space = true; // drops leading and double spaces
    for (const char c : text) {
        const bool blank = std::isspace(static_cast<unsigned char>(c)) != 0;
        if (blank && space) continue;
        out += blank ? ' ' : static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        space = blank;
    }
    while (!out.empty() && out.back() == ' ') out.pop_back();
    return out;
}

std::string looseWords(std::string_view text) {
    std::string out(text);
    std::ranges::replace(out, '-', ' ');
    return plainWords(out);
}

std::vector<std::string> nearestWords(std::string_view wanted, const std::vector<std::string>& names,
                                      std::size_t most) {
    const std::string plain = plainWords(wanted);
    std::vector<std::pair<std::size_t, const std::string*>> near;
    for (const std::string& name : names) near.emplace_back(distance(plainWords(name), plain), &name);
    std::ranges::stable_sort(near, {}, &std::pair<std::size_t, const std::string*>::first);
    std::vector<std::string> out;
    for (const auto& [changes, name] : near)
        if (out.size() < most && std::ranges::find(out, *name) == out.end()) out.push_back(*name);
    return out;
}

std::string idFrom(std::string_view name, std::size_t most) {
    std::string id;
    for (const char c : name.substr(0, 4 * most)) {
        if ((c >= 'a' && c <= 'z') || (c >= '0' && c <= '9'))
            id += c;
        else if (c >= 'A' && c <= 'Z')
            id += static_cast<char>(c - 'A' + 'a');
        else if (!id.empty() && id.back() != '-')
            id += '-';
    }
    id = id.substr(0, most);
    while (!id.empty() && id.back() == '-') id.pop_back();
    return id;
}

} // namespace lariat
