// Sample & hold, track & hold.
//
// At a rising edge `held` takes the input's value at the exact time of the edge (by linear interpolation between the
// samples around it) and keeps it. `tracked` follows the input while the trigger is high and keeps the last value while
// it is low. With nothing at `in`, seeded white noise of ±5 V is sampled; with nothing at `trigger`, an inner clock.
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, Trigger };
enum Out { Held, Tracked };
enum Control { Rate, Droop };

class SampleHold final : public StatefulBlock<SampleHold> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) {
        State& s = state_;
        const bool own = !frame.plugged(Input);
        Walk walk(frame);
        const double keep = std::exp(-0.01 * static_cast<double>(frame.control(Droop).start) / frame.rate());
        const auto one = [&](int i) {
            const float now = own ? 5.0f * s.random.bipolar() : frame.in(Input)[i];
            if (!frame.plugged(Trigger)) {
                s.phase += static_cast<double>(frame.control(Rate)(i)) / frame.rate();
                if (s.phase >= 1.0) {
                    s.phase -= std::floor(s.phase);
                    s.held = static_cast<double>(now);
                }
            }
            s.before = now;
            s.held *= keep;
            if (s.gate.high(0)) s.tracked = now;
            if (Signal* out = frame.out(Held)) (*out)[i] = static_cast<float>(s.held);
            if (Signal* out = frame.out(Tracked)) (*out)[i] = s.tracked;
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gate.inOrder(frame, {Trigger}, until, [&](int, const Edge& edge) {
            if (!edge.rising) return;
            const int i = frame.sampleAt(edge.at);
            const float now = own ? 5.0f * s.random.bipolar() : frame.in(Input)[i];
            const float part = std::clamp(edge.at - static_cast<float>(i - 1), 0.0f, 1.0f);
            s.held = static_cast<double>(own ? now : s.before + part * (now - s.before));
            if (!std::isfinite(s.held)) s.held = 0.0;
        });
        walk.toEnd(one);
    }

  private:
    friend class StatefulBlock<SampleHold>;
    struct State {
        GateBank<1> gate;
        Random random;
        double phase = 0.0;
        float before = 0.0f;
        double held = 0.0; ///< in double, so that a slow droop is not lost to rounding
        float tracked = 0.0f;
    } state_;
};

} // namespace

BlockType sampleHoldType() {
    using enum SignalKind;
    return {
        .id = "sample-hold",
        .name = "Sample & hold",
        .about = "Keeps a voltage at each trigger, or while the trigger is low",
        .inputs = {{"in", "in", SignalKind::Control, -5, 5}, {"trigger", "trigger", Gate, 0, 8}},
        .outputs = {{"held", "held", SignalKind::Control, -5, 5}, {"tracked", "tracked", SignalKind::Control, -5, 5}},
        .controls = {{"rate", "Rate", logScale(Unit::Hertz, 0.05, 100), 4},
                     {"droop", "Droop", linearScale(Unit::Percent, 0, 100), 0}},
        .flows = {{{"in"}, Does::Passes}, {{"trigger"}, Does::Times}},
        .make = makeBlock<SampleHold>};
}

} // namespace lariat
