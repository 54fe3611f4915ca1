// The stand-in for a real case before a microphone: the patch as the metal would have played it, with seeded errors of
// knobs, tracking, gain, clock and noise, and with what was so seeded told beside it. What is measured of it, and found
// in it, can be held against the truth.
#pragma once

#include "library/library.h"

#include <functional>
#include <string>
#include <vector>

namespace lariat {

struct AsRecordedOptions {
    double seconds = 8.0;
    double knobs = 0.01;   ///< part of the travel by which every turned knob is off, at most
    double tracking = 8.0; ///< cents an octave by which modules are off, at most
    double gain = 6.0;     ///< dB by which the recording is louder or quieter, at most
    double clock = 50.0;   ///< ppm by which the recorder's clock is off, at most
    double noise = -70.0;  ///< dB of full scale, RMS
    double start = 0.5;    ///< seconds before the patch begins, at most
    bool polarity = true;  ///< it may be turned over
    /// Knobs that nobody knows: "post.knob"; they stand anywhere between a tenth and nine tenths of their travel, or of
    /// the range that is known. Those that are unknown in the patch are among them.
    std::vector<std::string> unknown{};
    std::function<bool(double)> progress{};
};

/// What was seeded.
struct RecordedTruth {
    struct Knob {
        std::string post;
        std::string knob;
        double written = 0.0; ///< where it stands in the patch
        double real = 0.0;    ///< where it stood
    };
    std::vector<Knob> knobs;
    struct Tracking {
        std::string module;
        double cents = 0.0; ///< an octave is too wide by
    };
    std::vector<Tracking> tracking;
    double gain = 0.0;  ///< dB
    double clock = 0.0; ///< ppm by which the recording runs longer
    double noise = 0.0; ///< dB of full scale, RMS
    double start = 0.0; ///< seconds of noise before it begins
    bool inverted = false;

    [[nodiscard]] std::string json() const;
};

struct AsRecorded {
    double rate = 48000.0;
    std::vector<float> mix; ///< interleaved stereo, ±1 is 0 dBFS
    RecordedTruth truth;
    Patch played; ///< with its knobs where they stood
};

/// The same seed gives the same recording. Fails if an unknown knob is none, or when stopped.
Result<AsRecorded> renderAsRecorded(const Patch& patch, const Library& library, std::uint32_t seed,
                                    const AsRecordedOptions& options = {});

} // namespace lariat
