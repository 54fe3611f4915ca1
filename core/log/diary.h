// A page of the diary: the takes of a day, what changed from one to the next, what they measured, each with its
// picture.
#pragma once

#include "log/take.h"

#include <string>
#include <vector>

namespace lariat {

struct DiaryEntry {
    TakeLine take;
    std::string time;                   ///< "21:40"
    std::string from{};                 ///< name of the take it came from; empty: from none
    std::vector<std::string> changes{}; ///< since that one, a line each
    Figures figures{};
    std::string chart{}; ///< of what it came from and itself as a small picture (log/both.h); may be empty
};

/// Outline above, thirds of octaves below, as SVG: 360 by 96, in black on what is behind it.
std::string thumbPicture(const Thumb& thumb);

/// `heading` names the day. Oldest first, as they are given. Pictures are within the text.
std::string diaryAsMarkdown(const std::string& heading, const std::vector<DiaryEntry>& entries, const Speaker& speak);
std::string diaryAsHtml(const std::string& heading, const std::vector<DiaryEntry>& entries, const Speaker& speak);

/// For text between tags and in attributes.
std::string escapedHtml(const std::string& text);

} // namespace lariat
