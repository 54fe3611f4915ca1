// VCO: voltage-controlled oscillator.
//
// Frequency f = C4 · 2^(octave + fine/12 + V(v/oct) + expo·V(fm)) · (1 + lin·V(lin fm)/5), C4 = 261.626 Hz; eight
// octaves lower in the LFO range. Width = width + amount·V(pwm)/5, held within 0…100 %. A rising edge at sync restarts
// the cycle at its exact time; one at soft sync does so in the last quarter of the cycle only. Linear FM below zero
// runs the cycle backwards (through zero) if the switch says so, else it stops; AC-coupled, its mean below 2 Hz is
// taken out. Drift is a slow seeded walk in cents, tracking an error in cents per octave from C4; in the real case at
// least 2 cents and a seeded ±1 cent per octave. Exponential and linear FM: Chowning 1973; Hutchins, Electronotes (1
// V/oct practice). Corners: blep.h.
#include "blocks/drift.h"
#include "blocks/gate.h"
#include "blocks/maths.h"
#include "blocks/oscillator_core.h"
#include "blocks/types.h"

#include <algorithm>
#include <span>

namespace lariat {
namespace {

enum In { Voct, Fm, LinFm, Pwm, Sync, SoftSync };
enum Control {
    Octave,
    Fine,
    Width,
    FmAmount,
    LinAmount,
    PwmAmount,
    ThroughZero,
    Coupling,
    Range,
    DriftCents,
    Tracking
};

constexpr float kMiddleC = 261.6255653f;
constexpr float kHighest = 0.45f; ///< of the sampling rate

class Vco final : public StatefulBlock<Vco> {
  public:
    void prepare(const Setup& setup) override {
        blepTable();
        state_.drift.seed(setup.seed);
        if (!setup.realCase) return;
        leastDrift_ = 2.0f;
        ownTracking_ = state_.drift.random.bipolar();
    }

    void process(const Frame& frame) override {
        eachLength(
            frame, [this](const Frame& part) __attribute__((always_inline)) { work(part); });
    }

  private:
    friend class StatefulBlock<Vco>;

    [[gnu::always_inline]] void work(const Frame& frame) {
        std::array<float, kRun> turns;
        std::array<float, kRun> width;
        turnsOf(frame, turns);
        widthOf(frame, width);
        SyncPulses sync;
        if (frame.plugged(Sync)) sync.add(state_.sync.read(frame.in(Sync), frame.begin, frame.end));
        if (frame.plugged(SoftSync)) sync.add(state_.softSync.read(frame.in(SoftSync), frame.begin, frame.end), true);
        state_.core.run(frame.begin, frame.end, turns.data(), width.data(), sync.all(), frame.outputs);
    }

    [[gnu::always_inline]] void turnsOf(const Frame& frame, std::array<float, kRun>& turns) {
        const Ramp octave = frame.control(Octave);
        const Ramp fine = frame.control(Fine);
        const Ramp amount = frame.control(FmAmount);
        const float* voct = frame.in(Voct).volts.data();
        const float* fm = frame.in(Fm).volts.data();
        const float tracking = frame.control(Tracking).start + ownTracking_;
        const float slope = 1.0f + tracking * (1.0f / 1200.0f);
        const float base = (frame.position(Range) == 1 ? kMiddleC / 256.0f : kMiddleC) /
                           static_cast<float>(frame.rate) * driftRatio(frame);
        const bool still = octave.step == 0.0f && fine.step == 0.0f && !frame.plugged(Voct) && !frame.plugged(Fm);
        if (still)
            std::fill(turns.begin() + frame.begin, turns.begin() + frame.end,
                      base * fastExp2(slope * (octave.start - 4.0f + fine.start * (1.0f / 12.0f))));
        else
            for (int i = frame.begin; i < frame.end; ++i) {
                const float octaves = octave(i) - 4.0f + fine(i) * (1.0f / 12.0f) + voct[i] + amount(i) * 0.01f * fm[i];
                turns[static_cast<std::size_t>(i)] = base * fastExp2(std::clamp(slope * octaves, -20.0f, 12.0f));
            }
        if (frame.plugged(LinFm)) {
            const Ramp depth = frame.control(LinAmount);
            std::array<float, kRun> lin{};
            linearOf(frame, lin);
            const float lowest = frame.control(ThroughZero).start > 0.5f ? -1e6f : 0.0f;
            for (int i = frame.begin; i < frame.end; ++i)
                turns[static_cast<std::size_t>(i)] *=
                    std::max(lowest, 1.0f + depth(i) * 0.002f * lin[static_cast<std::size_t>(i)]);
        }
        for (int i = frame.begin; i < frame.end; ++i)
            turns[static_cast<std::size_t>(i)] = std::clamp(turns[static_cast<std::size_t>(i)], -kHighest, kHighest);
    }

    [[gnu::always_inline]] void linearOf(const Frame& frame, std::array<float, kRun>& lin) {
        const float* in = frame.in(LinFm).volts.data();
        if (frame.position(Coupling) == 0) {
            std::copy(in + frame.begin, in + frame.end, lin.begin() + frame.begin);
            return;
        }
        const float part = 6.2831853f * 2.0f / static_cast<float>(frame.rate);
        for (int i = frame.begin; i < frame.end; ++i) {
            state_.mean += part * (in[i] - state_.mean);
            lin[static_cast<std::size_t>(i)] = in[i] - state_.mean;
        }
        if (!std::isfinite(state_.mean)) state_.mean = 0.0f;
    }

    float driftRatio(const Frame& frame) {
        const float cents = std::max(frame.control(DriftCents).start, leastDrift_);
        if (cents == 0.0f) return 1.0f;
        if (frame.begin == 0) state_.drift.step(frame.rate);
        return fastExp2(cents * state_.drift.now * (1.0f / 1200.0f));
    }

    [[gnu::always_inline]] static void widthOf(const Frame& frame, std::array<float, kRun>& width) {
        const Ramp base = frame.control(Width);
        const Ramp amount = frame.control(PwmAmount);
        if (base.step == 0.0f && !frame.plugged(Pwm)) {
            std::fill(width.begin() + frame.begin, width.begin() + frame.end, 0.01f * base.start);
            return;
        }
        const float* pwm = frame.in(Pwm).volts.data();
        for (int i = frame.begin; i < frame.end; ++i)
            width[static_cast<std::size_t>(i)] = std::clamp(0.01f * (base(i) + amount(i) * 0.2f * pwm[i]), 0.0f, 1.0f);
    }

    struct State {
        OscillatorCore core;
        GateReader sync;
        GateReader softSync;
        Drift drift;
        float mean = 0.0f; ///< of the linear FM
    } state_;
    float leastDrift_ = 0.0f;
    float ownTracking_ = 0.0f;
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
             {"sync", "sync", Audio, -5, 5},
             {"soft-sync", "soft sync", Audio, -5, 5}},
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
             {"through-zero", "Through zero", switchScale({"off", "on"}), 0},
             {"coupling", "Lin coupling", switchScale({"DC", "AC"}), 0},
             {"range", "Range", switchScale({"audio", "LFO"}), 0},
             {"drift", "Drift", linearScale(Unit::Cents, 0, 50), 0},
             {"tracking", "Tracking", linearScale(Unit::Cents, -20, 20), 0}},
            makeBlock<Vco>};
}

} // namespace lariat
