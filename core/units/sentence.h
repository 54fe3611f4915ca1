// A sentence with figures in it, kept apart from them so that it can be said in another language.
#pragma once

#include <functional>
#include <string>
#include <string_view>
#include <vector>

#include <fmt/format.h>

namespace lariat {

/// The text with its places "{…}" filled in from first to last. A place with a number, "{1:.1f}", takes that part.
std::string fillIn(std::string_view pattern, const std::vector<std::string>& parts);

struct Sentence {
    std::string pattern;            ///< as written in the source, with its places: "gate {:.0f} ms"
    std::vector<std::string> parts; ///< what stands in them, as text
    std::vector<Sentence> where{};  ///< said before it with a colon, outermost first: "sentence 3", "step 2"

    [[nodiscard]] std::string str() const;
    [[nodiscard]] bool empty() const { return pattern.empty(); }
    bool operator==(const Sentence&) const = default;
};

namespace detail {
/// The next place of a pattern from `at` on, "{:.0f}"; `at` moves behind it.
std::string nextPlace(std::string_view pattern, std::size_t& at);
} // namespace detail

/// Like fmt::format, but remembers the pattern. Places are filled in order and carry no names.
template <class... Parts> Sentence say(fmt::format_string<Parts...> pattern, Parts&&... parts) {
    const fmt::string_view raw = pattern;
    const std::string_view text(raw.data(), raw.size());
    Sentence sentence{std::string(text), {}};
    [[maybe_unused]] std::size_t at = 0; // without parts, nothing moves it
    (sentence.parts.push_back(fmt::vformat(detail::nextPlace(text, at), fmt::make_format_args(parts))), ...);
    return sentence;
}

/// A text that is nobody's sentence: the system's own words, or a name.
inline Sentence plain(std::string text) {
    return {"{}", {std::move(text)}};
}

/// Says sentences in somebody's language.
using Speaker = std::function<std::string(const Sentence&)>;

inline std::string inEnglish(const Sentence& sentence) {
    return sentence.str();
}

/// The sentence, told where it holds.
inline Sentence inside(Sentence where, Sentence sentence) {
    sentence.where.insert(sentence.where.begin(), std::move(where));
    return sentence;
}

} // namespace lariat
