// Stems of what is played, kept beside the recording of what is heard: each voice by itself, as it leaves for what
// others share.
#pragma once

#include "engine/tap.h"
#include "model/sound_writer.h"

#include <atomic>
#include <condition_variable>
#include <filesystem>
#include <functional>
#include <memory>
#include <mutex>
#include <string>
#include <thread>
#include <vector>

namespace lariat {

/// A thread of its own takes what the taps of the engine hold and writes it, a file a voice and a channel an outlet, at
/// the rate of the engine. All files begin with the same sample and stay together: while a voice is out of the patch,
/// its file goes on in silence.
class StemJam {
  public:
    struct Voice {
        std::string name;
        std::filesystem::path file;
        int channels = 1;
    };
    /// As long as the disk may take its time.
    static constexpr double kRoomSeconds = 4.0;

    /// `position` tells the samples that the engine has run; the files begin there. Fails where SoundWriter::into does,
    /// for the first file that cannot be written.
    static Result<std::unique_ptr<StemJam>> start(std::vector<Voice> voices, double rate,
                                                  std::function<std::uint64_t()> position);
    /// Writes what is still on its way and ends the files.
    ~StemJam();

    /// From now on that channel is what this tap holds; nullptr: silence. Asked again with the same tap, nothing
    /// changes.
    void listen(std::size_t voice, std::size_t channel, const std::shared_ptr<const Tap>& tap);

    [[nodiscard]] const std::vector<Voice>& voices() const { return voices_; }
    /// Samples of a channel that are missing because the disk was slower than kRoomSeconds.
    [[nodiscard]] std::uint64_t lost() const { return lost_.load(std::memory_order_relaxed); }
    /// Why no more is written, once that is so; what was written until then stays.
    [[nodiscard]] std::string fault() const;

  private:
    StemJam(std::vector<Voice> voices, std::vector<SoundWriter> writers, std::function<std::uint64_t()> position);
    void work();
    void writeTo(std::uint64_t end);

    std::vector<Voice> voices_;
    std::vector<SoundWriter> writers_;
    std::function<std::uint64_t()> position_;
    std::atomic<std::uint64_t> lost_{0};
    std::uint64_t written_; ///< the engine's sample up to which all files go
    mutable std::mutex mutex_;
    std::vector<std::vector<std::vector<std::shared_ptr<const Tap>>>> taps_; ///< by voice and channel, oldest first
    std::string fault_;
    bool stopping_ = false;
    std::condition_variable wake_;
    std::thread thread_;
};

} // namespace lariat
