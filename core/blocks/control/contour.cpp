// Contour: envelope of up to four stages.
//
// A stage goes from level a to level b in its time T along a + (b - a)·s(t/T), s(u) = (1 - e^-cu)/(1 - e^-c): a
// straight line at curve 0 %, the charge of a capacitor (c = 6) at 100 %, its mirror at -100 %. The curve is `curve`
// plus the stage's own. Because it reaches b exactly at T, stage times are what the knobs say, times 2^V for each
// stage's CV and for the one of all stages, and gates start and end stages at their sub-sample time.
//   ADSR: attack to 8 V, decay to sustain, hold while the gate is open, release to 0.
//   AR: attack, hold at 8 V while the gate is open, release.     AD: attack, decay to 0, whatever the gate does.
//   AHR: attack, hold at 8 V for the decay time, release.
//   ADAR: attack, decay to sustain, attack again, release: two strikes from one trigger.
// Looping (when nothing is in the gate, if the switch says so), a contour starts over at its end. Two schools: "sustain
// is time" makes ADSR and AR hold for 20 ms per percent of sustain, ADSR at half level; at zero, ADSR leaves decay out
// and is a pure rise and fall. "Sustain is level" makes ADSR decay to the sustain level and release from there at once.
// A trigger at `retrig` attacks again while the gate is open or the contour loops; in a loop, as long as it stays high,
// the cycle goes to its end and waits there. With nothing open and no loop, a trigger alone plays attack and release.
// Level: the knob, or times V/8 of `velocity` or of the gate's height, taken during the first millisecond.
#include "blocks/parts/kernels.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Gate, Retrigger, AttackCv, DecayCv, SustainCv, ReleaseCv, AllCv, Velocity };
enum Out { Main, Inverted, Bipolar, StageGate, CutOut = StageGate + 4, EndOfCycle = CutOut + 4 };
enum Control {
    Type,
    Attack,
    Decay,
    Sustain,
    Release,
    Curve,
    Level,
    FromZero,
    ShortGate,
    Loop,
    LevelBy,
    AttackCurve,
    DecayCurve,
    ReleaseCurve,
    AttackAmount,
    DecayAmount,
    SustainAmount,
    ReleaseAmount,
    AllAmount,
    Manual
};
enum class Stage { Attack, Decay, Hold, Release, Idle };
enum Kind { Adsr, Ar, Ad, Ahr, Adar };
enum Loops { Never, SustainIsTime, SustainIsLevel };
enum Scaled { ByKnob, ByVelocity, ByGate };

constexpr float kPeakVolts = 8.0f;
constexpr float kSteepest = 6.0f;
constexpr float kLog2e = 1.44269504f;
constexpr double kHoldPerPercent = 0.02; ///< seconds, in the loop
constexpr double kHeightSeconds = 0.001;

class Contour final : public StatefulBlock<Contour> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        const Ramp sustain = frame.control(Sustain);
        sustainMoves_ = frame.plugged(SustainCv) || sustain.step != 0.0f;
        now_ = frame.begin - 1.0;
        kind_ = static_cast<Kind>(frame.position(Type));
        cutsOut_ = false;
        for (int g = 0; g < 4; ++g) cutsOut_ = cutsOut_ || frame.out(CutOut + g) != nullptr;
        loops_ = frame.plugged(Gate) ? Never : static_cast<Loops>(frame.position(Loop));
        for (int g = 0; g < 4; ++g) s.stageGates[g].start(frame.out(StageGate + g), frame.begin);
        s.end.start(frame, EndOfCycle);
        if (s.looped && loops_ == Never && !s.gates.high(0)) letGo(); // a plug has come into the gate
        s.looped = loops_ != Never;
        if (s.looped && s.stage == Stage::Idle && !held()) begin(Stage::Attack);
        const auto until = [&](double at) { advance(at); };
        press();
        s.gates.inOrder(frame, {Gate, Retrigger}, until, [&](int which, const Edge& edge) {
            if (loops_ == Never && s.pressed) return; // the hand holds it open
            if (edge.rising) {
                strike();
                // Nothing holds it open: it goes up and down once.
                s.alone = which == 1 && loops_ == Never && !s.gates.high(0);
            } else if (which == 0) {
                close();
            } else if (loops_ != Never && s.stage == Stage::Idle && !held()) {
                begin(Stage::Attack); // it has waited for this
            }
        });
        advance(frame.end - 1);
        write();
        for (GateWriter& gate : s.stageGates) gate.finish(frame.end);
        s.end.finish(frame);
    }

    /// Told: the stage (0 attack, 1 decay, 2 sustain or hold, 3 release, 4 idle), the level in thousandths; so far,
    /// times that it was struck, came to its hold stage, came to rest; microseconds that the last gate was too short
    /// to come to hold, and those of the tail that the last strike cut off.
    void tell(Told& told) const override {
        told[0] = static_cast<int>(state_.stage);
        told[1] = static_cast<int>(std::lround(1000.0f * state_.level));
        told[2] = state_.strikes;
        told[3] = state_.held;
        told[4] = state_.ended;
        told[5] = state_.missed;
        told[6] = state_.left;
    }

  private:
    friend class StatefulBlock<Contour>;

    [[nodiscard]] float control(Control c) const { return frame_->control(c).start; }

    /// Something that strikes the loop is held down: it waits at zero.
    [[nodiscard]] bool held() const { return state_.gates.high(1) || state_.pressed; }

    /// The button beside the gate: a hand may hold it open whatever is plugged in; in the loop it is another trigger.
    void press() {
        State& s = state_;
        const bool down = frame_->position(Manual) == 1;
        if (down == s.pressed) return;
        s.pressed = down;
        if (loops_ == Never && s.gates.high(0)) return; // it is open already, and stays so
        if (down) {
            strike();
            s.alone = false;
        } else if (loops_ == Never) {
            close();
        } else if (s.stage == Stage::Idle) {
            begin(Stage::Attack); // it has waited for this
        }
    }

    void strike() {
        State& s = state_;
        if (frame_->position(FromZero) == 1) s.level = 0.0f;
        s.second = false;
        s.closing = false;
        s.left = s.stage == Stage::Idle ? 0 : microseconds(tailLeft());
        s.missed = 0;
        ++s.strikes;
        s.height = frame_->position(LevelBy) == ByKnob ? 1.0f : 0.0f;
        s.listening = kHeightSeconds * frame_->rate();
        begin(Stage::Attack);
    }

    void begin(Stage stage) {
        State& s = state_;
        s.stage = stage;
        if (stage == Stage::Idle) ++s.ended;
        s.passed = 0.0;
        s.from = s.level;
        const auto at = static_cast<float>(now_);
        for (int g = 0; g < 4; ++g) {
            const bool here = static_cast<int>(stage) == g;
            s.stageGates[g].change(at, here, here ? kGateVolts : 0.0f);
        }
    }

    void finishCycle() {
        state_.end.fire(now_, kTriggerSeconds * frame_->rate(), kGateVolts);
        state_.second = false;
        begin(loops_ != Never && !held() ? Stage::Attack : Stage::Idle);
    }

    /// What went by itself goes to its end.
    void letGo() {
        state_.alone = true;
        if (state_.stage == Stage::Hold || (state_.stage == Stage::Decay && kind_ == Adsr)) begin(Stage::Release);
    }

    void close() {
        State& s = state_;
        if (s.stage == Stage::Idle || (kind_ != Adsr && kind_ != Ar)) return;
        const bool moving = s.stage == Stage::Attack || s.stage == Stage::Decay;
        if (moving && frame_->position(ShortGate) == 1) {
            s.closing = true;
        } else if (s.stage != Stage::Release) {
            if (moving) s.missed = microseconds(stageLeft() + (s.stage == Stage::Attack ? decayLength() : 0.0));
            begin(Stage::Release);
        }
    }

    [[nodiscard]] int microseconds(double samples) const {
        return static_cast<int>(std::lround(std::min(1e6 * samples / frame_->rate(), 2e9)));
    }
    /// Samples of the present stage that are left.
    [[nodiscard]] double stageLeft() const { return std::max(0.0, (1.0 - state_.passed) * length()); }
    /// Samples of what lies between the attack and the release, as far as it ends by itself.
    [[nodiscard]] double decayLength() const { return kind_ == Ar ? 0.0 : lengthOf(Stage::Decay); }
    /// Samples until it would be idle, if no gate held it from now on.
    [[nodiscard]] double tailLeft() const {
        const double release = kind_ == Ad ? 0.0 : lengthOf(Stage::Release);
        switch (state_.stage) {
        case Stage::Attack:
            return stageLeft() + decayLength() + release;
        case Stage::Decay:
            return stageLeft() + release;
        case Stage::Hold:
            return (kind_ == Ahr ? stageLeft() : 0.0) + release;
        default:
            return stageLeft();
        }
    }

    /// As it is at sample i.
    [[nodiscard]] float sustain(int i) const {
        if (kind_ == Ar || kind_ == Ahr) return 1.0f;
        if (kind_ == Ad) return 0.0f;
        if (loops_ == SustainIsTime && kind_ == Adsr) return 0.5f;
        return sustainKnob(i);
    }
    /// The knob and its CV, 0…1.
    [[nodiscard]] float sustainKnob(int i) const {
        return std::clamp(0.01f * modulated(*frame_, Sustain, SustainCv, SustainAmount, 12.5f)(i), 0.0f, 1.0f);
    }
    /// The sample at which what happens now is first seen.
    [[nodiscard]] int here() const { return std::clamp(static_cast<int>(now_) + 1, frame_->begin, frame_->end - 1); }
    /// In the loop, seconds of hold; no hold at all where sustain is the level or stands at zero.
    [[nodiscard]] double holdSeconds() const {
        return loops_ == SustainIsTime ? 100.0 * kHoldPerPercent * static_cast<double>(sustainKnob(here())) : 0.0;
    }

    [[nodiscard]] bool towardSustain() const { return state_.stage == Stage::Decay || state_.stage == Stage::Hold; }

    /// The stage's target at sample i, as a part of the peak.
    [[nodiscard]] float target(int i) const {
        if (state_.stage == Stage::Attack) return 1.0f;
        return towardSustain() ? sustain(std::clamp(i, frame_->begin, frame_->end - 1)) : 0.0f;
    }
    [[nodiscard]] float target() const { return target(static_cast<int>(std::ceil(now_))); }

    /// The present stage's length in samples; 0 for stages without an end.
    [[nodiscard]] double length() const { return lengthOf(state_.stage); }
    /// The same of any stage; of those that the mode does not have it means nothing.
    [[nodiscard]] double lengthOf(Stage stage) const {
        const int i = here();
        const auto samples = [&](Control c, In cv, Control amount) {
            const float octaves =
                0.01f * (control(amount) * frame_->in(cv)[i] + control(AllAmount) * frame_->in(AllCv)[i]);
            const auto stretch =
                octaves == 0.0f ? 1.0 : static_cast<double>(fastExp2(std::clamp(octaves, -16.0f, 16.0f)));
            return std::max(1.0, static_cast<double>(control(c)) * stretch * frame_->rate());
        };
        switch (stage) {
        case Stage::Attack:
            return samples(Attack, AttackCv, AttackAmount);
        case Stage::Decay:
            return samples(Decay, DecayCv, DecayAmount);
        case Stage::Hold:
            if (kind_ == Ahr) return samples(Decay, DecayCv, DecayAmount);
            return loops_ == Never ? 0.0 : std::max(1.0, holdSeconds() * frame_->rate());
        case Stage::Release:
            return samples(Release, ReleaseCv, ReleaseAmount);
        case Stage::Idle:
            break;
        }
        return 0.0;
    }

    /// A gate that has closed meanwhile holds nothing.
    void hold() {
        ++state_.held;
        const bool passes = state_.closing || (loops_ != Never && kind_ != Ahr && holdSeconds() <= 0.0);
        begin(passes ? Stage::Release : Stage::Hold);
    }

    void next() {
        State& s = state_;
        s.level = target();
        switch (s.stage) {
        case Stage::Attack:
            if (s.second) return begin(Stage::Release);
            if (s.alone && (kind_ == Adsr || kind_ == Ar)) return begin(Stage::Release);
            if (loops_ == SustainIsTime && kind_ == Adsr && holdSeconds() <= 0.0) return begin(Stage::Release);
            if (kind_ == Ar || kind_ == Ahr) return hold();
            return begin(Stage::Decay);
        case Stage::Decay:
            if (kind_ == Ad) return finishCycle();
            if (kind_ == Adar) {
                s.second = true;
                return begin(Stage::Attack);
            }
            return hold();
        case Stage::Hold:
            return begin(Stage::Release);
        default:
            return finishCycle();
        }
    }

    /// Runs to time `to`, writing the samples on the way into line_.
    void advance(double to) {
        State& s = state_;
        for (int guard = 0; now_ < to && guard < 256; ++guard) {
            const double whole = length();
            curve_ = kSteepest * 0.01f * std::clamp(control(Curve) + ownCurve(), -100.0f, 100.0f);
            if (whole == 0.0) {
                fill(to);
                s.level = target();
                return;
            }
            const double rest = std::max(0.0, (1.0 - s.passed) * whole);
            const double until = std::min(to, now_ + rest);
            draw(until, 1.0 / whole);
            const bool over = now_ + rest <= to;
            s.passed += (until - now_) / whole;
            now_ = until;
            if (over)
                next();
            else
                s.level = shape(static_cast<float>(s.passed));
        }
    }

    [[nodiscard]] float ownCurve() const {
        if (state_.stage == Stage::Attack) return control(AttackCurve);
        return control(state_.stage == Stage::Release ? ReleaseCurve : DecayCurve);
    }

    [[nodiscard]] bool straight() const { return std::abs(curve_) < 0.01f; }

    [[nodiscard]] float shape(float u) const {
        return state_.from + (target() - state_.from) * part(static_cast<double>(u), 1.0f - fastExp2(-curve_ * kLog2e));
    }

    void mark(int first, int last) {
        if (cutsOut_)
            for (int i = first; i <= last; ++i) stages_[idx(i)] = state_.stage;
    }

    void fill(double to) {
        const int first = firstAfter(now_);
        const int last = static_cast<int>(std::floor(to));
        mark(first, last);
        const bool moves = sustainMoves_ && towardSustain();
        if (moves)
            for (int i = first; i <= last; ++i) line_[i] = target(i);
        else
            std::fill(line_.data() + first, line_.data() + last + 1, target());
        now_ = to;
    }

    void draw(double to, double perSample) {
        const int first = firstAfter(now_);
        const int last = static_cast<int>(std::floor(to));
        if (first > last) return;
        mark(first, last);
        const double u = state_.passed + (first - now_) * perSample;
        const float a = state_.from;
        const float b = target();
        const float rate = curve_ * kLog2e;
        const float whole = straight() ? 1.0f : 1.0f - fastExp2(-rate);
        if (straight()) {
            for (int i = first; i <= last; ++i)
                line_[i] = a + (b - a) * static_cast<float>(u + (i - first) * perSample);
        } else {
            const float scale = (b - a) / whole;
            kernels().decay(a + scale, -scale * fastExp2(-rate * static_cast<float>(u)),
                            fastExp2(-rate * static_cast<float>(perSample)), line_.data() + first, last - first + 1);
        }
        if (!sustainMoves_ || !towardSustain()) return;
        for (int i = first; i <= last; ++i) line_[i] = a + (target(i) - a) * part(u + (i - first) * perSample, whole);
    }

    /// Of the way, at the part u of the stage's time.
    [[nodiscard]] float part(double u, float whole) const {
        const auto x = static_cast<float>(u);
        return straight() ? x : (1.0f - fastExp2(-curve_ * kLog2e * x)) / whole;
    }

    static int firstAfter(double time) { return static_cast<int>(std::floor(time)) + 1; }

    void write() {
        State& s = state_;
        const Ramp level = frame_->control(Level);
        const int by = frame_->position(LevelBy);
        if (by == ByKnob) s.height = 1.0f;
        for (int i = frame_->begin; by != ByKnob && i < frame_->end; ++i) {
            if (s.listening > 0.0) {
                s.listening -= 1.0;
                s.height = std::clamp(0.125f * frame_->in(by == ByVelocity ? Velocity : Gate)[i], s.height, 1.25f);
            }
            line_[i] *= s.height;
        }
        if (level.step != 0.0f || level.start != 100.0f)
            for (int i = frame_->begin; i < frame_->end; ++i) line_[i] *= 0.01f * level(i);
        const auto at = [&](int i) { return line_[i]; };
        frame_->write(Main, [&](int i) { return kPeakVolts * at(i); });
        frame_->write(Inverted, [&](int i) { return -kPeakVolts * at(i); });
        frame_->write(Bipolar, [&](int i) { return 10.0f * at(i) - 5.0f; });
        for (int g = 0; g < 4; ++g)
            frame_->write(CutOut + g,
                          [&](int i) { return static_cast<int>(stages_[idx(i)]) == g ? kPeakVolts * at(i) : 0.0f; });
    }

    const Frame* frame_ = nullptr;
    double now_ = 0.0;
    float curve_ = 0.0f;
    Kind kind_ = Adsr;
    Loops loops_ = Never;
    bool sustainMoves_ = false;
    bool cutsOut_ = false; ///< somebody listens to a stage alone
    Line line_;
    std::array<Stage, kRun> stages_{};
    struct State {
        GateBank<2> gates;
        GateWriter stageGates[4];
        PulseWriter end;
        Stage stage = Stage::Idle;
        double passed = 0.0;    ///< of the stage, 0…1
        double listening = 0.0; ///< samples in which the height is still taken
        float from = 0.0f;      ///< level at the start of the stage
        float level = 0.0f;     ///< 0…1
        float height = 1.0f;
        bool second = false; ///< of two strikes
        bool closing = false;
        bool looped = false;
        bool pressed = false;
        bool alone = false; ///< struck by a trigger that no gate goes with
        int strikes = 0;    ///< so far
        int held = 0;       ///< times that it came to its hold stage
        int ended = 0;      ///< times that it came to rest
        int missed = 0;     ///< microseconds that the last gate was too short to come to hold
        int left = 0;       ///< microseconds of tail that the last strike cut off
    } state_;
};

} // namespace

BlockType contourType() {
    using enum SignalKind;
    const Scale time = logScale(Unit::Seconds, 0.0003, 20);
    return {
        .id = "contour",
        .name = "Contour",
        .about = "Envelope with exact stage times, from straight to exponential",
        .inputs = {{"gate", "gate", Gate, 0, 8},
                   {"retrigger", "retrig", Gate, 0, 8},
                   {"attack-cv", "attack cv", SignalKind::Control, -5, 8, "attack-amount", {{"attack", 1, true}}},
                   {"decay-cv", "decay cv", SignalKind::Control, -5, 8, "decay-amount", {{"decay", 1, true}}},
                   {"sustain-cv", "sustain cv", SignalKind::Control, -5, 8, "sustain-amount", {{"sustain", 12.5}}},
                   {"release-cv", "release cv", SignalKind::Control, -5, 8, "release-amount", {{"release", 1, true}}},
                   {"all-cv",
                    "all cv",
                    SignalKind::Control,
                    -5,
                    8,
                    "all-amount",
                    {{"attack", 1, true}, {"decay", 1, true}, {"release", 1, true}}},
                   {"velocity", "velocity", SignalKind::Control, 0, 8}},
        .outputs = {{"out", "out", SignalKind::Control, 0, 8},
                    {"inverted", "inverted", SignalKind::Control, -8, 0},
                    {"bipolar", "bipolar", SignalKind::Control, -5, 5},
                    {"attack-gate", "attack gate", Gate, 0, 8},
                    {"decay-gate", "decay gate", Gate, 0, 8},
                    {"sustain-gate", "sustain gate", Gate, 0, 8},
                    {"release-gate", "release gate", Gate, 0, 8},
                    {"attack-part", "attack part", SignalKind::Control, 0, 8},
                    {"decay-part", "decay part", SignalKind::Control, 0, 8},
                    {"sustain-part", "sustain part", SignalKind::Control, 0, 8},
                    {"release-part", "release part", SignalKind::Control, 0, 8},
                    {"end", "end", Gate, 0, 8}},
        .controls = {{"type", "Type", switchScale({"ADSR", "AR", "AD", "AHR", "ADAR"}), 0},
                     {"attack", "Attack", time, 0.005},
                     {"decay", "Decay", time, 0.2},
                     {"sustain", "Sustain", percent(), 60},
                     {"release", "Release", time, 0.2},
                     {"curve", "Curve", bipolarPercent(), 80},
                     {"level", "Level", percent(), 100},
                     {"from-zero", "Retrigger", switchScale({"from present level", "from zero"}), 0},
                     {"short-gate", "Short gate", switchScale({"jumps to release", "finishes its stages"}), 0},
                     {"loop", "Loop", switchScale({"off", "sustain is time", "sustain is level"}), 0},
                     {"level-by", "Level by", switchScale({"knob", "velocity", "gate height"}), 0},
                     {"attack-curve", "A curve", linearScale(Unit::Percent, -200, 200), 0},
                     {"decay-curve", "D curve", linearScale(Unit::Percent, -200, 200), 0},
                     {"release-curve", "R curve", linearScale(Unit::Percent, -200, 200), 0},
                     {"attack-amount", "Attack CV", bipolarPercent(), 0},
                     {"decay-amount", "Decay CV", bipolarPercent(), 0},
                     {"sustain-amount", "Sustain CV", bipolarPercent(), 0},
                     {"release-amount", "Release CV", bipolarPercent(), 0},
                     {"all-amount", "All CV", bipolarPercent(), 0},
                     button("press-gate", "Gate")},
        .flows = {{{"gate", "retrigger"}, Does::Strikes, {}, {"level"}}},
        .make = makeBlock<Contour>};
}

} // namespace lariat
