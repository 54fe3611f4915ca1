// Compressor: one band, stereo, with side-chain.
//
// Level: mean square of the louder side, or of the side-chain, over 10 ms; 0 dB is a sine of 5 V peak. Static curve and
// smoothing: gain_computer.h. out = in · 10^((gain + make-up)/20). `reduction` gives 1 V per 6 dB of gain reduction.
#include "blocks/shapers/gain_computer.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, SideChain };
enum Out { LeftOut, RightOut, Reduction };
enum Control { Threshold, Ratio, Attack, Release, Knee, MakeUp };

class Compressor final : public StatefulBlock<Compressor> {
  public:
    void process(const Frame& frame) {
        GainComputer computer;
        computer.ratio = frame.control(Ratio).start;
        computer.knee = frame.control(Knee).start;
        computer.attack = partPerSample(static_cast<double>(frame.control(Attack).start), frame.rate());
        computer.release = partPerSample(static_cast<double>(frame.control(Release).start), frame.rate());
        const double window = partPerSample(0.01, frame.rate());
        const bool stereo = frame.plugged(Right);
        for (int i = frame.begin; i < frame.end; ++i) {
            computer.threshold = frame.control(Threshold)(i);
            const float left = frame.in(Left)[i];
            const float right = stereo ? frame.in(Right)[i] : left;
            const float key = frame.plugged(SideChain)           ? frame.in(SideChain)[i]
                              : std::abs(left) > std::abs(right) ? left
                                                                 : right;
            const float reduced = state_.rider.run(key, computer, window);
            const float gain = decibelsToGain(reduced + frame.control(MakeUp)(i));
            if (Signal* out = frame.out(LeftOut)) (*out)[i] = gain * left;
            if (Signal* out = frame.out(RightOut)) (*out)[i] = gain * right;
            if (Signal* out = frame.out(Reduction)) (*out)[i] = -reduced / 6.0f;
        }
    }

  private:
    friend class StatefulBlock<Compressor>;
    struct State {
        GainRider rider;
    } state_;
};

} // namespace

BlockType compressorType() {
    using enum SignalKind;
    return {.id = "compressor",
            .name = "Compressor",
            .about = "One band, stereo, with side-chain and its gain reduction as a voltage",
            .inputs = {{"left", "in L", Audio}, {"right", "in R", Audio}, {"side-chain", "side-chain", Audio}},
            .outputs = {{"left-out", "out L", Audio},
                        {"right-out", "out R", Audio},
                        {"reduction", "reduction", SignalKind::Control, 0, 8}},
            .controls = {{"threshold", "Threshold", linearScale(Unit::Decibels, -48, 6), -12},
                         {"ratio", "Ratio", logScale(Unit::Times, 1, 40), 4},
                         {"attack", "Attack", logScale(Unit::Seconds, 0.0002, 0.2), 0.005},
                         {"release", "Release", logScale(Unit::Seconds, 0.01, 3), 0.15},
                         {"knee", "Knee", linearScale(Unit::Decibels, 0.01, 24), 6},
                         {"make-up", "Make-up", linearScale(Unit::Decibels, 0, 30), 0}},
            .flows = {{{"left"}, Does::Passes, {"left-out"}, {"make-up"}},
                      {{"right"}, Does::Passes, {"right-out"}, {"make-up"}},
                      {{"left", "right", "side-chain"}, Does::Moves}},
            .make = makeBlock<Compressor>};
}

} // namespace lariat
