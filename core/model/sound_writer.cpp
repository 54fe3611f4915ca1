#include "model/sound_writer.h"

#include "units/letters.h"

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <cstring>
#include <optional>
#include <random>

#include <fcntl.h>
#include <fmt/format.h>
#include <sndfile.h>
#include <sys/file.h>
#include <unistd.h>

namespace lariat {
namespace {

using Handle = std::unique_ptr<SNDFILE, int (*)(SNDFILE*)>;

bool isFlac(const std::filesystem::path& file) {
    return lower(file.extension().string()) == ".flac";
}

int codeOf(const std::filesystem::path& file, int bits) {
    const int samples = bits == 16 ? SF_FORMAT_PCM_16 : bits == 24 ? SF_FORMAT_PCM_24 : SF_FORMAT_FLOAT;
    return samples | (isFlac(file) ? SF_FORMAT_FLAC : SF_FORMAT_WAV);
}

} // namespace

struct SoundWriter::Open {
    std::filesystem::path file;
    SoundFormat format;
    std::optional<Replacement> replacement{};
    Handle handle{nullptr, sf_close};
    std::mt19937 random{1};
    std::vector<int> whole{};
    sf_count_t sinceHead = 0;

    [[nodiscard]] tl::unexpected<Error> failed(Sentence what) const {
        return tl::unexpected(Error{file.string(), {}, inside(std::move(what), plain(sf_strerror(handle.get())))});
    }

    /// Into a file by name, or one that is open already.
    Result<void> start(const std::filesystem::path& at, int descriptor = -1) {
        SF_INFO info{};
        info.samplerate = static_cast<int>(std::lround(format.rate));
        info.channels = format.channels;
        info.format = codeOf(file, format.bits);
        handle.reset(descriptor < 0 ? sf_open(at.c_str(), SFM_WRITE, &info)
                                    : sf_open_fd(descriptor, SFM_WRITE, &info, SF_TRUE));
        if (!handle) return failed(say("cannot be written"));
        sf_command(handle.get(), SFC_SET_ADD_PEAK_CHUNK, nullptr, SF_FALSE); // it holds the time of day
        return {};
    }

    /// Rounded to whole steps after dither, at the top of 32 bits, where the library takes them from.
    const int* rounded(std::span<const float> samples) {
        const double steps = std::ldexp(1.0, format.bits - 1);
        std::uniform_real_distribution<double> half(-0.5, 0.5);
        whole.resize(samples.size());
        std::ranges::transform(samples, whole.begin(), [&](float v) {
            const double dithered = static_cast<double>(v) * steps + half(random) + half(random);
            const auto step = static_cast<std::int64_t>(std::llround(std::clamp(dithered, -steps, steps - 1.0)));
            return static_cast<int>(step * (std::int64_t{1} << (32 - format.bits)));
        });
        return whole.data();
    }
};

Result<void> checkSoundFormat(const std::filesystem::path& file, const SoundFormat& format) {
    const auto refused = [&](Sentence reason) { return tl::unexpected(Error{file.string(), {}, std::move(reason)}); };
    if (format.bits != 16 && format.bits != 24 && format.bits != 32)
        return refused(say("has 16, 24 or 32 bits a sample, not {}", format.bits));
    if (format.bits == 32 && isFlac(file)) return refused(say("FLAC holds 16 or 24 bits a sample; 32 need a WAV file"));
    return {};
}

Result<SoundWriter> SoundWriter::replacing(const std::filesystem::path& file, const SoundFormat& format) {
    if (auto fits = checkSoundFormat(file, format); !fits) return tl::unexpected(fits.error());
    auto replacement = Replacement::of(file, FileKind::Sound);
    if (!replacement) return tl::unexpected(replacement.error());
    auto open = std::make_unique<Open>(Open{file, format});
    open->replacement.emplace(std::move(*replacement));
    if (auto started = open->start(open->replacement->temporary()); !started) return tl::unexpected(started.error());
    return SoundWriter(std::move(open));
}

Result<SoundWriter> SoundWriter::into(const std::filesystem::path& file, const SoundFormat& format) {
    if (auto fits = checkSoundFormat(file, format); !fits) return tl::unexpected(fits.error());
    if (auto allowed = mayWrite(file, FileKind::Sound); !allowed) return tl::unexpected(allowed.error());
    auto open = std::make_unique<Open>(Open{file, format});
    const int descriptor = ::open(file.c_str(), O_WRONLY | O_CREAT | O_CLOEXEC, 0666);
    if (descriptor < 0)
        return tl::unexpected(Error{file.string(), {}, say("cannot be written: {}", std::strerror(errno))});
    if (::flock(descriptor, LOCK_EX | LOCK_NB) != 0 || ::ftruncate(descriptor, 0) != 0) {
        ::close(descriptor);
        return tl::unexpected(Error{
            file.string(), {}, say("is being recorded to already; choose another name, or end that recording first")});
    }
    if (auto started = open->start(file, descriptor); !started) return tl::unexpected(started.error());
    return SoundWriter(std::move(open));
}

SoundWriter::SoundWriter(std::unique_ptr<Open> open) noexcept : open_(std::move(open)) {}
SoundWriter::~SoundWriter() = default;
SoundWriter::SoundWriter(SoundWriter&&) noexcept = default;

Result<void> SoundWriter::write(std::span<const float> interleaved) {
    const auto size = static_cast<sf_count_t>(interleaved.size());
    SNDFILE* const to = open_->handle.get();
    const sf_count_t done = open_->format.bits == 32 ? sf_write_float(to, interleaved.data(), size)
                                                     : sf_write_int(to, open_->rounded(interleaved), size);
    if (done != size) return open_->failed(say("cannot be written to its end"));
    open_->sinceHead += size / open_->format.channels;
    if (!open_->replacement && static_cast<double>(open_->sinceHead) >= open_->format.rate) {
        sf_command(to, SFC_UPDATE_HEADER_NOW, nullptr, 0);
        open_->sinceHead = 0;
    }
    return {};
}

Result<void> SoundWriter::commit() {
    if (sf_close(open_->handle.release()) != 0)
        return tl::unexpected(Error{open_->file.string(), {}, say("cannot be written to its end")});
    return open_->replacement ? open_->replacement->commit() : Result<void>{};
}

} // namespace lariat
