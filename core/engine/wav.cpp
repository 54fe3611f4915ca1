#include "engine/wav.h"

#include <cmath>
#include <memory>

#include <fmt/format.h>
#include <sndfile.h>

namespace lariat {
namespace {

using Handle = std::unique_ptr<SNDFILE, int (*)(SNDFILE*)>;
constexpr sf_count_t kMostSamples = 128 * 1024 * 1024;

tl::unexpected<Error> fail(const std::filesystem::path& file, std::string reason) {
    return tl::unexpected(Error{file.string(), {}, std::move(reason)});
}

} // namespace

Result<void> writeWav(const std::filesystem::path& file, std::span<const float> interleaved, int channels,
                      double rate) {
    std::filesystem::path temporary = file;
    temporary += ".part";
    {
        SF_INFO info{};
        info.samplerate = static_cast<int>(std::lround(rate));
        info.channels = channels;
        info.format = SF_FORMAT_WAV | SF_FORMAT_FLOAT;
        const Handle handle(sf_open(temporary.c_str(), SFM_WRITE, &info), sf_close);
        if (!handle) return fail(file, fmt::format("cannot be written: {}", sf_strerror(nullptr)));
        sf_command(handle.get(), SFC_SET_ADD_PEAK_CHUNK, nullptr, SF_FALSE); // it holds the time of day
        const auto size = static_cast<sf_count_t>(interleaved.size());
        if (sf_write_float(handle.get(), interleaved.data(), size) != size)
            return fail(file, fmt::format("cannot be written to its end: {}", sf_strerror(handle.get())));
    }
    std::error_code problem;
    std::filesystem::rename(temporary, file, problem);
    if (problem) return fail(file, "cannot be replaced: " + problem.message());
    return {};
}

Result<AudioFile> readAudio(const std::filesystem::path& file) {
    SF_INFO info{};
    const Handle handle(sf_open(file.c_str(), SFM_READ, &info), sf_close);
    if (!handle) return fail(file, fmt::format("cannot be read as audio: {}", sf_strerror(nullptr)));
    if (info.channels < 1 || info.frames < 0 || info.frames > kMostSamples / info.channels)
        return fail(file,
                    fmt::format("claims {} frames of {} channels, more than can be read", info.frames, info.channels));
    AudioFile out{static_cast<double>(info.samplerate), info.channels, {}};
    out.samples.resize(static_cast<std::size_t>(info.frames * info.channels));
    const sf_count_t read =
        sf_read_float(handle.get(), out.samples.data(), static_cast<sf_count_t>(out.samples.size()));
    out.samples.resize(static_cast<std::size_t>(read)); // a file that was cut short gives what it has
    return out;
}

} // namespace lariat
