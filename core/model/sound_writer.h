// Sound written as it is made: nothing is held but what was last handed over.
#pragma once

#include "model/file.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <span>
#include <vector>

namespace lariat {

/// How samples are kept. The file's ending says whether it is WAV or FLAC.
struct SoundFormat {
    double rate = 48000.0;
    int channels = 2;
    int bits = 32; ///< 32: floating point, WAV only; 24 and 16: whole numbers, with dither of two steps' width
};

/// The formats that a file of this name can have; says which if `bits` is none of them.
Result<void> checkSoundFormat(const std::filesystem::path& file, const SoundFormat& format);

/// Writes WAV or FLAC by libsndfile. ±1 is full scale; whole numbers are held there. Triangular dither (Lipshitz,
/// Wannamaker & Vanderkooy 1992) keeps what is lost in rounding from following the signal; it is the same each time.
class SoundWriter {
  public:
    /// Beside the file it will replace; it is not there before `commit`.
    static Result<SoundWriter> replacing(const std::filesystem::path& file, const SoundFormat& format);
    /// Into the file itself, whose head is kept true every second: what was written stays, whatever happens.
    static Result<SoundWriter> into(const std::filesystem::path& file, const SoundFormat& format);
    ~SoundWriter();
    SoundWriter(SoundWriter&&) noexcept;

    /// Interleaved samples. Fails when the disk takes no more.
    Result<void> write(std::span<const float> interleaved);
    /// Ends the file and puts it in its place.
    Result<void> commit();

  private:
    struct Open;
    explicit SoundWriter(std::unique_ptr<Open> open) noexcept;
    std::unique_ptr<Open> open_;
};

} // namespace lariat
