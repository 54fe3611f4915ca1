// Bookmarks of a PDF: its headings, so that a reader can leap to them.
#pragma once

#include "model/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace lariat {

struct Bookmark {
    std::string text;
    int page = 1;
    double down = 0.0;  ///< part of the page above it, 0…1
    bool under = false; ///< it belongs to the last one that does not
};

/// The PDF with these bookmarks. Fails if it is none.
Result<std::string> withBookmarks(std::string_view pdf, const std::vector<Bookmark>& marks);

} // namespace lariat
