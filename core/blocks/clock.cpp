// Clock: square pulses of 5 V at fixed divisions of a tempo, all counted from one song position.
//
// The position in beats advances by tempo/60 per second; an output of d pulses per beat rises where position·d
// is whole and falls half a pulse later. Every edge carries the exact time at which the position is passed.
// Swing moves every second 16th to `swing` per cent of its eighth. A rising edge at reset starts over at zero.
#include "blocks/gate.h"
#include "blocks/types.h"

#include <cmath>

namespace lariat {
namespace {

enum In { Reset };
enum Out { Bar, Beat, Eighths, Sixteenths, Ppqn24, ResetOut };
enum Control { Tempo, Swing };

constexpr int kOutputs = 6;
constexpr float kHigh = 5.0f;
constexpr double kResetPulse = 0.005; ///< seconds
constexpr double kFinest = 48.0;      ///< changes per beat of the fastest output

class Clock final : public StatefulBlock<Clock> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        State& s = state_;
        if (frame.transport->rewind) {
            s.position = 0.0;
            s.fresh = true;
        }
        for (int o = 0; o < kOutputs; ++o) s.writer[o].start(frame.out(o), frame.begin);
        const double perSample = frame.transport->running ? frame.control(Tempo).start / 60.0 / frame.rate : 0.0;
        const double swing = 0.01 * frame.control(Swing).start;
        std::span<const Edge> resets;
        if (frame.plugged(Reset)) resets = s.reset.read(frame.in(Reset), frame.begin, frame.end);

        double now = frame.begin - 1.0;
        for (const Edge& edge : resets) {
            if (!edge.rising) continue;
            walk(frame, now, edge.at, perSample, swing);
            now = edge.at;
            s.position = 0.0;
            s.fresh = true;
        }
        walk(frame, now, frame.end - 1.0, perSample, swing);
        for (int o = 0; o < kOutputs; ++o) s.writer[o].finish(frame.end);
        frame.transport->beats = s.position;
    }

  private:
    friend class StatefulBlock<Clock>;

    /// Levels of all outputs at a song position, except the reset pulse.
    static std::array<bool, kOutputs> levels(double position, double swing) {
        const auto half = [&](double perBeat) { return std::fmod(std::floor(position * perBeat * 2.0), 2.0) == 0.0; };
        const double eighth = position * 2.0 - std::floor(position * 2.0);
        const double shorter = 0.5 * std::min(swing, 1.0 - swing);
        const bool sixteenth = eighth < swing ? eighth < shorter : eighth - swing < shorter;
        return {half(0.25), half(1.0), half(2.0), sixteenth, half(24.0), false};
    }

    void apply(float at, const std::array<bool, kOutputs>& high) {
        for (int o = 0; o < kOutputs; ++o) {
            const auto slot = static_cast<std::size_t>(o);
            if (o != ResetOut) state_.writer[o].change(at, high[slot], high[slot] ? kHigh : 0.0f);
        }
    }

    /// Position zero anew: what was high falls and rises again, so that a reset is an edge for everybody.
    void restart(const Frame& frame, float at, double swing) {
        State& s = state_;
        s.fresh = false;
        apply(at, {});
        s.writer[ResetOut].change(at, false, 0.0f);
        s.writer[ResetOut].change(at, true, kHigh);
        s.resetLeft = kResetPulse * frame.rate;
        apply(at, levels(s.position, swing));
    }

    void walk(const Frame& frame, double from, double to, double perSample, double swing) {
        State& s = state_;
        if (perSample <= 0.0) return;
        if (s.fresh) restart(frame, static_cast<float>(from), swing);
        if (s.resetLeft > 0.0) {
            const double end = from + s.resetLeft;
            if (end <= to) s.writer[ResetOut].change(static_cast<float>(end), false, 0.0f);
            s.resetLeft -= to - from;
        }
        const double target = s.position + (to - from) * perSample;
        // Candidates for a change: the grid of the finest output and the swung places in the eighth. One that the last
        // walk may have missed by a rounding is looked at again; levels that stand already change nothing.
        double at = s.position - 1e-9;
        for (;;) {
            double next = (std::floor(at * kFinest) + 1.0) / kFinest;
            const double eighth = std::floor(at * 2.0) / 2.0;
            const double shorter = 0.25 * std::min(swing, 1.0 - swing);
            for (const double place : {shorter, 0.5 * swing, 0.5 * swing + shorter})
                if (eighth + place > at && eighth + place < next) next = eighth + place;
            if (next > target) break;
            apply(static_cast<float>(from + (next - s.position) / perSample), levels(next + 1e-9, swing));
            at = next;
        }
        s.position = target;
    }

    struct State {
        double position = 0.0; ///< in beats
        double resetLeft = 0.0;
        bool fresh = true; ///< the edges at position zero are still to be given
        GateReader reset;
        GateWriter writer[kOutputs];
    } state_;
};

} // namespace

BlockType clockType() {
    using enum SignalKind;
    return {"clock",
            "Clock",
            "Tempo and its divisions, in step from one start",
            {{"reset", "reset", Gate, 0, 8}},
            {{"bar", "bar", Clock, 0, 5},
             {"beat", "beat", Clock, 0, 5},
             {"eighths", "8ths", Clock, 0, 5},
             {"sixteenths", "16ths", Clock, 0, 5},
             {"ppqn-24", "24 ppqn", Clock, 0, 5},
             {"reset-out", "reset out", Gate, 0, 5}},
            {{"tempo", "Tempo", linearScale(Unit::Bpm, 20, 300), 120},
             {"swing", "Swing", linearScale(Unit::Percent, 50, 75), 50}},
            makeBlock<lariat::Clock>};
}

} // namespace lariat
