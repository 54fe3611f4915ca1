// VCO: voltage-controlled oscillator.
//
// Frequency f = C4 · 2^(octave + fine/12 + V(v/oct) + expo·V(fm)) · (1 + lin·V(lin fm)/5), C4 = 261.626 Hz; eight
// octaves lower in the LFO range. Width = width + amount·V(pwm)/5, held within 0…100 %. A rising edge at sync restarts
// the cycle at its exact time; one at soft sync does so in the last quarter of the cycle only. Linear FM below zero
// runs the cycle backwards (through zero) if the switch says so, else it stops; AC-coupled, its mean below 2 Hz is
// taken out. Drift is a slow seeded walk in cents, tracking an error in cents per octave from C4; in the real case at
// least 2 cents and a seeded ±1 cent per octave. Exponential and linear FM: Chowning 1973; Hutchins, Electronotes (1
// V/oct practice). Corners: blep.h.
#include "blocks/parts/drift.h"
#include "blocks/parts/gate.h"
#include "blocks/parts/kernels.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/oscillator_core.h"
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

constexpr float kHighest = 0.45f; ///< of the sampling rate
constexpr double kMeanHertz = 2.0;

class Vco final : public StatefulBlock<Vco> {
  public:
    void process(const Frame& frame) {
        Line turns;
        Line width;
        const bool evenTurns = turnsOf(frame, turns);
        const bool evenWidth = widthOf(frame, width);
        SyncPulses sync;
        if (synced_) {
            FoundEdges found;
            addSync(frame, Sync, state_.sync, found, sync, false);
            addSync(frame, SoftSync, state_.softSync, found, sync, true);
        }
        state_.core.run(frame.begin, frame.end, {turns.data(), width.data(), evenTurns, evenWidth}, sync.all(),
                        outputs_, needed_);
    }

    /// Within a loop: by the wave that is heard, if there is only one.
    [[nodiscard]] Tick tick() const override {
        switch (needed_) {
        case 1u << OscillatorCore::Sine:
            return &tickOf<1u << OscillatorCore::Sine>;
        case 1u << OscillatorCore::Triangle:
            return &tickOf<1u << OscillatorCore::Triangle>;
        case 1u << OscillatorCore::Saw:
            return &tickOf<1u << OscillatorCore::Saw>;
        case 1u << OscillatorCore::Pulse:
            return &tickOf<1u << OscillatorCore::Pulse>;
        default:
            return &tickOf<~0u>;
        }
    }

    void beforeTicks() override {
        const Frame frame(ports(), 0, kRun);
        prepareRun(frame);
        still_ = still(frame);
        knobsStand_ = frame.control(Octave).step == 0.0f && frame.control(Fine).step == 0.0f &&
                      frame.control(FmAmount).step == 0.0f;
        stands_ = frame.control(Octave).start - 4.0f + frame.control(Fine).start * (1.0f / 12.0f);
        fmGain_ = frame.control(FmAmount).start * 0.01f;
        if (still_) stillTurn_ = base_ * fastExp2(std::clamp(slope_ * octavesAt(ports(), 0), -20.0f, 12.0f));
        width_ = std::clamp(0.01f * frame.control(Width).start, 0.0f, 1.0f);
        const bool coupled = linear_ && frame.position(Coupling) == 1;
        quick_ = !synced_ && !coupled && !frame.plugged(Pwm) && frame.control(Width).step == 0.0f;
    }

  private:
    friend class StatefulBlock<Vco>;

    /// One sample; without sync and with a still width there is a quick way.
    template <unsigned Waves> static void tickOf(Block& block, int i, int) {
        auto& self = static_cast<Vco&>(block);
        if (!self.quick_) return self.process(Frame(self.ports(), i, i + 1));
        float turn = self.stillTurn_;
        if (!self.still_) {
            const float octaves = self.knobsStand_ ? self.movedBy(i) : octavesAt(self.ports(), i);
            turn = self.base_ * fastExp2(within(self.slope_ * octaves, -20.0f, 12.0f));
        }
        if (self.linear_) {
            const float depth = self.ports().controls[LinAmount](i) * 0.002f;
            turn *= std::max(self.lowest_, 1.0f + depth * (*self.ports().inputs[LinFm])[i]);
        }
        self.state_.core.one<Waves>(i, within(turn, -kHighest, kHighest), self.width_, self.outputs_, self.needed_);
    }

    void prepare(const Setup& setup) override {
        blepTable();
        state_.drift.seed(setup.seed);
        leastDrift_ = setup.realCase ? 2.0f : 0.0f;
        ownTracking_ = setup.realCase ? state_.drift.random.bipolar() : 0.0f;
    }

    void bound() override {
        const Frame frame(ports(), 0, kRun);
        for (int o = 0; o < OscillatorCore::kWaves; ++o) outputs_[idx(o)] = frame.out(o);
        needed_ = OscillatorCore::needed(outputs_);
        voct_ = &frame.in(Voct);
        fm_ = &frame.in(Fm);
        synced_ = frame.plugged(Sync) || frame.plugged(SoftSync);
        linear_ = frame.plugged(LinFm);
        meanPart_ = partPerSample(1.0 / (kTwoPi * kMeanHertz), frame.rate());
    }

    static void addSync(const Frame& frame, int jack, GateReader& reader, FoundEdges& found, SyncPulses& sync,
                        bool soft) {
        if (!frame.plugged(jack) || reader.passesQuietly(frame.in(jack), frame.begin, frame.end)) return;
        const std::size_t before = found.count;
        reader.read(frame.in(jack), frame.begin, frame.end, found);
        sync.add(found.all().subspan(before), soft);
    }

    static float octavesAt(const Ports& p, int i) {
        return p.controls[Octave](i) - 4.0f + p.controls[Fine](i) * (1.0f / 12.0f) + (*p.inputs[Voct])[i] +
               p.controls[FmAmount](i) * 0.01f * (*p.inputs[Fm])[i];
    }

    /// The same while the knobs stand.
    [[nodiscard]] float movedBy(int i) const { return stands_ + (*voct_)[i] + fmGain_ * (*fm_)[i]; }

    static bool still(const Frame& frame) {
        return frame.control(Octave).step == 0.0f && frame.control(Fine).step == 0.0f && !frame.plugged(Voct) &&
               !frame.plugged(Fm);
    }

    /// What holds for a whole run.
    void prepareRun(const Frame& frame) {
        const float tracking = frame.control(Tracking).start + ownTracking_;
        slope_ = 1.0f + tracking * (1.0f / 1200.0f);
        const double middle = frame.position(Range) == 1 ? kMiddleC / 256.0 : kMiddleC;
        base_ = static_cast<float>(middle / frame.rate()) * driftRatio(frame);
        lowest_ = frame.control(ThroughZero).start > 0.5f ? -1e6f : 0.0f;
    }

    /// True if all of them are the same.
    bool turnsOf(const Frame& frame, Line& turns) {
        const bool whole = frame.begin == 0 && frame.endsRun();
        if (whole) prepareRun(frame);
        const Ramp octave = frame.control(Octave);
        const Ramp fine = frame.control(Fine);
        const Ramp amount = frame.control(FmAmount);
        const Signal& voct = frame.in(Voct);
        const Signal& fm = frame.in(Fm);
        const float slope = slope_; // by value: what is written might be what is read
        const bool knobsStand = octave.step == 0.0f && fine.step == 0.0f && amount.step == 0.0f;
        const bool even = (knobsStand && whole && voct.steady() && fm.steady()) || still(frame);
        if (even) {
            const float octaves = std::clamp(slope_ * octavesAt(ports(), frame.begin), -20.0f, 12.0f);
            const float turn = std::clamp(base_ * fastExp2(octaves), -kHighest, kHighest);
            std::fill(turns.data() + frame.begin, turns.data() + frame.end, turn);
        } else {
            for (int i = frame.begin; i < frame.end; ++i) {
                const float octaves = octave(i) - 4.0f + fine(i) * (1.0f / 12.0f) + voct[i] + amount(i) * 0.01f * fm[i];
                turns[i] = within(slope * octaves, -20.0f, 12.0f);
            }
            if (whole)
                kernels().exp2(base_, turns.data(), turns.data());
            else
                for (int i = frame.begin; i < frame.end; ++i) turns[i] = base_ * fastExp2(turns[i]);
        }
        if (linear_) {
            const Ramp depth = frame.control(LinAmount);
            Line lin;
            linearOf(frame, lin);
            for (int i = frame.begin; i < frame.end; ++i)
                turns[i] *= std::max(lowest_, 1.0f + depth(i) * 0.002f * lin[i]);
        }
        if (!even || linear_)
            for (int i = frame.begin; i < frame.end; ++i) turns[i] = within(turns[i], -kHighest, kHighest);
        return even && !linear_;
    }

    void linearOf(const Frame& frame, Line& lin) {
        const Signal& in = frame.in(LinFm);
        if (frame.position(Coupling) == 0) {
            std::copy(in.volts.data() + frame.begin, in.volts.data() + frame.end, lin.data() + frame.begin);
            return;
        }
        for (int i = frame.begin; i < frame.end; ++i) lin[i] = in[i] - state_.mean.toward(in[i], meanPart_);
    }

    float driftRatio(const Frame& frame) {
        const float cents = std::max(frame.control(DriftCents).start, leastDrift_);
        if (cents == 0.0f) return 1.0f;
        state_.drift.step(frame.rate());
        return fastExp2(cents * state_.drift.now * (1.0f / 1200.0f));
    }

    /// True if it stands still.
    static bool widthOf(const Frame& frame, Line& width) {
        const Ramp base = frame.control(Width);
        const Ramp amount = frame.control(PwmAmount);
        if (base.step == 0.0f && !frame.plugged(Pwm)) {
            std::fill(width.data() + frame.begin, width.data() + frame.end, std::clamp(0.01f * base.start, 0.0f, 1.0f));
            return true;
        }
        const Signal& pwm = frame.in(Pwm);
        for (int i = frame.begin; i < frame.end; ++i)
            width[i] = within(0.01f * (base(i) + amount(i) * 0.2f * pwm[i]), 0.0f, 1.0f);
        return false;
    }

    struct State {
        OscillatorCore core;
        GateReader sync;
        GateReader softSync;
        Drift drift;
        Lag mean; ///< of the linear FM
    } state_;
    OscillatorCore::Outputs outputs_{};
    unsigned needed_ = 0;
    bool synced_ = false;
    bool linear_ = false;
    double meanPart_ = 0.0;
    float leastDrift_ = 0.0f;
    float ownTracking_ = 0.0f;
    // Of the present run.
    float base_ = 0.0f;
    float slope_ = 1.0f;
    float lowest_ = 0.0f;
    // In a loop.
    bool quick_ = false;
    bool still_ = false;
    bool knobsStand_ = false;
    float stands_ = 0.0f; ///< octaves of the knobs
    float fmGain_ = 0.0f;
    const Signal* voct_ = nullptr;
    const Signal* fm_ = nullptr;
    float stillTurn_ = 0.0f;
    float width_ = 0.5f;
};

} // namespace

BlockType vcoType() {
    using enum SignalKind;
    return {.id = "vco",
            .name = "VCO",
            .about = "Oscillator at one volt per octave with hard sync, expo and linear FM, and pulse width",
            .inputs = {{"voct", "v/oct", Pitch, -5, 8},
                       {"fm", "fm", Control, -5, 5, "fm-amount", {{"fine", 12}}},
                       {"lin-fm", "lin fm", Audio, -5, 5, "lin-amount"},
                       {"pwm", "pwm", Control, -5, 5, "pwm-amount", {{"width", 20}}},
                       {"sync", "sync", Audio, -5, 5},
                       {"soft-sync", "soft sync", Audio, -5, 5}},
            .outputs = {{"sine", "sine", Audio},
                        {"triangle", "triangle", Audio},
                        {"saw", "saw", Audio},
                        {.id = "pulse", .name = "pulse", .kind = Audio, .edges = true},
                        {.id = "sub-2", .name = "sub ÷2", .kind = Audio, .edges = true},
                        {.id = "sub-4", .name = "sub ÷4", .kind = Audio, .edges = true},
                        {"triangle-pulse", "triangle + pulse", Audio},
                        {"saw-pulse", "saw + pulse", Audio}},
            .controls = {{"octave", "Octave", switchScale({"C0", "C1", "C2", "C3", "C4", "C5", "C6", "C7"}), 4},
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
            .flows = {{{"lin-fm"}, Does::Moves},
                      {{"pwm"}, Does::Moves, {"pulse", "triangle-pulse", "saw-pulse"}},
                      {{"sync", "soft-sync"}, Does::Resets}},
            .make = makeBlock<Vco>};
}

} // namespace lariat
