// VCO: voltage-controlled oscillator.
//
// Frequency f = C4 · 2^(octave + fine/12 + V(v/oct) + expo·V(fm)) · (1 + lin·V(lin fm)/5), C4 = 261.626 Hz.
// Width = width + amount·V(pwm)/5, held within 0…100 %. A rising edge at sync restarts the cycle at its exact
// time. Linear FM below zero runs the cycle backwards (through zero) if the switch says so, else it stops.
// Exponential and linear FM: Chowning 1973; Hutchins, Electronotes (1 V/oct practice). Corners: blep.h.
#include "blocks/gate.h"
#include "blocks/maths.h"
#include "blocks/oscillator_core.h"
#include "blocks/types.h"

#include <algorithm>
#include <span>

namespace lariat {
namespace {

enum In { Voct, Fm, LinFm, Pwm, Sync };
enum Control { Octave, Fine, Width, FmAmount, LinAmount, PwmAmount, ThroughZero };

constexpr float kMiddleC = 261.6255653f;
constexpr float kHighest = 0.45f; ///< of the sampling rate

class Vco final : public StatefulBlock<Vco> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) override {
        std::array<float, kRun> turns;
        std::array<float, kRun> width;
        turnsOf(frame, turns);
        widthOf(frame, width);
        std::span<const Edge> sync;
        if (frame.plugged(Sync)) sync = state_.sync.read(frame.in(Sync), frame.begin, frame.end);
        state_.core.run(frame.begin, frame.end, turns.data(), width.data(), sync, frame.outputs);
    }

  private:
    friend class StatefulBlock<Vco>;

    static void turnsOf(const Frame& frame, std::array<float, kRun>& turns) {
        const Ramp octave = frame.control(Octave);
        const Ramp fine = frame.control(Fine);
        const Ramp amount = frame.control(FmAmount);
        const float* voct = frame.in(Voct).volts.data();
        const float* fm = frame.in(Fm).volts.data();
        const float base = kMiddleC / static_cast<float>(frame.rate);
        const bool still = octave.step == 0.0f && fine.step == 0.0f && !frame.plugged(Voct) && !frame.plugged(Fm);
        if (still)
            turns.fill(base * fastExp2(octave.start - 4.0f + fine.start * (1.0f / 12.0f)));
        else
            for (int i = frame.begin; i < frame.end; ++i) {
                const float octaves = octave(i) - 4.0f + fine(i) * (1.0f / 12.0f) + voct[i] + amount(i) * 0.01f * fm[i];
                turns[static_cast<std::size_t>(i)] = base * fastExp2(std::clamp(octaves, -20.0f, 12.0f));
            }
        if (frame.plugged(LinFm)) {
            const Ramp depth = frame.control(LinAmount);
            const float* lin = frame.in(LinFm).volts.data();
            const float lowest = frame.control(ThroughZero).start > 0.5f ? -1e6f : 0.0f;
            for (int i = frame.begin; i < frame.end; ++i)
                turns[static_cast<std::size_t>(i)] *= std::max(lowest, 1.0f + depth(i) * 0.002f * lin[i]);
        }
        for (int i = frame.begin; i < frame.end; ++i)
            turns[static_cast<std::size_t>(i)] = std::clamp(turns[static_cast<std::size_t>(i)], -kHighest, kHighest);
    }

    static void widthOf(const Frame& frame, std::array<float, kRun>& width) {
        const Ramp base = frame.control(Width);
        const Ramp amount = frame.control(PwmAmount);
        if (base.step == 0.0f && !frame.plugged(Pwm)) {
            width.fill(0.01f * base.start);
            return;
        }
        const float* pwm = frame.in(Pwm).volts.data();
        for (int i = frame.begin; i < frame.end; ++i)
            width[static_cast<std::size_t>(i)] = std::clamp(0.01f * (base(i) + amount(i) * 0.2f * pwm[i]), 0.0f, 1.0f);
    }

    struct State {
        OscillatorCore core;
        GateReader sync;
    } state_;
};

} // namespace

BlockType vcoType() {
    using enum SignalKind;
    return {"vco",
            "VCO",
            "Oscillator at one volt per octave with hard sync, expo and linear FM, and pulse width",
            {{"voct", "v/oct", Pitch, -5, 8},
             {"fm", "fm", Control, -5, 5, "fm-amount"},
             {"lin-fm", "lin fm", Audio, -5, 5, "lin-amount"},
             {"pwm", "pwm", Control, -5, 5, "pwm-amount"},
             {"sync", "sync", Audio, -5, 5}},
            {{"sine", "sine", Audio},
             {"triangle", "triangle", Audio},
             {"saw", "saw", Audio},
             {"pulse", "pulse", Audio},
             {"sub-2", "sub ÷2", Audio},
             {"sub-4", "sub ÷4", Audio},
             {"triangle-pulse", "triangle + pulse", Audio},
             {"saw-pulse", "saw + pulse", Audio}},
            {{"octave", "Octave", switchScale({"C0", "C1", "C2", "C3", "C4", "C5", "C6", "C7"}), 4},
             {"fine", "Fine", linearScale(Unit::Semitones, -7, 7), 0},
             {"width", "Width", linearScale(Unit::Percent, 0, 100), 50},
             {"fm-amount", "FM", linearScale(Unit::Percent, -100, 100), 0},
             {"lin-amount", "Lin FM", squaredScale(Unit::Percent, 0, 400), 0},
             {"pwm-amount", "PWM", linearScale(Unit::Percent, -100, 100), 0},
             {"through-zero", "Through zero", switchScale({"off", "on"}), 0}},
            makeBlock<Vco>};
}

} // namespace lariat
