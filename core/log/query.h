// What takes are looked for by, in words: "kick, tail D1, decay 300-500 ms, no findings, #slow, rated 4, with keel".
//
// Parts are told apart by commas. A part is one of these, else it is text that names, notes, tags, titles, posts,
// modules or cables hold, each word by its beginning:
//
//   <figure> <value>           a note within a quarter tone, anything else within 2 %: "tail D1", "tempo 112"
//   <figure> <low>-<high>      "decay 300-500 ms", "brightness 1-3 kHz"; also "<figure> above 2 kHz", "below"
//   no findings                nothing was open
//   #tag                       has that tag
//   rated 4                    as well or better
//   with <word>                a module or post of that name is in it
//   today, yesterday, since 2026-11-03, until 2026-11-05
//   has sound
#pragma once

#include "log/heard.h"
#include "model/result.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

struct FigureRange {
    std::string figure;
    double low = 0.0;
    double high = 0.0;
    bool operator==(const FigureRange&) const = default;
};

struct TakeQuery {
    std::vector<std::string> words{}; ///< all of them, each as the beginning of a word
    std::vector<std::string> tags{};
    std::vector<FigureRange> figures{};
    int rating = 0;                      ///< at least
    std::optional<std::int64_t> since{}; ///< milliseconds since 1970 UTC, included
    std::optional<std::int64_t> until{}; ///< not included
    bool sound = false;

    [[nodiscard]] bool empty() const { return *this == TakeQuery{}; }
    bool operator==(const TakeQuery&) const = default;
};

/// `midnight` is when the present day began, milliseconds since 1970 UTC, where the reader is; days are 24 hours.
/// Fails, naming the part, for a figure with a value that is none, or a date that is none.
Result<TakeQuery> readQuery(std::string_view text, std::int64_t midnight);

} // namespace lariat
