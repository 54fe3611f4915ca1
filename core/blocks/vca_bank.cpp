// VCA bank: four amplifiers whose outputs fall through to the next one's sum.
//
// gain = level + amount · V/8 (linear), or 10^((gain - 1)·100/20) of that (exponential), at most +6 dB.
// out n = gain n · in n + what comes from out n-1, unless a plug is in out n-1: then that sum is taken away there, and
// the channels above it are missing further down. With no plugs, out 4 is the mix of all.
#include "blocks/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr int kChannels = 4;

class VcaBank final : public StatefulBlock<VcaBank> {
  public:
    void prepare(const Setup& setup) override { plugged_ = setup.pluggedOutputs; }

    void process(const Frame& frame) override {
        std::array<float, kRun> sum{};
        for (int c = 0; c < kChannels; ++c) {
            if (c > 0 && (plugged_ >> (c - 1) & 1u) != 0) sum.fill(0.0f);
            const Modulated level = modulated(frame, c, kChannels + c, kChannels + c, 12.5f);
            const bool exponential = frame.position(2 * kChannels + c) == 1;
            const float* in = frame.in(c).volts.data();
            for (int i = frame.begin; i < frame.end; ++i) {
                float gain = std::clamp(0.01f * level(i), 0.0f, 2.0f);
                if (exponential) gain = std::min(2.0f, decibelsToGain(100.0f * (gain - 1.0f)));
                sum[static_cast<std::size_t>(i)] += gain * in[i];
            }
            frame.write(c, [&](int i) { return sum[static_cast<std::size_t>(i)]; });
        }
    }

  private:
    friend class StatefulBlock<VcaBank>;
    std::uint64_t plugged_ = 0;
    struct State {
    } state_;
};

} // namespace

BlockType vcaBankType() {
    using enum SignalKind;
    std::vector<JackSpec> cvs = numbered(kChannels, JackSpec{"cv", "cv", SignalKind::Control, 0, 8, "amount"});
    return {"vca-bank",
            "VCA bank",
            "Four amplifiers whose unpatched outputs fall through into the next",
            joined({numbered(kChannels, JackSpec{"in", "in", Audio}), cvs}),
            numbered(kChannels, JackSpec{"out", "out", Audio}),
            joined({numbered(kChannels, ControlSpec{"level", "Level", percent(), 0}),
                    numbered(kChannels, ControlSpec{"amount", "CV", bipolarPercent(), 100}),
                    numbered(kChannels, ControlSpec{"law", "Law", switchScale({"linear", "exponential"}), 0})}),
            makeBlock<VcaBank>};
}

} // namespace lariat
