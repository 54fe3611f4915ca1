// Trigger pattern: Euclidean rhythms and seeded random gates.
//
// Euclidean: `fill` hits spread as evenly as whole steps allow over `length`; step i, rotated, is a hit where
// (i · fill) mod length < fill (Toussaint 2005, by Bresenham's line). Density CV adds length/10 hits a volt. Random:
// each step is a hit with the probability fill/length, drawn anew (seeded). Each hit is played with its probability;
// those that are not come out at `missed`. Gates last for half of the clock's last interval.
#include "blocks/parts/euclid.h"
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { ClockIn, Reset, DensityCv, ProbabilityCv };
enum Out { Hits, Rests, Missed, First };
enum Control { Mode, Length, Fill, Rotate, Probability, DensityAmount, ProbabilityAmount };

class TriggerPattern final : public StatefulBlock<TriggerPattern> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) {
        State& s = state_;
        for (int o = 0; o < 4; ++o) s.outs[o].start(frame, o);
        s.gates.inOrder(frame, {ClockIn, Reset}, [&](int which, const Edge& edge) {
            if (!edge.rising) return;
            if (which == 1)
                s.step = -1;
            else
                pulse(frame, edge.at);
        });
        for (PulseWriter& out : s.outs) out.finish(frame);
        if (frame.endsRun()) s.last -= kRun;
    }

    /// Told: the step, -1 before the first.
    void tell(Told& told) const override { told[0] = state_.step; }

  private:
    friend class StatefulBlock<TriggerPattern>;

    void pulse(const Frame& frame, double at) {
        State& s = state_;
        if (at - s.last > 1.0 && s.last > -1e12) s.interval = at - s.last;
        s.last = at;
        const int i = frame.sampleAt(at);
        const int length = 1 + frame.position(Length);
        const float more =
            0.001f * frame.control(DensityAmount).start * frame.in(DensityCv)[i] * static_cast<float>(length);
        const int fill = std::clamp(frame.position(Fill) + static_cast<int>(std::lround(more)), 0, length);
        s.step = (s.step + 1) % length;
        const bool hit = frame.position(Mode) == 0 ? isEuclideanHit(s.step, length, fill, frame.position(Rotate))
                                                   : chance() * static_cast<float>(length) < static_cast<float>(fill);
        const float probability = 0.01f * modulated(frame, Probability, ProbabilityCv, ProbabilityAmount, 10.0f)(i);
        const bool played = hit && chance() < probability;
        const double open = s.interval > 0.0 ? 0.5 * s.interval : kTriggerSeconds * frame.rate();
        const auto strike = [&](PulseWriter& out) {
            out.drop(at);
            out.fire(at, open, kGateVolts);
        };
        if (s.step == 0) strike(s.outs[First]);
        strike(s.outs[played ? Hits : hit ? Missed : Rests]);
    }

    float chance() { return 0.5f * (state_.random.bipolar() + 1.0f); }

    struct State {
        GateBank<2> gates;
        PulseWriter outs[4];
        Random random;
        int step = -1;
        double last = -1e18;
        double interval = 0.0; ///< 0: not known yet
    } state_;
};

} // namespace

BlockType triggerPatternType() {
    using enum SignalKind;
    return {.id = "trigger-pattern",
            .name = "Trigger pattern",
            .about = "Euclidean rhythms and random gates",
            .inputs = {{"clock", "clock", Clock, 0, 8},
                       {"reset", "reset", Gate, 0, 8},
                       {"density-cv", "density cv", SignalKind::Control, -5, 8, "density-amount"},
                       {"probability-cv", "chance cv", SignalKind::Control, -5, 8, "probability-amount"}},
            .outputs = {{"hits", "hits", Gate, 0, 8},
                        {"rests", "rests", Gate, 0, 8},
                        {"missed", "missed", Gate, 0, 8},
                        {"first", "first", Gate, 0, 8}},
            .controls = {{"mode", "Mode", switchScale({"Euclidean", "random"}), 0},
                         {"length", "Length", countScale(1, 32), 15},
                         {"fill", "Fill", countScale(0, 32), 4},
                         {"rotate", "Rotate", countScale(0, 31), 0},
                         {"probability", "Chance", percent(), 100},
                         {"density-amount", "Density CV", bipolarPercent(), 0},
                         {"probability-amount", "Chance CV", bipolarPercent(), 0}},
            .flows = {{{"reset"}, Does::Resets}},
            .make = makeBlock<TriggerPattern>};
}

} // namespace lariat
