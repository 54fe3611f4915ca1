#include "measure/loudness.h"

#include <cmath>
#include <memory>

#include <ebur128.h>

namespace lariat {

std::optional<double> measureLoudness(std::span<const float> interleaved, double rate) {
    struct Free {
        void operator()(ebur128_state* state) const { ebur128_destroy(&state); }
    };
    const std::unique_ptr<ebur128_state, Free> state(
        ebur128_init(2, static_cast<unsigned long>(std::lround(rate)), EBUR128_MODE_I));
    if (!state || ebur128_add_frames_float(state.get(), interleaved.data(), interleaved.size() / 2) != 0) return {};
    double lufs = 0.0;
    if (ebur128_loudness_global(state.get(), &lufs) != 0 || !std::isfinite(lufs)) return {};
    return lufs;
}

} // namespace lariat
