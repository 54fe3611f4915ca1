#include "devices/jam.h"

#include <array>
#include <chrono>

namespace lariat {
namespace {

constexpr double kRoomSeconds = 30.0; ///< that a disk may take its time

} // namespace

Result<std::unique_ptr<Jam>> Jam::start(const std::filesystem::path& file, const SoundFormat& format) {
    auto writer = SoundWriter::into(file, format);
    if (!writer) return tl::unexpected(writer.error());
    return std::unique_ptr<Jam>(new Jam(std::move(*writer), format));
}

Jam::Jam(SoundWriter writer, const SoundFormat& format)
    : writer_(std::move(writer)), waiting_(static_cast<std::size_t>(kRoomSeconds * format.rate * format.channels)),
      thread_([this] { work(); }) {}

Jam::~Jam() {
    {
        const std::lock_guard lock(mutex_);
        stopping_ = true;
    }
    wake_.notify_all();
    thread_.join();
    (void)writer_.commit(); // a disk that is full has been told of
}

void Jam::give(std::span<const float> interleaved) {
    // A block is kept whole or not at all: channels never change places.
    if (waiting_.write_available() < interleaved.size())
        lost_.fetch_add(interleaved.size(), std::memory_order_relaxed);
    else
        waiting_.push(interleaved.data(), interleaved.size());
}

std::string Jam::fault() const {
    const std::lock_guard lock(mutex_);
    return fault_;
}

void Jam::writeWaiting() {
    std::array<float, 4096> piece;
    while (const std::size_t size = waiting_.pop(piece.data(), piece.size())) {
        const auto written = writer_.write(std::span(piece.data(), size));
        if (written) continue;
        const std::lock_guard lock(mutex_);
        fault_ = written.error().text();
        return;
    }
}

void Jam::work() {
    using namespace std::chrono_literals;
    for (bool last = false; !last;) {
        {
            std::unique_lock lock(mutex_);
            wake_.wait_for(lock, 20ms, [this] { return stopping_; });
            last = stopping_;
            if (!fault_.empty()) return;
        }
        writeWaiting();
    }
}

} // namespace lariat
