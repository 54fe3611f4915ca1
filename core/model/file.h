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
/// What a file holds, as far as its first bytes tell.
enum class FileKind { Empty, Patch, Document, Sound, Midi, Pdf, Picture, Text };
/// Empty for a file that is not there.
FileKind kindOf(const std::filesystem::path& file);

/// Whether a file may be written there: it is new, or a plain file that can be written and holds the same kind. A patch
/// never turns into sound.
Result<void> mayWrite(const std::filesystem::path& file, FileKind kind);

/// Writes a file by way of a Replacement: the old file or the new, never half.
Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes, FileKind kind);

/// A file that is written beside the one it will replace. Whatever writes it writes to `temporary()`; `commit` flushes
/// that and the folder to the disk. Symbolic links are followed and kept, and so is the file's mode. What is not
/// committed is removed again.
class Replacement {
  public:
    /// Fails where mayWrite does, or if nothing can be written into the folder.
    static Result<Replacement> of(const std::filesystem::path& file, FileKind kind);
    ~Replacement();
    Replacement(Replacement&& other) noexcept;
    Replacement(const Replacement&) = delete;
    Replacement& operator=(Replacement&&) = delete;

    [[nodiscard]] const std::filesystem::path& temporary() const { return temporary_; }
    Result<void> commit();
    /// What went wrong, by errno, with the file's name and a word on what was there before.
    [[nodiscard]] Error failed(Sentence what) const;

  private:
    Replacement(std::filesystem::path file, std::filesystem::path target) noexcept;

    std::filesystem::path file_;   ///< as it was named
    std::filesystem::path target_; ///< behind symbolic links
    std::filesystem::path temporary_;
};

/// A name for a file in the system's folder for such, for libraries that want one; what is there goes with it.
class ScratchFile {
  public:
    explicit ScratchFile(std::string_view ending);
    ~ScratchFile();
    ScratchFile(const ScratchFile&) = delete;
    ScratchFile& operator=(const ScratchFile&) = delete;
    [[nodiscard]] const std::filesystem::path& path() const { return path_; }

  private:
    std::filesystem::path path_;
};

/// "12.3 MB"
std::string megabytes(std::size_t bytes);

} // namespace lariat
