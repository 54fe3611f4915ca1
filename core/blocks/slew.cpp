// Slew, or lag: limits how fast a voltage moves.
//
// Linear: at most 10 V per rise or fall time. Exponential: toward the input with a time constant of a fifth of the rise
// or fall time, so that 99.3 % of the way is done in it. Times are knob · 2^(V·amount).
#include "blocks/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Input, TimeCv };
enum Control { Rise, Fall, Law, TimeAmount };

class Slew final : public StatefulBlock<Slew> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        float& now = state_.now;
        const bool linear = frame.position(Law) == 0;
        const auto rate = static_cast<float>(frame.rate);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float target = frame.in(Input)[i];
            const float octaves = 0.01f * frame.control(TimeAmount)(i) * frame.in(TimeCv)[i];
            const float stretch = fastExp2(std::clamp(octaves, -16.0f, 16.0f));
            const float samples = (target > now ? frame.control(Rise)(i) : frame.control(Fall)(i)) * stretch * rate;
            if (samples < 1.0f)
                now = target;
            else if (linear)
                now += std::clamp(target - now, -10.0f / samples, 10.0f / samples);
            else
                now += (target - now) * (1.0f - fastExp2(-7.2134752f / samples)); // e^(-5/samples)
            if (!std::isfinite(now)) now = 0.0f;
            if (Signal* out = frame.out(0)) (*out)[i] = now;
        }
    }

  private:
    friend class StatefulBlock<Slew>;
    struct State {
        float now = 0.0f;
    } state_;
};

} // namespace

BlockType slewType() {
    using enum SignalKind;
    const Scale time = squaredScale(Unit::Seconds, 0, 10);
    return {
        "slew",
        "Slew",
        "Limits how fast a voltage rises and falls",
        {{"in", "in", SignalKind::Control, -5, 8}, {"time-cv", "time cv", SignalKind::Control, -5, 8, "time-amount"}},
        {{"out", "out", SignalKind::Control, -5, 8}},
        {{"rise", "Rise", time, 0.05},
         {"fall", "Fall", time, 0.05},
         {"law", "Law", switchScale({"linear", "exponential"}), 0},
         {"time-amount", "Time CV", bipolarPercent(), 0}},
        makeBlock<Slew>};
}

} // namespace lariat
