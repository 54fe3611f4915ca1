// Contour: envelope of up to four stages.
//
// A stage goes from level a to level b in its time T along a + (b - a)·s(t/T), s(u) = (1 - e^-cu)/(1 - e^-c):
// a straight line at curve 0 %, the charge of a capacitor (c = 6) at 100 %. Because the curve reaches b exactly
// at T, stage times are what the knobs say. Gates start and end stages at their sub-sample time.
//   ADSR: attack to 8 V, decay to sustain, hold while the gate is open, release to 0.
//   AR: attack, hold at 8 V while the gate is open, release.     AD: attack, decay to 0, whatever the gate does.
#include "blocks/gate.h"
#include "blocks/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Gate, Retrigger };
enum Out { Main, Inverted, Bipolar };
enum Control { Type, Attack, Decay, Sustain, Release, Curve, Level, FromZero, ShortGate };
enum class Stage { Idle, Attack, Decay, Hold, Release };
enum Kind { Adsr, Ar, Ad };

constexpr float kPeakVolts = 8.0f;
constexpr float kSteepest = 6.0f;
constexpr float kLog2e = 1.44269504f;

class Contour final : public StatefulBlock<Contour> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        frame_ = &frame;
        now_ = frame.begin - 1.0;
        curve_ = kSteepest * 0.01f * frame.control(Curve).start;
        kind_ = static_cast<Kind>(std::lround(frame.control(Type).start));
        const auto gates = state_.gate.read(frame.in(Gate), frame.begin, frame.end);
        std::span<const Edge> triggers;
        if (frame.plugged(Retrigger)) triggers = state_.retrigger.read(frame.in(Retrigger), frame.begin, frame.end);
        std::size_t g = 0;
        std::size_t t = 0;
        while (g < gates.size() || t < triggers.size()) {
            const bool gateFirst = t == triggers.size() || (g < gates.size() && gates[g].at <= triggers[t].at);
            const Edge& edge = gateFirst ? gates[g++] : triggers[t++];
            advance(edge.at);
            if (edge.rising && (gateFirst || open_())) begin(Stage::Attack);
            if (!edge.rising && gateFirst) close();
        }
        advance(frame.end - 1);
        write();
    }

  private:
    friend class StatefulBlock<Contour>;

    [[nodiscard]] bool open_() const { return state_.gate.high(); }
    [[nodiscard]] float control(Control c) const { return frame_->control(c).start; }

    void begin(Stage stage) {
        State& s = state_;
        s.stage = stage;
        s.passed = 0.0;
        s.closing = false;
        s.from = stage == Stage::Attack && control(FromZero) > 0.5f ? 0.0f : s.level;
    }

    void close() {
        State& s = state_;
        const bool moving = s.stage == Stage::Attack || s.stage == Stage::Decay;
        if (kind_ == Ad || s.stage == Stage::Idle) return;
        if (moving && control(ShortGate) > 0.5f)
            s.closing = true;
        else
            begin(Stage::Release);
    }

    /// The stage's target, as a part of the peak.
    [[nodiscard]] float target() const {
        switch (state_.stage) {
        case Stage::Attack:
            return 1.0f;
        case Stage::Decay:
            return kind_ == Adsr ? 0.01f * control(Sustain) : 0.0f;
        case Stage::Hold:
            return kind_ == Adsr ? 0.01f * control(Sustain) : 1.0f;
        case Stage::Release:
        case Stage::Idle:
            break;
        }
        return 0.0f;
    }

    /// The stage's length in samples; 0 for stages without an end.
    [[nodiscard]] double length() const {
        const auto samples = [&](Control c) { return std::max(1e-4, static_cast<double>(control(c))) * frame_->rate; };
        switch (state_.stage) {
        case Stage::Attack:
            return samples(Attack);
        case Stage::Decay:
            return samples(Decay);
        case Stage::Release:
            return samples(Release);
        default:
            return 0.0;
        }
    }

    void next() {
        State& s = state_;
        s.level = target();
        const bool wasClosing = s.closing;
        switch (s.stage) {
        case Stage::Attack:
            if (kind_ == Ar)
                wasClosing ? begin(Stage::Release) : begin(Stage::Hold);
            else
                begin(Stage::Decay);
            s.closing = wasClosing && s.stage == Stage::Decay;
            break;
        case Stage::Decay:
            if (kind_ == Ad)
                begin(Stage::Idle);
            else
                wasClosing ? begin(Stage::Release) : begin(Stage::Hold);
            break;
        default:
            begin(Stage::Idle);
            break;
        }
    }

    /// Runs to time `to`, writing the samples on the way into line_.
    void advance(double to) {
        State& s = state_;
        while (now_ < to) {
            const double whole = length();
            if (whole == 0.0) {
                s.level = target();
                fill(to);
                return;
            }
            const double rest = (1.0 - s.passed) * whole;
            const double until = std::min(to, now_ + rest);
            draw(until, 1.0 / whole);
            if (now_ + rest <= to) {
                now_ = until;
                next();
            } else {
                s.passed += (until - now_) / whole;
                now_ = until;
                s.level = shape(static_cast<float>(s.passed));
            }
        }
    }

    [[nodiscard]] float shape(float u) const {
        const float part =
            curve_ < 0.01f ? u : (1.0f - fastExp2(-curve_ * kLog2e * u)) / (1.0f - fastExp2(-curve_ * kLog2e));
        return state_.from + (target() - state_.from) * part;
    }

    void fill(double to) {
        for (int i = firstAfter(now_); i <= static_cast<int>(std::floor(to)); ++i)
            line_[static_cast<std::size_t>(i)] = state_.level;
        now_ = to;
    }

    void draw(double to, double perSample) {
        const int first = firstAfter(now_);
        const int last = static_cast<int>(std::floor(to));
        if (first > last) return;
        const double u = state_.passed + (first - now_) * perSample;
        const float a = state_.from;
        const float b = target();
        if (curve_ < 0.01f) {
            for (int i = first; i <= last; ++i)
                line_[static_cast<std::size_t>(i)] = a + (b - a) * static_cast<float>(u + (i - first) * perSample);
            return;
        }
        const float rate = curve_ * kLog2e;
        const float scale = (b - a) / (1.0f - fastExp2(-rate));
        float remaining = fastExp2(-rate * static_cast<float>(u));
        const float shrink = fastExp2(-rate * static_cast<float>(perSample));
        for (int i = first; i <= last; ++i) {
            line_[static_cast<std::size_t>(i)] = a + scale * (1.0f - remaining);
            remaining *= shrink;
        }
    }

    static int firstAfter(double time) { return static_cast<int>(std::floor(time)) + 1; }

    void write() {
        const Ramp level = frame_->control(Level);
        Signal* main = frame_->out(Main);
        Signal* inverted = frame_->out(Inverted);
        Signal* bipolar = frame_->out(Bipolar);
        for (int i = frame_->begin; i < frame_->end; ++i) {
            const float part = line_[static_cast<std::size_t>(i)] * 0.01f * level(i);
            if (main) (*main)[i] = kPeakVolts * part;
            if (inverted) (*inverted)[i] = -kPeakVolts * part;
            if (bipolar) (*bipolar)[i] = 10.0f * part - 5.0f;
        }
    }

    const Frame* frame_ = nullptr;
    double now_ = 0.0;
    float curve_ = 0.0f;
    Kind kind_ = Adsr;
    std::array<float, kRun> line_{};
    struct State {
        GateReader gate;
        GateReader retrigger;
        Stage stage = Stage::Idle;
        double passed = 0.0; ///< of the stage, 0…1
        float from = 0.0f;   ///< level at the start of the stage
        float level = 0.0f;  ///< 0…1
        bool closing = false;
    } state_;
};

} // namespace

BlockType contourType() {
    using enum SignalKind;
    const Scale time = logScale(Unit::Seconds, 0.0003, 20);
    return {"contour",
            "Contour",
            "Envelope with exact stage times, from straight to exponential",
            {{"gate", "gate", Gate, 0, 8}, {"retrigger", "retrig", Gate, 0, 8}},
            {{"out", "out", Control, 0, 8},
             {"inverted", "inverted", Control, -8, 0},
             {"bipolar", "bipolar", Control, -5, 5}},
            {{"type", "Type", switchScale({"ADSR", "AR", "AD"}), 0},
             {"attack", "Attack", time, 0.005},
             {"decay", "Decay", time, 0.2},
             {"sustain", "Sustain", linearScale(Unit::Percent, 0, 100), 60},
             {"release", "Release", time, 0.2},
             {"curve", "Curve", linearScale(Unit::Percent, 0, 100), 80},
             {"level", "Level", linearScale(Unit::Percent, 0, 100), 100},
             {"from-zero", "Retrigger", switchScale({"from present level", "from zero"}), 0},
             {"short-gate", "Short gate", switchScale({"jumps to release", "finishes its stages"}), 0}},
            makeBlock<Contour>};
}

} // namespace lariat
