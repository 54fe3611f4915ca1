// Mixer: four DC-coupled inputs, a sum and its inverse. out = main · Σ level(n) · in(n).
#include "blocks/types.h"

namespace lariat {
namespace {

constexpr int kChannels = 4;
constexpr int kMain = kChannels;

class Mixer final : public StatelessBlock<Mixer> {
  public:
    void process(const Frame& frame) {
        Line sum{};
        for (int channel = 0; channel < kChannels; ++channel) {
            if (!frame.plugged(channel)) continue;
            const float* in = frame.in(channel).volts.data();
            const Ramp level = frame.control(channel);
            for (int i = frame.begin; i < frame.end; ++i) sum[i] += 0.01f * level(i) * in[i];
        }
        const Ramp main = frame.control(kMain);
        for (int i = frame.begin; i < frame.end; ++i) sum[i] = 0.01f * main(i) * sum[i];
        Signal* mix = frame.out(0);
        Signal* inverted = frame.out(1);
        for (int i = frame.begin; i < frame.end; ++i) {
            if (mix) (*mix)[i] = sum[i];
            if (inverted) (*inverted)[i] = -sum[i];
        }
    }
};

} // namespace

BlockType mixerType() {
    using enum SignalKind;
    const Scale level = squaredScale(Unit::Percent, 0, 100);
    return {.id = "mixer",
            .name = "Mixer",
            .about = "Sum of four inputs, audio or control",
            .inputs = {{"in-1", "in 1", Audio, -5, 5, "level-1"},
                       {"in-2", "in 2", Audio, -5, 5, "level-2"},
                       {"in-3", "in 3", Audio, -5, 5, "level-3"},
                       {"in-4", "in 4", Audio, -5, 5, "level-4"}},
            .outputs = {{"mix", "mix", Audio}, {"inverted", "inverted", Audio}},
            .controls = {{"level-1", "Level 1", level, 70},
                         {"level-2", "Level 2", level, 70},
                         {"level-3", "Level 3", level, 70},
                         {"level-4", "Level 4", level, 70},
                         {"main", "Main", level, 100}},
            .flows = {{{"in-1", "in-2", "in-3", "in-4"}, Does::Passes, {}, {"main"}}},
            .make = makeBlock<Mixer>};
}

} // namespace lariat
