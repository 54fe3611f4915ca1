// Panner: one signal between two sides at equal power, gains cos and sin of x · 90°, x = 1/2 + pan/2 + V·amount/10.
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

class Panner final : public StatelessBlock<Panner> {
  public:
    void process(const Frame& frame) {
        const Modulated pan = modulated(frame, 0, 1, 1, 20.0f);
        for (int side = 0; side < 2; ++side)
            frame.write(side, [&](int i) {
                const float x = std::clamp(0.5f + 0.005f * pan(i), 0.0f, 1.0f);
                return frame.in(0)[i] * fastSinTurn(side == 0 ? 0.25f + 0.25f * x : 0.25f * x);
            });
    }
};

} // namespace

BlockType pannerType() {
    using enum SignalKind;
    return {
        .id = "panner",
        .name = "Panner",
        .about = "One signal between left and right",
        .inputs = {{"in", "in", Audio}, {"pan-cv", "pan cv", SignalKind::Control, -5, 5, "pan-amount", {{"pan", 20}}}},
        .outputs = {{"left", "left", Audio}, {"right", "right", Audio}},
        .controls = {{"pan", "Pan", bipolarPercent(), 0}, {"pan-amount", "Pan CV", bipolarPercent(), 100}},
        .make = makeBlock<Panner>};
}

} // namespace lariat
