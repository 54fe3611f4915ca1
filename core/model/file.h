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
/// Writes a file by way of a Replacement: the old file or the new, never half.
Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes);
/// A file that is written beside the one it will replace. Whatever writes it writes to `temporary()`; `commit` flushes
/// that to the disk and renames it. What is not committed is removed again.
class Replacement {
  public:
    explicit Replacement(std::filesystem::path file);
    ~Replacement();
    Replacement(const Replacement&) = delete;
    Replacement& operator=(const Replacement&) = delete;

    [[nodiscard]] const std::filesystem::path& temporary() const { return temporary_; }
    Result<void> commit();
    /// What went wrong, by errno, with the file's name and a word on what was there before.
    [[nodiscard]] Error failed(const char* what) const;

  private:
    std::filesystem::path file_;
    std::filesystem::path temporary_;
    bool committed_ = false;
};

/// "12.3 MB"
std::string megabytes(std::size_t bytes);

} // namespace lariat
