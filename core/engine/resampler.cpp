#include "engine/resampler.h"

#include "engine/halver.h"

#include "blocks/signal.h"

#include <algorithm>
#include <array>

#include <samplerate.h>

namespace lariat {

struct Resampler::State {
    SRC_STATE* handle = nullptr;
    Halver halver;
    std::array<float, Halver::kMost> made{}; ///< halved, and not handed out yet
    std::size_t first = 0;
    std::size_t last = 0;
    ~State() {
        if (handle) src_delete(handle);
    }
};

Resampler::Resampler(double inRate, double outRate) : state_(std::make_unique<State>()), ratio_(outRate / inRate) {
    int error = 0;
    if (ratio_ != 1.0 && ratio_ != 0.5) state_->handle = src_new(SRC_SINC_MEDIUM_QUALITY, 2, &error);
}

Resampler::~Resampler() = default;

std::size_t Resampler::convert(std::span<float> out) {
    if (ratio_ == 1.0) {
        const std::size_t values = std::min(out.size(), pending_.size());
        std::copy_n(pending_.begin(), values, out.begin());
        pending_ = pending_.subspan(values);
        return values / 2;
    }
    if (ratio_ == 0.5) {
        State& s = *state_;
        if (s.first == s.last) {
            const std::size_t frames = std::min(pending_.size() / 4 * 2, Halver::kMost);
            s.first = 0;
            s.last = 2 * s.halver.run(pending_.first(2 * frames), s.made);
            pending_ = pending_.subspan(2 * frames);
        }
        const std::size_t values = std::min(out.size() / 2 * 2, s.last - s.first);
        std::copy_n(s.made.begin() + static_cast<std::ptrdiff_t>(s.first), values, out.begin());
        s.first += values;
        return values / 2;
    }
    SRC_DATA data{};
    data.data_in = pending_.data();
    data.input_frames = static_cast<long>(pending_.size() / 2);
    data.data_out = out.data();
    data.output_frames = static_cast<long>(out.size() / 2);
    data.src_ratio = ratio_;
    if (!state_->handle || src_process(state_->handle, &data) != 0) return 0;
    pending_ = pending_.subspan(idx(data.input_frames_used) * 2);
    return idx(data.output_frames_gen);
}

} // namespace lariat
