// What is heard, kept: a recording of everything that goes to a device, whichever it is.
#pragma once

#include "model/sound_writer.h"

#include <atomic>
#include <condition_variable>
#include <filesystem>
#include <memory>
#include <mutex>
#include <span>
#include <thread>

#include <boost/lockfree/spsc_queue.hpp>

namespace lariat {

/// The audio side hands its blocks over without waiting; a thread of its own writes them, and keeps the file's head
/// true every second, so that what was played is there even if the program is killed.
class Jam {
  public:
    /// Opens the file; fails where SoundWriter::into does.
    static Result<std::unique_ptr<Jam>> start(const std::filesystem::path& file, const SoundFormat& format);
    /// Writes what is still on its way and ends the file.
    ~Jam();

    /// Audio side: interleaved samples of a block. Neither waits nor allocates; what does not fit is lost and counted.
    void give(std::span<const float> interleaved);

    /// Why no more is written, once that is so; what was written until then stays.
    [[nodiscard]] std::string fault() const;
    /// Samples lost because the disk was slower than half a minute.
    [[nodiscard]] std::uint64_t lost() const { return lost_.load(std::memory_order_relaxed); }

  private:
    Jam(SoundWriter writer, const SoundFormat& format);
    void work();
    void writeWaiting();

    SoundWriter writer_;
    boost::lockfree::spsc_queue<float> waiting_;
    std::atomic<std::uint64_t> lost_{0};
    mutable std::mutex mutex_; ///< guards fault_ and stopping_; the audio side never takes it
    std::string fault_;
    std::condition_variable wake_;
    bool stopping_ = false;
    std::thread thread_;
};

} // namespace lariat
