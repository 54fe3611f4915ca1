#include "model/file.h"

#include <cerrno>
#include <cstdio>
#include <fstream>
#include <system_error>

#include <fcntl.h>
#include <fmt/format.h>
#include <unistd.h>

namespace lariat {

std::string megabytes(std::size_t bytes) {
    return fmt::format("{:.1f} MB", static_cast<double>(bytes) / 1e6);
}

Result<std::string> readFile(const std::filesystem::path& file) {
    const auto fail = [&](std::string reason) { return tl::unexpected(Error{file.string(), {}, std::move(reason)}); };
    std::error_code error;
    if (std::filesystem::is_directory(file, error)) return fail("is a folder, not a file");
    const auto size = std::filesystem::file_size(file, error);
    if (error) return fail(fmt::format("cannot be opened: {}", error.message()));
    if (size > kMaxDocumentBytes)
        return fail(fmt::format("is {} long, at most {} are read", megabytes(size), megabytes(kMaxDocumentBytes)));
    std::ifstream stream(file, std::ios::binary);
    std::string bytes(size, '\0');
    stream.read(bytes.data(), static_cast<std::streamsize>(size));
    if (!stream) return fail("cannot be read to its end");
    return bytes;
}

Replacement::Replacement(std::filesystem::path file) : file_(std::move(file)), temporary_(file_) {
    temporary_ += ".part";
}

Replacement::~Replacement() {
    if (committed_) return;
    std::error_code ignored;
    std::filesystem::remove(temporary_, ignored);
}

Error Replacement::failed(const char* what) const {
    return {file_.string(),
            {},
            fmt::format("{}: {}; what was there before is untouched", what,
                        std::error_code(errno, std::generic_category()).message())};
}

Result<void> Replacement::commit() {
    const int handle = ::open(temporary_.c_str(), O_RDONLY | O_CLOEXEC);
    if (handle < 0) return tl::unexpected(failed("cannot be written"));
    const bool flushed = ::fsync(handle) == 0;
    ::close(handle);
    if (!flushed) return tl::unexpected(failed("cannot be written to its end"));
    if (std::rename(temporary_.c_str(), file_.c_str()) != 0) return tl::unexpected(failed("cannot be replaced"));
    committed_ = true;
    return {};
}

Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes) {
    Replacement replacement(file);
    std::FILE* stream = std::fopen(replacement.temporary().c_str(), "wb");
    if (!stream) return tl::unexpected(replacement.failed("cannot be written"));
    const bool written = std::fwrite(bytes.data(), 1, bytes.size(), stream) == bytes.size() && std::fflush(stream) == 0;
    const int why = errno;
    const bool closed = std::fclose(stream) == 0;
    if (!written) errno = why;
    if (!written || !closed) return tl::unexpected(replacement.failed("cannot be written to its end"));
    return replacement.commit();
}

} // namespace lariat
