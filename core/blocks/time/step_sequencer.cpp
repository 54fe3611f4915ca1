// Step CV sequencer: sixteen faders, one after another, unquantized.
//
// A rising edge at clock goes on to the next step, as soon as the present one has lasted as many clock pulses as its
// length says; one at reset goes to the first. out is the fader's volts, gate is high
// for the step's half, 5 ms pulses come out at the first step. Merged, a step keeps the fader before it and gives no
// new gate. Length = length + V·amount (1.6 steps a volt) sets how many steps are played. With slew the CV glides in a
// straight line over that part of the step.
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { ClockIn, Reset, LengthCv };
enum Out { Cv, GateOut, First };
constexpr int kSteps = 16;
constexpr int kMostPulses = 8; ///< that a step may last
enum Control { Fader = 0, Merge = kSteps, Length = 2 * kSteps, LengthAmount, Range, Slew, Pulses };

class StepSequencer final : public StatefulBlock<StepSequencer> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        s.gate.start(frame, GateOut);
        s.first.start(frame, First);
        Walk walk(frame);
        const auto one = [&](int i) {
            const float target = frame.control(Fader + s.shown)(i) * 0.01f * frame.control(Range)(i);
            const double glide =
                0.01 * static_cast<double>(frame.control(Slew).start) * s.interval * s.pulses; // samples
            const double way = static_cast<double>(target - s.from);
            s.passed += 1.0;
            const double part = glide > s.passed ? s.passed / glide : 1.0;
            s.now = s.from + static_cast<float>(part * way);
            if (Signal* out = frame.out(Cv)) (*out)[i] = s.now;
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gates.inOrder(frame, {ClockIn, Reset}, until, [&](int which, const Edge& edge) {
            if (!edge.rising) return;
            const auto at = static_cast<double>(edge.at);
            if (which == 1) {
                s.step = -1;
                s.left = 0;
                return;
            }
            if (at - s.last > 1.0 && s.last > -1e12) s.interval = at - s.last;
            s.last = at;
            if (--s.left > 0) return;
            const int i = frame.sampleAt(at);
            const float more = 0.016f * frame.control(LengthAmount).start * frame.in(LengthCv)[i];
            const int length = std::clamp(frame.position(Length) + 1 + static_cast<int>(std::lround(more)), 1, kSteps);
            s.step = (s.step + 1) % length;
            s.pulses = s.left = frame.position(Pulses + s.step) + 1;
            const double half = 0.5 * s.interval * s.pulses;
            if (s.step == 0) s.first.fire(at, kTriggerSeconds * frame.rate(), kGateVolts);
            if (s.step > 0 && frame.position(Merge + s.step) == 1) {
                s.gate.raise(at, kGateVolts);
                s.gate.fire(at, half, kGateVolts);
                return;
            }
            s.shown = s.step;
            s.from = s.now;
            s.passed = 0.0;
            s.gate.drop(at);
            const bool runsOn = s.step + 1 < length && frame.position(Merge + s.step + 1) == 1;
            s.gate.fire(at, runsOn ? kNever : half, kGateVolts);
        });
        walk.toEnd(one);
        s.gate.finish(frame);
        s.first.finish(frame);
        if (frame.endsRun()) s.last -= kRun;
    }

    /// Told: the step, -1 before the first.
    void tell(Told& told) const override { told[0] = state_.step; }

  private:
    friend class StatefulBlock<StepSequencer>;
    struct State {
        GateBank<2> gates;
        PulseWriter gate;
        PulseWriter first;
        int step = -1;
        int shown = 0;
        int left = 0;   ///< clock pulses that the step goes on for
        int pulses = 1; ///< that it lasts in all
        float now = 0.0f;
        float from = 0.0f;   ///< where the glide to this step began
        double passed = 0.0; ///< samples since then
        double last = -1e18;
        double interval = 12000.0;
    } state_;
};

} // namespace

BlockType stepSequencerType() {
    using enum SignalKind;
    return {.id = "step-sequencer",
            .name = "Step sequencer",
            .about = "Sixteen faders, one step per clock",
            .inputs = {{"clock", "clock", Clock, 0, 8},
                       {"reset", "reset", Gate, 0, 8},
                       {"length-cv", "length cv", Control, 0, 10, "length-amount"}},
            .outputs = {{"cv", "cv", Control, -5, 5}, {"gate", "gate", Gate, 0, 8}, {"first", "first", Gate, 0, 8}},
            .controls = joined({numbered(kSteps, ControlSpec{"fader", "Step", bipolarPercent(), 0}),
                                numbered(kSteps, ControlSpec{"merge", "Merge", switchScale({"new", "merged"}), 0}),
                                {{"length", "Length", countScale(1, kSteps), 7},
                                 {"length-amount", "Length CV", percent(), 100},
                                 {"range", "Range", linearScale(Unit::Volts, 1, 10), 5},
                                 {"slew", "Slew", percent(), 0}},
                                numbered(kSteps, ControlSpec{"pulses", "Pulses", countScale(1, kMostPulses), 0})}),
            .flows = {{{"reset"}, Does::Resets}},
            .make = makeBlock<StepSequencer>};
}

} // namespace lariat
