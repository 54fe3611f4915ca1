// Audio files, by libsndfile.
#pragma once

#include "model/result.h"

#include <filesystem>
#include <span>
#include <vector>

namespace lariat {

struct AudioFile {
    double rate = 48000.0;
    int channels = 1;
    std::vector<float> samples; ///< interleaved
};

/// Writes 32-bit float WAV through a temporary file. Probes are written in volts: 1.0 is 1 V.
Result<void> writeWav(const std::filesystem::path& file, std::span<const float> interleaved, int channels, double rate);
/// Reads WAV or FLAC; at most 512 MB of samples.
Result<AudioFile> readAudio(const std::filesystem::path& file);

} // namespace lariat
