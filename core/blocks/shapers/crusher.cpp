// Bit and rate reducer: holds the input at `rate`, and rounds it to `bits` over ±5 V.
//
// The held samples are steps, each placed at its own sub-sample time and band-limited (blep.h), so that only the images
// which a reducer is meant to make are heard, none that fold at our own rate. A clock at `clock` sets the moments
// instead.
#include "blocks/parts/blep.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, ClockIn, RateCv };
enum Control { Rate, Bits, RateAmount };

class Crusher final : public StatefulBlock<Crusher> {
  public:
    void prepare(const Setup&) override { blepTable(); }
    void process(const Frame& frame) {
        State& s = state_;
        const bool clocked = frame.plugged(ClockIn);
        const float steps = fastExp2(frame.control(Bits).start) * 0.1f; // per volt
        const auto hold = [&](int i, float at) {
            const float part = std::clamp(at - static_cast<float>(i - 1), 0.0f, 1.0f);
            const float in = s.before + part * (frame.in(Input)[i] - s.before);
            float next = std::round(std::clamp(in, -12.0f, 12.0f) * steps) / steps;
            if (!std::isfinite(next)) next = 0.0f;
            s.corners.jump(at - static_cast<float>(frame.begin), next - s.held);
            s.held = next;
        };
        Walk walk(frame);
        const auto one = [&](int i) {
            if (!clocked) {
                const float octaves = 0.01f * frame.control(RateAmount)(i) * frame.in(RateCv)[i];
                const float turn =
                    std::min(1.0f, frame.control(Rate)(i) * fastExp2(std::clamp(octaves, -12.0f, 12.0f)) /
                                       static_cast<float>(frame.rate()));
                s.phase += turn;
                if (s.phase >= 1.0f) {
                    s.phase -= 1.0f;
                    hold(i, static_cast<float>(i) - s.phase / turn);
                }
            }
            s.before = frame.in(Input)[i];
            s.corners.line()[i - frame.begin] += s.held;
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.clock.inOrder(frame, {ClockIn}, until, [&](int, const Edge& edge) {
            if (edge.rising) hold(frame.sampleAt(edge.at), edge.at);
        });
        walk.toEnd(one);
        Line volts;
        s.corners.flush(volts.data(), frame.end - frame.begin);
        frame.write(0, [&](int i) { return volts[i - frame.begin]; });
    }

  private:
    friend class StatefulBlock<Crusher>;
    struct State {
        GateBank<1> clock;
        Corners corners;
        float phase = 0.0f;
        float before = 0.0f;
        float held = 0.0f;
    } state_;
};

} // namespace

BlockType crusherType() {
    using enum SignalKind;
    return {.id = "crusher",
            .name = "Bit and rate reducer",
            .about = "Fewer samples, fewer bits",
            .inputs = {{"in", "in", Audio},
                       {"clock", "clock", Audio},
                       {"rate-cv", "rate cv", SignalKind::Control, -5, 8, "rate-amount"}},
            .outputs = {{"out", "out", Audio}},
            .controls = {{"rate", "Rate", logScale(Unit::Hertz, 100, 40000), 8000},
                         {"bits", "Bits", linearScale(Unit::None, 1, 16), 8},
                         {"rate-amount", "Rate CV", bipolarPercent(), 100}},
            .flows = {{{"in"}, Does::Passes}, {{"clock"}, Does::Times}},
            .make = makeBlock<Crusher>};
}

} // namespace lariat
