#include "model/file.h"

#include <atomic>
#include <cerrno>
#include <cstdio>
#include <fstream>
#include <system_error>

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

namespace lariat {

ScratchFile::ScratchFile(std::string_view ending) {
    static std::atomic<int> count{0};
    std::error_code problem;
    std::filesystem::path folder = std::filesystem::temp_directory_path(problem);
    if (problem) folder = "/tmp";
    path_ = folder / fmt::format("lariat-{}-{}.{}", getpid(), count++, ending);
}

ScratchFile::~ScratchFile() {
    std::error_code problem;
    std::filesystem::remove(path_, problem);
}

std::string megabytes(std::size_t bytes) {
    return fmt::format("{:.1f} MB", static_cast<double>(bytes) / 1e6);
}

Result<std::string> readFile(const std::filesystem::path& file) {
    const auto fail = [&](Sentence reason) { return tl::unexpected(Error{file.string(), {}, std::move(reason)}); };
    std::error_code error;
    if (std::filesystem::is_directory(file, error)) return fail(say("is a folder, not a file"));
    const auto size = std::filesystem::file_size(file, error);
    if (error) return fail(say("cannot be opened: {}", error.message()));
    if (size > kMaxDocumentBytes)
        return fail(say("is {} long, at most {} are read", megabytes(size), megabytes(kMaxDocumentBytes)));
    std::ifstream stream(file, std::ios::binary);
    std::string bytes(size, '\0');
    stream.read(bytes.data(), static_cast<std::streamsize>(size));
    if (!stream) return fail(say("cannot be read to its end"));
    return bytes;
}

FileKind kindOf(const std::filesystem::path& file) {
    std::error_code error;
    if (!std::filesystem::is_regular_file(file, error)) return FileKind::Empty;
    std::ifstream stream(file, std::ios::binary);
    std::string head(4096, '\0');
    stream.read(head.data(), static_cast<std::streamsize>(head.size()));
    head.resize(static_cast<std::size_t>(stream.gcount()));
    if (head.empty()) return FileKind::Empty;
    for (const char* mark : {"RIFF", "RF64", "fLaC", "FORM", "OggS"})
        if (head.starts_with(mark)) return FileKind::Sound;
    if (head.starts_with("MThd")) return FileKind::Midi;
    if (head.starts_with("%PDF")) return FileKind::Pdf;
    if (head.starts_with("\x89PNG")) return FileKind::Picture;
    if (head.find("\"lariat-patch\"") != std::string::npos) return FileKind::Patch;
    return head.find("\"lariat-") != std::string::npos ? FileKind::Document : FileKind::Text;
}

namespace {

/// Why a file of this kind is not written over with something else.
Sentence wouldBeLost(FileKind kind) {
    switch (kind) {
    case FileKind::Patch:
        return say("is a patch, which would be lost; choose another name");
    case FileKind::Document:
        return say("is a document of Lariat, which would be lost; choose another name");
    case FileKind::Sound:
        return say("is a sound file, which would be lost; choose another name");
    case FileKind::Midi:
        return say("is a MIDI file, which would be lost; choose another name");
    case FileKind::Pdf:
        return say("is a PDF, which would be lost; choose another name");
    case FileKind::Picture:
        return say("is a picture, which would be lost; choose another name");
    case FileKind::Empty:
    case FileKind::Text:
        break;
    }
    return say("is a text, which would be lost; choose another name");
}

std::filesystem::path behindLinks(const std::filesystem::path& file) {
    std::error_code error;
    const std::filesystem::path target = std::filesystem::weakly_canonical(file, error);
    return error || target.empty() ? file : target;
}

mode_t newFileMode() {
    const mode_t mask = ::umask(0);
    ::umask(mask);
    return 0666 & ~mask;
}

} // namespace

Result<void> mayWrite(const std::filesystem::path& file, FileKind kind) {
    const auto refuse = [&](Sentence why) { return tl::unexpected(Error{file.string(), {}, std::move(why)}); };
    std::error_code error;
    const auto status = std::filesystem::status(file, error);
    if (!std::filesystem::exists(status)) return {};
    if (std::filesystem::is_directory(status)) return refuse(say("is a folder, not a file; choose another name"));
    if (!std::filesystem::is_regular_file(status))
        return refuse(say("is a device or a pipe, not a file; choose another name"));
    if (::access(file.c_str(), W_OK) != 0) return refuse(say("is protected against writing; choose another name"));
    const FileKind old = kindOf(file);
    const bool fits = old == FileKind::Empty || old == kind || (kind == FileKind::Patch && old == FileKind::Text);
    return fits ? Result<void>{} : refuse(wouldBeLost(old));
}

Replacement::Replacement(std::filesystem::path file, std::filesystem::path target) noexcept
    : file_(std::move(file)), target_(std::move(target)) {}

Replacement::Replacement(Replacement&& other) noexcept
    : file_(std::move(other.file_)), target_(std::move(other.target_)), temporary_(std::move(other.temporary_)) {
    other.temporary_.clear();
}

Result<Replacement> Replacement::of(const std::filesystem::path& file, FileKind kind) {
    if (file.empty()) return tl::unexpected(Error{{}, {}, say("no name is given for the file to write")});
    if (auto allowed = mayWrite(file, kind); !allowed) return tl::unexpected(allowed.error());
    Replacement out(file, behindLinks(file));
    // A name that nobody else has, so that nothing of theirs is written over by way of a link.
    std::string name = (out.target_.parent_path() / ".lariat-XXXXXX").string();
    const int handle = ::mkostemp(name.data(), O_CLOEXEC);
    if (handle < 0) return tl::unexpected(out.failed(say("cannot be written")));
    out.temporary_ = name;
    struct stat old {};
    ::fchmod(handle, ::stat(out.target_.c_str(), &old) == 0 ? old.st_mode & 07777u : newFileMode());
    ::close(handle);
    return out;
}

Replacement::~Replacement() {
    std::error_code ignored;
    if (!temporary_.empty()) std::filesystem::remove(temporary_, ignored);
}

Error Replacement::failed(Sentence what) const {
    const std::string why = std::error_code(errno, std::generic_category()).message();
    return {file_.string(), {}, inside(std::move(what), say("{}; what was there before is untouched", why))};
}

Result<void> Replacement::commit() {
    const auto flush = [](const std::filesystem::path& path, int flags) {
        const int handle = ::open(path.c_str(), flags | O_CLOEXEC);
        if (handle < 0) return false;
        const bool flushed = ::fsync(handle) == 0;
        const int why = errno;
        ::close(handle);
        errno = why;
        return flushed;
    };
    if (!flush(temporary_, O_RDONLY)) return tl::unexpected(failed(say("cannot be written to its end")));
    if (std::rename(temporary_.c_str(), target_.c_str()) != 0) return tl::unexpected(failed(say("cannot be replaced")));
    temporary_.clear();
    (void)flush(target_.parent_path(),
                O_RDONLY | O_DIRECTORY); // it is in place; some file systems cannot flush folders
    return {};
}

Result<void> writeFile(const std::filesystem::path& file, std::string_view bytes, FileKind kind) {
    auto replacement = Replacement::of(file, kind);
    if (!replacement) return tl::unexpected(replacement.error());
    std::FILE* stream = std::fopen(replacement->temporary().c_str(), "wb");
    if (!stream) return tl::unexpected(replacement->failed(say("cannot be written")));
    const bool written = std::fwrite(bytes.data(), 1, bytes.size(), stream) == bytes.size() && std::fflush(stream) == 0;
    const int why = errno;
    const bool closed = std::fclose(stream) == 0;
    if (!written) errno = why;
    if (!written || !closed) return tl::unexpected(replacement->failed(say("cannot be written to its end")));
    return replacement->commit();
}

} // namespace lariat
