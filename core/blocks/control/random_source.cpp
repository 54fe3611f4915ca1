// Random source: stepped and smooth random voltages, free or clocked, seeded.
//
// At each step a value is drawn evenly from ±5 V, and mixed with the last by `correlation`: new = c · last +
// sqrt(1 - c²) · drawn, so that the spread stays. `stepped` jumps to it; `smooth` goes to it along a raised cosine over
// the step, so that neither it nor its slope jumps. `gate` is high for steps above 0 V, `pulse` marks each step.
// Free, a step lasts 1/rate; clocked, the last interval between edges.
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { ClockIn, RateCv };
enum Out { Stepped, Smooth, GateOut, Pulse };
enum Control { Rate, RateAmount, Correlation, Level };

class RandomSource final : public StatefulBlock<RandomSource> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) {
        State& s = state_;
        s.gate.start(frame, GateOut);
        s.pulse.start(frame, Pulse);
        const bool clocked = frame.plugged(ClockIn);
        Walk walk(frame);
        const auto one = [&](int i) {
            const float octaves = 0.01f * frame.control(RateAmount)(i) * frame.in(RateCv)[i];
            const double turn =
                clocked ? 1.0 / s.interval
                        : static_cast<double>(frame.control(Rate)(i) * fastExp2(std::clamp(octaves, -16.0f, 12.0f))) /
                              frame.rate();
            s.phase += turn;
            if (s.phase >= 1.0) {
                if (!clocked) step(frame, i - (s.phase - 1.0) / turn);
                s.phase = clocked ? 1.0 : s.phase - std::floor(s.phase);
            }
            const float level = 0.01f * frame.control(Level)(i);
            const auto p = static_cast<float>(s.phase);
            const float part = 0.5f - 0.5f * fastSinTurn(0.25f + 0.5f * p); // raised cosine
            if (Signal* out = frame.out(Stepped)) (*out)[i] = level * s.now;
            if (Signal* out = frame.out(Smooth)) (*out)[i] = level * (s.from + part * (s.now - s.from));
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.clock.inOrder(frame, {ClockIn}, until, [&](int, const Edge& edge) {
            if (!edge.rising) return;
            const double at = static_cast<double>(edge.at);
            if (at - s.last > 1.0 && s.last > -1e12) s.interval = at - s.last;
            s.last = at;
            s.phase = 0.0;
            step(frame, at);
        });
        walk.toEnd(one);
        s.gate.finish(frame);
        s.pulse.finish(frame);
        if (frame.endsRun()) s.last -= kRun;
    }

  private:
    friend class StatefulBlock<RandomSource>;

    void step(const Frame& frame, double at) {
        State& s = state_;
        const float c = 0.01f * frame.control(Correlation).start;
        s.from = s.now;
        s.now = std::clamp(c * s.now + std::sqrt(1.0f - c * c) * 5.0f * s.random.bipolar(), -5.0f, 5.0f);
        s.now > 0.0f ? s.gate.raise(at, kGateVolts) : s.gate.drop(at);
        s.pulse.fire(at, kTriggerSeconds * frame.rate(), kGateVolts);
    }

    struct State {
        GateBank<1> clock;
        PulseWriter gate;
        PulseWriter pulse;
        Random random;
        double phase = 1.0;
        double interval = 24000.0;
        double last = -1e18;
        float from = 0.0f;
        float now = 0.0f;
    } state_;
};

} // namespace

BlockType randomSourceType() {
    using enum SignalKind;
    return {
        .id = "random-source",
        .name = "Random source",
        .about = "Stepped and smooth random voltages, free or clocked",
        .inputs = {{"clock", "clock", Clock, 0, 8}, {"rate-cv", "rate cv", SignalKind::Control, -5, 5, "rate-amount"}},
        .outputs = {{"stepped", "stepped", SignalKind::Control, -5, 5},
                    {"smooth", "smooth", SignalKind::Control, -5, 5},
                    {"gate", "gate", Gate, 0, 8},
                    {"pulse", "pulse", Gate, 0, 8}},
        .controls = {{"rate", "Rate", logScale(Unit::Hertz, 0.02, 200), 2},
                     {"rate-amount", "Rate CV", bipolarPercent(), 100},
                     {"correlation", "Correlation", percent(), 0},
                     {"level", "Level", percent(), 100}},
        .make = makeBlock<RandomSource>};
}

} // namespace lariat
