// Cross-fader: from a to b. Linear, for voltages: out = (1 - x) a + x b. Equal power, for sounds: gains cos and sin of
// x · 90°. x = fade + V·amount/10, held within 0…1. The second output fades the other way.
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { A, B, FadeCv };
enum Control { Fade, FadeAmount, Law };

class Crossfader final : public StatelessBlock<Crossfader> {
  public:
    void process(const Frame& frame) {
        const bool equalPower = frame.position(Law) == 1;
        for (int i = frame.begin; i < frame.end; ++i) {
            const float x = std::clamp(0.01f * modulated(frame, Fade, FadeCv, FadeAmount, 10.0f)(i), 0.0f, 1.0f);
            const float toA = equalPower ? fastSinTurn(0.25f + 0.25f * x) : 1.0f - x;
            const float toB = equalPower ? fastSinTurn(0.25f * x) : x;
            const float a = frame.in(A)[i];
            const float b = frame.in(B)[i];
            if (Signal* out = frame.out(0)) (*out)[i] = toA * a + toB * b;
            if (Signal* out = frame.out(1)) (*out)[i] = toB * a + toA * b;
        }
    }
};

} // namespace

BlockType crossfaderType() {
    using enum SignalKind;
    return {.id = "crossfader",
            .name = "Cross-fader",
            .about = "Fades from one signal to another",
            .inputs = {{"a", "a", Audio},
                       {"b", "b", Audio},
                       {"fade-cv", "fade cv", SignalKind::Control, -5, 8, "fade-amount", {{"fade", 10}}}},
            .outputs = {{"out", "out", Audio}, {"other", "other way", Audio}},
            .controls = {{"fade", "Fade", percent(), 50},
                         {"fade-amount", "Fade CV", bipolarPercent(), 0},
                         {"law", "Law", switchScale({"linear", "equal power"}), 0}},
            .make = makeBlock<Crossfader>};
}

} // namespace lariat
