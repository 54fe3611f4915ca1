#include "devices/stem_jam.h"

#include "units/level.h"

#include <algorithm>
#include <chrono>

namespace lariat {

Result<std::unique_ptr<StemJam>> StemJam::start(std::vector<Voice> voices, double rate,
                                                std::function<std::uint64_t()> position) {
    std::vector<SoundWriter> writers;
    for (const Voice& voice : voices) {
        auto writer = SoundWriter::into(voice.file, {rate, voice.channels, 32});
        if (!writer) return tl::unexpected(writer.error());
        writers.push_back(std::move(*writer));
    }
    return std::unique_ptr<StemJam>(new StemJam(std::move(voices), std::move(writers), std::move(position)));
}

StemJam::StemJam(std::vector<Voice> voices, std::vector<SoundWriter> writers, std::function<std::uint64_t()> position)
    : voices_(std::move(voices)), writers_(std::move(writers)), position_(std::move(position)), written_(position_()) {
    for (const Voice& voice : voices_) taps_.emplace_back(static_cast<std::size_t>(voice.channels));
    thread_ = std::thread([this] { work(); });
}

StemJam::~StemJam() {
    {
        const std::lock_guard lock(mutex_);
        stopping_ = true;
    }
    wake_.notify_all();
    thread_.join();
    for (SoundWriter& writer : writers_) (void)writer.commit(); // a disk that is full has been told of
}

void StemJam::listen(std::size_t voice, std::size_t channel, const std::shared_ptr<const Tap>& tap) {
    const std::lock_guard lock(mutex_);
    auto& taps = taps_[voice][channel];
    if (tap && (taps.empty() || taps.back() != tap)) taps.push_back(tap);
}

std::string StemJam::fault() const {
    const std::lock_guard lock(mutex_);
    return fault_;
}

/// All voices from where they are to the engine's sample `end`.
void StemJam::writeTo(std::uint64_t end) {
    const auto frames = static_cast<std::size_t>(end - written_);
    for (std::size_t v = 0; v < voices_.size(); ++v) {
        const auto channels = static_cast<std::size_t>(voices_[v].channels);
        std::vector<float> block(frames * channels, 0.0f);
        for (std::size_t c = 0; c < channels; ++c) {
            std::vector<std::shared_ptr<const Tap>> taps;
            {
                const std::lock_guard lock(mutex_);
                auto& own = taps_[v][c]; // an old one that has given everything is let go
                while (own.size() > 1 && own.front()->begin() + own.front()->count() <= written_)
                    own.erase(own.begin());
                taps = own;
            }
            for (const auto& tap : taps) {
                const std::uint64_t there = tap->count();
                if (there == 0 || tap->begin() + there <= written_) continue;
                const Snapshot held = tap->snapshot(static_cast<std::size_t>(tap->begin() + there - written_));
                const std::uint64_t first = tap->begin() + held.end - held.volts.size();
                if (const std::uint64_t wanted = std::max(written_, tap->begin()); first > wanted)
                    lost_.fetch_add(first - wanted, std::memory_order_relaxed);
                for (std::size_t i = 0; i < held.volts.size(); ++i)
                    if (const std::uint64_t at = first + i; at >= written_ && at < end)
                        block[static_cast<std::size_t>(at - written_) * channels + c] =
                            held.volts[i] / static_cast<float>(kFullScaleVolts);
            }
        }
        if (const auto written = writers_[v].write(block); !written) {
            const std::lock_guard lock(mutex_);
            fault_ = written.error().text();
            return;
        }
    }
    written_ = end;
}

void StemJam::work() {
    using namespace std::chrono_literals;
    for (bool last = false; !last;) {
        {
            std::unique_lock lock(mutex_);
            wake_.wait_for(lock, 50ms, [this] { return stopping_; });
            last = stopping_;
            if (!fault_.empty()) return;
        }
        if (const std::uint64_t now = position_(); now > written_) writeTo(now);
    }
}

} // namespace lariat
