// Clock: square pulses of 5 V at fixed multiples and divisions of a tempo, all counted from one song position.
//
// The position in beats advances by tempo/60 per second; an output of d pulses per beat rises where position·d
// is whole and falls `width` of a pulse later. Every edge carries the exact time at which the position is passed.
// Swing moves every second 16th to `swing` per cent of its eighth. A rising edge at reset starts over at zero.
// A clock at `clock` leads: each rising edge sets the position to its own place (1, 2, 4 or 24 to the beat) and the
// pace to the last interval; the position waits at the next place until that edge comes. Two edges at `tap` set the
// tempo until the knob is moved. With a cable in `run`, the clock runs while it is high.
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

#include <cmath>

namespace lariat {
namespace {

enum In { Reset, ClockIn, TapIn, Run };
enum Control { Tempo, Swing, Width, Ppqn, TapButton };

struct ClockOutput {
    const char* id;
    const char* name;
    double perBeat;
};
constexpr std::array<ClockOutput, 17> kOutputs = {{{"bar", "bar", 0.25},
                                                   {"beat", "beat", 1},
                                                   {"eighths", "8ths", 2},
                                                   {"sixteenths", "16ths", 4},
                                                   {"ppqn-24", "24 ppqn", 24},
                                                   {"times-3", "×3", 3},
                                                   {"times-5", "×5", 5},
                                                   {"times-6", "×6", 6},
                                                   {"times-7", "×7", 7},
                                                   {"times-8", "×8", 8},
                                                   {"by-2", "÷2", 1.0 / 2},
                                                   {"by-3", "÷3", 1.0 / 3},
                                                   {"by-6", "÷6", 1.0 / 6},
                                                   {"by-8", "÷8", 1.0 / 8},
                                                   {"by-16", "÷16", 1.0 / 16},
                                                   {"by-32", "÷32", 1.0 / 32},
                                                   {"by-64", "÷64", 1.0 / 64}}};
constexpr int kSwung = 3; ///< the 16ths
constexpr int kResetOut = static_cast<int>(kOutputs.size());
constexpr float kHigh = 5.0f;
constexpr double kResetPulse = 0.005; ///< seconds
constexpr std::array<double, 4> kPpqn = {1.0, 2.0, 4.0, 24.0};
constexpr double kSlack = 1e-9; ///< beats within which two places are the same

class Clock final : public StatefulBlock<Clock> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        if (frame.transport().rewind) rewind();
        for (int o = 0; o < kResetOut; ++o) s.writer[o].start(frame.out(o), frame.begin);
        s.resetOut.start(frame, kResetOut);
        const double swing = 0.01 * static_cast<double>(frame.control(Swing).start);
        const double width = 0.01 * static_cast<double>(frame.control(Width).start);
        known_ = known_ && swing == swing_ && width == width_;
        swing_ = swing;
        width_ = width;
        now_ = frame.begin - 1.0;
        const auto until = [&](double at) { walkTo(at); };
        const bool down = frame.position(TapButton) == 1;
        if (down && !s.pressed) tap(frame.begin);
        s.pressed = down;
        s.gates.inOrder(frame, {Reset, ClockIn, TapIn, Run}, until, [&](int which, const Edge& edge) {
            if (which == Run) s.gateRuns = edge.rising;
            if (!edge.rising) return;
            if (which == Reset) rewind();
            if (which == ClockIn) follow(edge.at);
            if (which == TapIn) tap(edge.at);
        });
        if (!frame.plugged(ClockIn)) s.leader = {};
        walkTo(frame.end - 1.0);
        for (int o = 0; o < kResetOut; ++o) s.writer[o].finish(frame.end);
        s.resetOut.finish(frame);
        if (frame.endsRun()) {
            s.leader.last -= kRun;
            s.lastTap -= kRun;
        }
        if (leads_) frame.transport().beats = s.position;
    }

  private:
    friend class StatefulBlock<Clock>;

    void rewind() {
        known_ = false;
        state_.position = 0.0;
        state_.fresh = true;
        state_.leader.count = -1.0;
    }

    void follow(double at) {
        State& s = state_;
        const double perBeat = kPpqn[idx(frame_->position(Ppqn))];
        if (at - s.leader.last > 1.0 && s.leader.last > -1e12) s.leader.pace = 1.0 / perBeat / (at - s.leader.last);
        s.leader.last = at;
        s.leader.count += 1.0;
        s.leader.stop = (s.leader.count + 1.0) / perBeat;
        pass(at, s.leader.count / perBeat, kNever); // what is still due comes now
    }

    void tap(double at) {
        State& s = state_;
        const double length = at - s.lastTap;
        if (length > 0.1 * frame_->rate() && length < 4.0 * frame_->rate()) {
            s.tapped = 60.0 * frame_->rate() / length;
            s.tappedOver = frame_->control(Tempo).start;
        }
        s.lastTap = at;
    }

    /// Beats per sample.
    [[nodiscard]] double pace() {
        State& s = state_;
        const bool runs = frame_->transport().running && (!frame_->plugged(Run) || s.gateRuns);
        if (!runs) return 0.0;
        if (frame_->plugged(ClockIn)) return s.leader.pace;
        const float knob = frame_->control(Tempo).start;
        if (s.tapped > 0.0 && knob != s.tappedOver) s.tapped = 0.0;
        return (s.tapped > 0.0 ? s.tapped : static_cast<double>(knob)) / 60.0 / frame_->rate();
    }

    void walkTo(double to) {
        State& s = state_;
        if (to <= now_) return;
        const double perSample = pace();
        if (perSample > 0.0) {
            if (s.fresh) restart(now_);
            double target = s.position + (to - now_) * perSample;
            if (frame_->plugged(ClockIn)) target = std::min(target, s.leader.stop - 4.0 * kSlack);
            pass(now_, target, perSample);
        }
        now_ = to;
    }

    /// Moves the position to `target`, giving the edges on the way.
    void pass(double from, double target, double perSample) {
        State& s = state_;
        if (s.fresh && perSample == kNever) restart(from);
        if (target <= s.position) return;
        double at = s.position - kSlack; // one that the last walk may have missed by a rounding is looked at again
        for (;;) {
            if (!known_) {
                next_ = kNever;
                for (int o = 0; o < kResetOut; ++o)
                    if (frame_->out(o)) next_ = std::min(next_, nextChange(o, at));
                known_ = true;
            }
            if (next_ > target) break;
            apply(static_cast<float>(from + (perSample == kNever ? 0.0 : (next_ - s.position) / perSample)),
                  next_ + kSlack);
            at = next_;
            known_ = false;
        }
        s.position = target;
    }

    /// The first place behind `at` where output o rises or falls.
    [[nodiscard]] double nextChange(int o, double at) const {
        double next = kNever;
        const auto offer = [&](double place) {
            if (place > at + 0.5 * kSlack && place < next) next = place;
        };
        const double perBeat = kOutputs[idx(o)].perBeat;
        const double grid = o == kSwung ? 0.5 : 1.0 / perBeat;
        for (const double start : {std::floor(at / grid) * grid, (std::floor(at / grid) + 1.0) * grid}) {
            offer(start);
            if (o == kSwung) {
                const double open = grid * width_ * std::min(swing_, 1.0 - swing_);
                for (const double place : {open, grid * swing_, grid * swing_ + open}) offer(start + place);
            } else {
                offer(start + width_ * grid);
            }
        }
        return next;
    }

    [[nodiscard]] bool level(int o, double position) const {
        const double perBeat = kOutputs[idx(o)].perBeat;
        if (o != kSwung) return position * perBeat - std::floor(position * perBeat) < width_;
        const double eighth = position * 2.0 - std::floor(position * 2.0);
        const double open = width_ * std::min(swing_, 1.0 - swing_);
        return eighth < swing_ ? eighth < open : eighth - swing_ < open;
    }

    void apply(float at, double position) {
        for (int o = 0; o < kResetOut; ++o) {
            if (!frame_->out(o)) continue;
            const bool high = level(o, position);
            state_.writer[o].change(at, high, high ? kHigh : 0.0f);
        }
    }

    /// Position zero anew: what was high falls and rises again, so that a reset is an edge for everybody.
    void restart(double at) {
        State& s = state_;
        known_ = false;
        s.fresh = false;
        for (int o = 0; o < kResetOut; ++o) s.writer[o].change(static_cast<float>(at), false, 0.0f);
        s.resetOut.drop(at);
        s.resetOut.fire(at, kResetPulse * frame_->rate(), kHigh);
        apply(static_cast<float>(at), s.position + kSlack);
    }

    void prepare(const Setup& setup) override { leads_ = setup.leadsBeats; }
    void bound() override { known_ = false; }
    void adopted() override { known_ = false; }

    const Frame* frame_ = nullptr;
    bool leads_ = true;
    bool known_ = false; ///< next_ is the place of the next edge of those that are heard
    double next_ = 0.0;
    double now_ = 0.0;
    double swing_ = 0.5;
    double width_ = 0.5;
    struct Leader {
        double last = -1e18;
        double count = -1.0;
        double stop = 0.0; ///< position at which to wait
        double pace = 0.0;
    };
    struct State {
        double position = 0.0; ///< in beats
        bool fresh = true;     ///< the edges at position zero are still to be given
        bool gateRuns = false;
        double lastTap = -1e18;
        double tapped = 0.0; ///< beats per minute; 0: the knob counts
        float tappedOver = 0.0f;
        bool pressed = false;
        Leader leader;
        GateBank<4> gates;
        GateWriter writer[kResetOut];
        PulseWriter resetOut;
    } state_;
};

} // namespace

BlockType clockType() {
    using enum SignalKind;
    std::vector<JackSpec> outputs;
    for (const ClockOutput& output : kOutputs) outputs.push_back({output.id, output.name, Clock, 0, 5});
    outputs.push_back({"reset-out", "reset out", Gate, 0, 5});
    return {.id = "clock",
            .name = "Clock",
            .about = "Tempo, its multiples and divisions, in step from one start; follows a clock or taps",
            .inputs = {{"reset", "reset", Gate, 0, 8},
                       {"clock", "clock", Clock, 0, 5},
                       {"tap", "tap", Gate, 0, 8},
                       {"run", "run", Gate, 0, 8}},
            .outputs = outputs,
            .controls = {{"tempo", "Tempo", linearScale(Unit::Bpm, 20, 300), 120},
                         {"swing", "Swing", linearScale(Unit::Percent, 50, 75), 50},
                         {"width", "Width", linearScale(Unit::Percent, 5, 95), 50},
                         {"ppqn", "Clock in", switchScale({"1 a beat", "2 a beat", "4 a beat", "24 a beat"}), 2},
                         button("press-tap", "Tap")},
            .flows = {{{"reset"}, Does::Resets}, {{"clock", "tap"}, Does::Times}, {{"run"}, Does::Strikes}},
            .make = makeBlock<lariat::Clock>,
            .runsUnheard = true,
            .countsBeats = true};
}

} // namespace lariat
