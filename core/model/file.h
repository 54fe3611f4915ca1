// Files as a whole: read with a limit, written so that a crash leaves the old one or the new one.
#pragma once

#include "model/result.h"

#include <cstddef>
#include <filesystem>
#include <string>
#include <string_view>

namespace lariat {

inline constexpr std::size_t kMaxDocumentBytes = 16u << 20;

/// The bytes of a file, or an Error that names it. Files above kMaxDocumentBytes are refused unread.
Result<std::string> readFile(const std::filesystem::path& file);
/// Writes to a temporary file beside `file`, flushes it and renames it: the old file or the new, never half.
Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes);
/// "12.3 MB"
std::string megabytes(std::size_t bytes);

} // namespace lariat
