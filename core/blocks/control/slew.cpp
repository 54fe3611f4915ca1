// Slew, or lag: limits how fast a voltage moves.
//
// Linear: at most 10 V per rise or fall time. Exponential: toward the input with a time constant of a fifth of the rise
// or fall time, so that 99.3 % of the way is done in it. Times are knob · 2^(V·amount).
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Input, TimeCv };
enum Control { Rise, Fall, Law, TimeAmount };

class Slew final : public StatefulBlock<Slew> {
  public:
    void process(const Frame& frame) {
        double& now = state_.now; // in double, so that it arrives however slow it is
        const bool linear = frame.position(Law) == 0;
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto target = static_cast<double>(frame.in(Input)[i]);
            const float octaves = 0.01f * frame.control(TimeAmount)(i) * frame.in(TimeCv)[i];
            const float stretch = fastExp2(std::clamp(octaves, -16.0f, 16.0f));
            const float seconds = (target > now ? frame.control(Rise)(i) : frame.control(Fall)(i)) * stretch;
            const double samples = static_cast<double>(seconds) * frame.rate();
            if (samples < 1.0)
                now = target;
            else if (linear)
                now += std::clamp(target - now, -10.0 / samples, 10.0 / samples);
            else
                now += (target - now) * partOf(samples);
            if (!std::isfinite(now)) now = 0.0;
            if (Signal* out = frame.out(0)) (*out)[i] = static_cast<float>(now);
        }
    }

  private:
    friend class StatefulBlock<Slew>;

    /// 1 - e^(-5/samples).
    double partOf(double samples) {
        if (samples != partFor_) {
            partFor_ = samples;
            part_ = -std::expm1(-5.0 / samples);
        }
        return part_;
    }

    struct State {
        double now = 0.0;
    } state_;
    double partFor_ = -1.0; ///< the length of part_, so that a still knob costs nothing
    double part_ = 0.0;
};

} // namespace

BlockType slewType() {
    using enum SignalKind;
    const Scale time = squaredScale(Unit::Seconds, 0, 10);
    return {.id = "slew",
            .name = "Slew",
            .about = "Limits how fast a voltage rises and falls",
            .inputs = {{"in", "in", SignalKind::Control, -5, 8},
                       {"time-cv", "time cv", SignalKind::Control, -5, 8, "time-amount"}},
            .outputs = {{"out", "out", SignalKind::Control, -5, 8}},
            .controls = {{"rise", "Rise", time, 0.05},
                         {"fall", "Fall", time, 0.05},
                         {"law", "Law", switchScale({"linear", "exponential"}), 0},
                         {"time-amount", "Time CV", bipolarPercent(), 0}},
            .flows = {{{"in"}, Does::Passes}},
            .make = makeBlock<Slew>};
}

} // namespace lariat
