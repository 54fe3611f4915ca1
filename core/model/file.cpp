#include "model/file.h"

#include <cerrno>
#include <cstdio>
#include <fstream>
#include <system_error>

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

Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes) {
    std::filesystem::path temporary = file;
    temporary += ".part";
    const auto fail = [&](const char* what) {
        const std::string reason = fmt::format("{}: {}; what was there before is untouched", what,
                                               std::error_code(errno, std::generic_category()).message());
        std::error_code ignored;
        std::filesystem::remove(temporary, ignored);
        return tl::unexpected(Error{file.string(), {}, reason});
    };
    std::FILE* stream = std::fopen(temporary.c_str(), "wb");
    if (!stream) return fail("cannot be written");
    const bool written = std::fwrite(bytes.data(), 1, bytes.size(), stream) == bytes.size() &&
                         std::fflush(stream) == 0 && ::fsync(::fileno(stream)) == 0;
    const bool closed = std::fclose(stream) == 0;
    if (!written || !closed) return fail("cannot be written to its end");
    if (std::rename(temporary.c_str(), file.c_str()) != 0) return fail("cannot be replaced");
    return {};
}

} // namespace lariat
