// VCA bank: four amplifiers whose outputs fall through to the next one's sum.
//
// gain = level + amount · V/8 (linear), or 10^((gain - 1)·100/20) of that (exponential), at most +6 dB.
// out n = gain n · in n + what comes from out n-1, unless a plug is in out n-1: then that sum is taken away there, and
// the channels above it are missing further down. With no plugs, out 4 is the mix of all.
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr int kChannels = 4;

class VcaBank final : public StatelessBlock<VcaBank> {
  public:
    void prepare(const Setup& setup) override { plugged_ = setup.pluggedOutputs; }

    void process(const Frame& frame) {
        const int c = frame.section; // one channel after the other, each adding to the sum of those above
        const bool cut = c == 0 || (plugged_ >> (c - 1) & 1u) != 0;
        const Modulated level = modulated(frame, c, kChannels + c, kChannels + c, 12.5f);
        const bool exponential = frame.position(2 * kChannels + c) == 1;
        const Signal& in = frame.in(c);
        for (int i = frame.begin; i < frame.end; ++i) {
            float gain = std::clamp(0.01f * level(i), 0.0f, 2.0f);
            if (exponential) gain = std::min(2.0f, decibelsToGain(100.0f * (gain - 1.0f)));
            sum_[i] = gain * in[i] + (cut ? 0.0f : sum_[i]);
        }
        frame.write(c, [&](int i) { return sum_[i]; });
    }

  private:
    std::uint64_t plugged_ = 0;
    Line sum_; ///< of the present run
};

} // namespace

BlockType vcaBankType() {
    using enum SignalKind;
    std::vector<JackSpec> cvs =
        numbered(kChannels, JackSpec{"cv", "cv", SignalKind::Control, 0, 8, "amount", {{"level", 12.5}}});
    std::vector<BlockSection> sections;
    for (int c = 0; c < kChannels; ++c) sections.push_back({bits({c, kChannels + c}), bits({c})});
    std::vector<Flow> flows; // an output without a plug leads into the next one
    for (int from = 1; from <= kChannels; ++from)
        for (int to = from; to <= kChannels; ++to) {
            const std::string out = wordWithNumber("out", '-', to);
            std::vector<std::string> taken;
            for (int between = from; between < to; ++between) taken.push_back(wordWithNumber("out", '-', between));
            const auto one = [&](const char* input, Does does) {
                Flow flow{{wordWithNumber(input, '-', from)}, does, {out}};
                flow.opener = wordWithNumber("level", '-', from);
                flow.unlessPlugged = taken;
                return flow;
            };
            flows.push_back(one("in", Does::Passes));
            flows.push_back(one("cv", Does::Opens));
        }
    return {.id = "vca-bank",
            .name = "VCA bank",
            .about = "Four amplifiers whose unpatched outputs fall through into the next",
            .inputs = joined({numbered(kChannels, JackSpec{"in", "in", Audio}), cvs}),
            .outputs = numbered(kChannels, JackSpec{"out", "out", Audio}),
            .controls =
                joined({numbered(kChannels, ControlSpec{"level", "Level", percent(), 0}),
                        numbered(kChannels, ControlSpec{"amount", "CV", bipolarPercent(), 100}),
                        numbered(kChannels, ControlSpec{"law", "Law", switchScale({"linear", "exponential"}), 0})}),
            .flows = flows,
            .make = makeBlock<VcaBank>,
            .sections = sections};
}

} // namespace lariat
