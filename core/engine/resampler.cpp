#include "engine/resampler.h"

#include <samplerate.h>

namespace lariat {

struct Resampler::State {
    SRC_STATE* handle = nullptr;
    ~State() {
        if (handle) src_delete(handle);
    }
};

Resampler::Resampler(double inRate, double outRate) : state_(std::make_unique<State>()), ratio_(outRate / inRate) {
    int error = 0;
    state_->handle = src_new(SRC_SINC_MEDIUM_QUALITY, 2, &error);
}

Resampler::~Resampler() = default;

std::size_t Resampler::convert(std::span<float> out) {
    SRC_DATA data{};
    data.data_in = pending_.data();
    data.input_frames = static_cast<long>(pending_.size() / 2);
    data.data_out = out.data();
    data.output_frames = static_cast<long>(out.size() / 2);
    data.src_ratio = ratio_;
    if (!state_->handle || src_process(state_->handle, &data) != 0) return 0;
    pending_ = pending_.subspan(static_cast<std::size_t>(data.input_frames_used) * 2);
    return static_cast<std::size_t>(data.output_frames_gen);
}

} // namespace lariat
