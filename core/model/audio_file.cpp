#include "model/audio_file.h"

#include "model/sound_writer.h"

#include <array>
#include <cmath>
#include <cstdint>
#include <fstream>
#include <memory>

#include <fmt/format.h>
#include <sndfile.h>

namespace lariat {
namespace {

using Handle = std::unique_ptr<SNDFILE, int (*)(SNDFILE*)>;
constexpr sf_count_t kMostSamples = 128 * 1024 * 1024;

tl::unexpected<Error> fail(const std::filesystem::path& file, Sentence reason) {
    return tl::unexpected(Error{file.string(), {}, std::move(reason)});
}

/// Why a WAV file's chunks do not add up; empty if they do, or if it is none. The library would read on in silence.
Sentence badChunks(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary | std::ios::ate);
    const auto size = static_cast<std::uint64_t>(in.tellg());
    in.seekg(0);
    std::array<char, 12> head{};
    if (!in.read(head.data(), head.size()) || std::string_view(head.data(), 4) != "RIFF") return {};
    for (std::uint64_t at = 12; at + 8 <= size;) {
        std::array<unsigned char, 8> chunk{};
        in.seekg(static_cast<std::streamoff>(at));
        if (!in.read(reinterpret_cast<char*>(chunk.data()), chunk.size())) break;
        std::uint64_t claimed = 0;
        for (const std::size_t byte : {7u, 6u, 5u, 4u}) claimed = claimed << 8 | chunk[byte];
        if (claimed > size - at - 8)
            return say("the chunk at byte {} claims {} bytes, {} are left; the file was cut short", at, claimed,
                       size - at - 8);
        at += 8 + claimed + claimed % 2;
    }
    return {};
}

} // namespace

Result<void> writeWav(const std::filesystem::path& file, std::span<const float> interleaved, int channels,
                      double rate) {
    auto writer = SoundWriter::replacing(file, {.rate = rate, .channels = channels});
    if (!writer) return tl::unexpected(writer.error());
    if (auto written = writer->write(interleaved); !written) return written;
    return writer->commit();
}

Result<AudioFile> readAudio(const std::filesystem::path& file) {
    std::error_code error; // a pipe would keep us waiting
    if (std::filesystem::exists(file, error) && !std::filesystem::is_regular_file(file, error))
        return fail(file, say("is no file, but a folder, a device or a pipe"));
    if (Sentence why = badChunks(file); !why.empty()) return fail(file, std::move(why));
    SF_INFO info{};
    const Handle handle(sf_open(file.c_str(), SFM_READ, &info), sf_close);
    if (!handle) return fail(file, say("cannot be read as audio: {}", sf_strerror(nullptr)));
    if (info.channels < 1 || info.frames < 0 || info.frames > kMostSamples / info.channels)
        return fail(file, say("claims {} frames of {} channels, more than can be read", info.frames, info.channels));
    AudioFile out{static_cast<double>(info.samplerate), info.channels, {}};
    out.samples.resize(static_cast<std::size_t>(info.frames * info.channels));
    const sf_count_t read =
        sf_read_float(handle.get(), out.samples.data(), static_cast<sf_count_t>(out.samples.size()));
    if (read != static_cast<sf_count_t>(out.samples.size()))
        return fail(file, say("claims {} samples and holds {}; it was cut short", out.samples.size(), read));
    return out;
}

} // namespace lariat
