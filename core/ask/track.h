// What a question is asked of: a jack of a running patch, of a silent run, or a recording; all the same from here on.
#pragma once

#include "library/library.h"
#include "timing/lines.h"

#include <filesystem>
#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace lariat {

struct Trace {
    std::string name;
    std::vector<float> volts;
    double rate = 96000.0;
    SignalKind kind = SignalKind::Audio;
    JackRef jack{};     ///< an empty post: a recording, or the way out of the case
    bool leads = false; ///< it sets the pitch of the first track, and was not asked for
    int channels = 1;   ///< that the file has which it was read from

    [[nodiscard]] double seconds() const { return static_cast<double>(volts.size()) / rate; }
};

inline constexpr std::size_t kMostTracks = 8;

/// A step of a sequencer, counted from 0.
struct StepAt {
    LineRef line;
    int step = 0;
};

struct ListenOptions {
    double seconds = 10.0;
    double rate = 96000.0;
    bool realCase = false;
    bool scenes = false;
    std::vector<int> silenced{};            ///< cables that bring nothing
    std::optional<StepAt> step{};           ///< heard as one more gate: open while the line stands there
    std::function<bool(double)> progress{}; ///< told 0…1; false stops
};

/// "Osc A saw"; of an input "Filter in 1 (in)".
std::string trackName(const Patch& patch, const Library& library, const JackRef& jack);

/// Runs the patch from its start and records these jacks in volts, outputs or inputs, patched or not. A jack without a
/// post stands for the way out, left ("") or right ("right"). What nothing is plugged into stands at 0 V. Fails if a
/// jack or the step is none, or when stopped. `patch` is a checked one.
Result<std::vector<Trace>> listen(const Patch& patch, const Library& library, const std::vector<JackRef>& jacks,
                                  const ListenOptions& options);

inline constexpr int kAllChannels = -1;

struct FileOptions {
    int channel = 0;           ///< counted from 0; kAllChannels: their mean
    double from = 0.0;         ///< seconds
    double seconds = 60.0;     ///< read at most
    double voltsAtFull = 10.0; ///< of a sample of 1; recordings of probes hold volts: 1
    std::function<bool(double)> progress{};
};
/// One channel of a sound file (WAV, FLAC, AIFF), or the mean of all, read piece by piece, so that an hour costs no
/// more than what is kept. Fails for a file that lies, is empty there, or holds what is not a number; says where.
Result<Trace> readTrack(const std::filesystem::path& file, const FileOptions& options);

/// What restarts a sound at its own pitch, and so sets it; nothing where none does.
std::optional<JackRef> leaderOf(const Patch& patch, const Library& library, const JackRef& output);
/// The gate or trigger that opens what is heard at an output: the nearest one up its way. Nothing if there is none.
std::optional<JackRef> gateBehind(const Patch& patch, const Library& library, const JackRef& output);

} // namespace lariat
