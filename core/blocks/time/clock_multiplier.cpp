// Clock multiplier: ×2…×16 pulses within each interval of a clock.
//
// After each rising edge the pulses of that interval are laid out over the length of the last one, so that a change of
// tempo is followed within one pulse; pulses that the next edge overtakes are left out. Shuffle moves every second
// pulse late by up to a third of two pulses. The factor is factor + V·amount (3 steps a volt). `Hold` high keeps the
// outputs still (a mute that keeps the count).
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { ClockIn, FactorCv, HoldIn };
enum Out { Multiplied, Thru };
enum Control { Factor, FactorAmount, Shuffle };

class ClockMultiplier final : public StatefulBlock<ClockMultiplier> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        s.out.start(frame, Multiplied);
        s.thru.start(frame, Thru);
        const auto until = [&](double at) { give(frame, at - 1e-6); };
        s.gates.inOrder(frame, {ClockIn, HoldIn}, until, [&](int which, const Edge& edge) {
            const auto at = static_cast<double>(edge.at);
            if (which != 0) return;
            if (!edge.rising) return s.thru.drop(at);
            s.thru.raise(at, kGateVolts);
            if (s.last > -1e12 && at - s.last > 1.0) s.interval = at - s.last;
            s.last = at;
            s.done = 0;
            give(frame, at);
        });
        give(frame, frame.end - 1.0);
        s.out.finish(frame);
        s.thru.finish(frame);
        if (frame.endsRun()) s.last -= kRun;
    }

  private:
    friend class StatefulBlock<ClockMultiplier>;

    void give(const Frame& frame, double to) {
        State& s = state_;
        const int i = std::clamp(static_cast<int>(to), frame.begin, frame.end - 1);
        const float cv = 0.03f * frame.control(FactorAmount).start * frame.in(FactorCv)[i];
        const int factor = std::clamp(2 + frame.position(Factor) + static_cast<int>(std::lround(cv)), 2, 16);
        const double shuffle = 0.01 * static_cast<double>(frame.control(Shuffle).start) * 2.0 / 3.0;
        while (s.interval > 0.0 && s.done < factor) {
            const double pulse = s.interval / factor;
            const double at = s.last + pulse * (s.done + (s.done % 2 == 1 ? shuffle : 0.0));
            if (at > to) return;
            if (!s.gates.high(1)) s.out.fire(at, 0.5 * pulse * (1.0 - shuffle), kGateVolts);
            ++s.done;
        }
    }

    struct State {
        GateBank<2> gates;
        PulseWriter out;
        PulseWriter thru;
        double last = -1e18;
        double interval = 0.0;
        int done = 99; ///< pulses given in this interval
    } state_;
};

} // namespace

BlockType clockMultiplierType() {
    using enum SignalKind;
    return {.id = "clock-multiplier",
            .name = "Clock multiplier",
            .about = "Two to sixteen pulses for each one, with shuffle",
            .inputs = {{"clock", "clock", Clock, 0, 8},
                       {"factor-cv", "factor cv", Control, 0, 5, "factor-amount"},
                       {"hold", "hold", Gate, 0, 8}},
            .outputs = {{"out", "out", Clock, 0, 8}, {"thru", "thru", Clock, 0, 8}},
            .controls = {{"factor", "Times", countScale(2, 16), 2},
                         {"factor-amount", "Times CV", bipolarPercent(), 100},
                         {"shuffle", "Shuffle", percent(), 0}},
            .flows = {{{"hold"}, Does::Holds}},
            .make = makeBlock<ClockMultiplier>};
}

} // namespace lariat
