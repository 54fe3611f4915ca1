// Sample & hold, track & hold.
//
// At a rising edge `held` takes the input's value at the exact time of the edge (by linear interpolation between the
// samples around it) and keeps it. `tracked` follows the input while the trigger is high and keeps the last value while
// it is low. With nothing at `in`, seeded white noise of ±5 V is sampled; with nothing at `trigger`, an inner clock.
#include "blocks/pulses.h"
#include "blocks/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, Trigger };
enum Out { Held, Tracked };
enum Control { Rate, Droop };

class SampleHold final : public StatefulBlock<SampleHold> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) override {
        State& s = state_;
        const bool own = !frame.plugged(Input);
        Walk walk(frame);
        const auto keep =
            static_cast<float>(std::exp(-0.01 * static_cast<double>(frame.control(Droop).start) / frame.rate));
        const auto one = [&](int i) {
            const float now = own ? 5.0f * s.random.bipolar() : frame.in(Input)[i];
            if (!frame.plugged(Trigger)) {
                s.phase += static_cast<double>(frame.control(Rate)(i)) / frame.rate;
                if (s.phase >= 1.0) {
                    s.phase -= std::floor(s.phase);
                    s.held = now;
                }
            }
            s.before = now;
            s.held *= keep;
            if (s.gate.high(0)) s.tracked = now;
            if (Signal* out = frame.out(Held)) (*out)[i] = s.held;
            if (Signal* out = frame.out(Tracked)) (*out)[i] = s.tracked;
        };
        s.gate.inOrder(frame, {Trigger}, [&](int, const Edge& edge) {
            walk.upTo(static_cast<double>(edge.at), one);
            if (!edge.rising) return;
            const int i = std::clamp(static_cast<int>(std::ceil(edge.at)), frame.begin, frame.end - 1);
            const float now = own ? 5.0f * s.random.bipolar() : frame.in(Input)[i];
            const float part = std::clamp(edge.at - static_cast<float>(i - 1), 0.0f, 1.0f);
            s.held = own ? now : s.before + part * (now - s.before);
            if (!std::isfinite(s.held)) s.held = 0.0f;
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
        float held = 0.0f;
        float tracked = 0.0f;
    } state_;
};

} // namespace

BlockType sampleHoldType() {
    using enum SignalKind;
    return {"sample-hold",
            "Sample & hold",
            "Keeps a voltage at each trigger, or while the trigger is low",
            {{"in", "in", SignalKind::Control, -5, 5}, {"trigger", "trigger", Gate, 0, 8}},
            {{"held", "held", SignalKind::Control, -5, 5}, {"tracked", "tracked", SignalKind::Control, -5, 5}},
            {{"rate", "Rate", logScale(Unit::Hertz, 0.05, 100), 4},
             {"droop", "Droop", linearScale(Unit::Percent, 0, 100), 0}},
            makeBlock<SampleHold>};
}

} // namespace lariat
