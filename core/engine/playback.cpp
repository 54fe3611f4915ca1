#include "engine/playback.h"

#include <algorithm>
#include <cmath>

namespace lariat {

Playback::Playback(std::vector<Recording> recordings, std::size_t bar, double rate)
    : recordings_(std::move(recordings)), bar_(std::max<std::size_t>(1, bar)),
      fade_(std::max<std::size_t>(1, static_cast<std::size_t>(std::lround(kFadeSeconds * rate)))) {
    length_ = recordings_.front().samples.size();
    for (const Recording& one : recordings_) length_ = std::min(length_, one.samples.size());
    bar_ = std::min(bar_, length_);
    length_ -= length_ % bar_;
}

/// Towards both ends of what is repeated it goes in and out, so that no step is heard there.
float Playback::sample(std::size_t which) const {
    const auto edge = static_cast<float>(std::min(at_ + 1, length_ - at_)) / static_cast<float>(fade_);
    return recordings_[which].gain * std::min(1.0f, edge) * recordings_[which].samples[at_];
}

void Playback::turn() {
    const std::size_t now = heardNow_;
    if (inTurns_ && begun_) wanted_ = (now + 1) % recordings_.size();
    begun_ = true;
    const std::size_t next = std::min<std::size_t>(wanted_, recordings_.size() - 1);
    if (next == now) return;
    old_ = now;
    fadeLeft_ = fade_;
    heardNow_ = next;
}

void Playback::run(std::span<float> interleaved) {
    for (std::size_t i = 0; i + 1 < interleaved.size(); i += 2) {
        if (at_ % bar_ == 0) turn();
        float heard = sample(heardNow_);
        if (fadeLeft_ > 0) {
            const float old = static_cast<float>(fadeLeft_--) / static_cast<float>(fade_);
            heard += old * (sample(old_) - heard);
        }
        interleaved[i] = interleaved[i + 1] = heard;
        at_ = (at_ + 1) % length_;
    }
}

} // namespace lariat
