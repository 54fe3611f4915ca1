// Function generator: a rise and a fall, and four related outputs.
//
// One phase p runs through the cycle in rise + fall time; f(p) climbs to 8 V over the first part and comes back over
// the rest, straight or bent by the curve as the contour's stages are. It runs once per trigger, or again and again
// when it cycles; then a trigger starts it over. Times are knob · 2^(V·amount) for rise, fall, and both. A cable in
// `slew in` makes the main output follow that signal at the rates of the knobs, 8 V per rise or fall time. The four
// outputs, by mode, with `spread` and its CV:
//   levels   the main function at four levels; spread fades from the first to the fourth
//   phase    the function read p + k·spread/4 further on
//   slope    output k has its summit moved from p0 toward k/3 by the spread
//   ratio    four phases, locked at whole-number ratios: polymetre when slow, a chord when fast
//   shapes   a smooth core, a straight core, a square, and triggers at the end of rise and of fall
// Corners are band-limited (blep.h), so that cycling at audio rate stays clean; the edges of end-of-rise and
// end-of-fall carry their exact time.
#include "blocks/parts/blep.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Trigger, SlewIn, RiseCv, FallCv, BothCv, SpreadCv };
enum Out { Main, Inverted, EndOfRise, EndOfFall, Related };
enum Control { Rise, Fall, Curve, Cycle, Mode, Spread, Ratios, RiseAmount, FallAmount, BothAmount, SpreadAmount };
enum Modes { Levels, Phase, Slope, Ratio, Shapes };
constexpr int kRelated = 4;
constexpr float kPeak = 8.0f;
constexpr std::array<std::array<double, kRelated>, 6> kRatios = {{{1, 2, 3, 4},
                                                                  {4. / 4, 5. / 4, 6. / 4, 7. / 4},
                                                                  {1, 3. / 2, 2, 3},
                                                                  {1, 4. / 3, 3. / 2, 2},
                                                                  {3, 4, 5, 7},
                                                                  {1, 1. / 2, 1. / 3, 1. / 4}}};
constexpr double kAllTurns = 720.0; ///< comes round for every ratio

/// One reading of the function: value and corners.
struct Reading {
    Corners corners;
    double before = 0.0; ///< phase of the last sample, not wrapped
};

class FunctionGenerator final : public StatefulBlock<FunctionGenerator> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        mode_ = frame.position(Mode);
        s.rose.start(frame, EndOfRise);
        s.fell.start(frame, EndOfFall);
        curve_ = 6.0f * 0.01f * frame.control(Curve).start;
        Walk walk(frame);
        const auto one = [&](int i) { sample(i); };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gate.inOrder(frame, {Trigger}, until, [&](int, const Edge& edge) {
            if (!edge.rising) return;
            s.restartAt = edge.at;
        });
        walk.toEnd(one);
        s.rose.finish(frame);
        s.fell.finish(frame);
        write();
    }

    /// Stage: 0 rise, 3 fall, 4 at rest; millivolts of the main output.
    void tell(Told& told) const override {
        const double place = state_.turns - std::floor(state_.turns);
        told[0] = !state_.running ? 4 : place < state_.summit ? 0 : 3;
        told[1] = static_cast<int>(1000.0f * kPeak * value(state_.turns, state_.summit) + 0.5f);
    }

  private:
    friend class StatefulBlock<FunctionGenerator>;

    [[nodiscard]] double seconds(Control knob, In cv, Control amount, int i) const {
        const Frame& f = *frame_;
        const float octaves = 0.01f * (f.control(amount)(i) * f.in(cv)[i] + f.control(BothAmount)(i) * f.in(BothCv)[i]);
        return static_cast<double>(f.control(knob)(i) * fastExp2(std::clamp(octaves, -16.0f, 16.0f)));
    }

    [[nodiscard]] float bent(float u) const {
        if (std::abs(curve_) < 0.06f) return u;
        constexpr float log2e = 1.44269504f;
        return (1.0f - fastExp2(-curve_ * log2e * u)) / (1.0f - fastExp2(-curve_ * log2e));
    }
    /// Slope of `bent` at 0 and at 1.
    [[nodiscard]] float bentSlope(bool end) const {
        if (std::abs(curve_) < 0.06f) return 1.0f;
        const float down = std::exp(-curve_);
        return curve_ * (end ? down : 1.0f) / (1.0f - down);
    }

    [[nodiscard]] float value(double p, double summit) const {
        const auto x = static_cast<float>(p - std::floor(p));
        const auto top = static_cast<float>(summit);
        return x < top ? bent(x / top) : 1.0f - bent((x - top) / (1.0f - top));
    }

    /// Moves a reading on to phase `to` by sample i, with its corners.
    void read(Reading& line, double to, double summit, int i, bool open) {
        const int at = i - frame_->begin;
        const double from = line.before;
        const double turn = to - from;
        if (open && turn > 1e-12 && turn < 0.5) {
            const double whole = std::floor(to);
            const auto bend = [&](double mark, float change) {
                if (mark > from && mark <= to)
                    line.corners.bend(static_cast<float>(at - (to - mark) / turn), change * static_cast<float>(turn));
            };
            const auto up = static_cast<float>(1.0 / summit);
            const auto down = static_cast<float>(1.0 / (1.0 - summit));
            bend(whole, up * bentSlope(false) + down * bentSlope(true));
            for (const double base : {whole - 1.0, whole})
                bend(base + summit, -(down * bentSlope(false) + up * bentSlope(true)));
        }
        line.before = to;
        line.corners.line()[at] += value(to, summit);
    }

    void sample(int i) {
        State& s = state_;
        const Frame& f = *frame_;
        const double rise = std::max(1.0 / f.rate(), seconds(Rise, RiseCv, RiseAmount, i));
        const double fall = std::max(1.0 / f.rate(), seconds(Fall, FallCv, FallAmount, i));
        const double period = (rise + fall) * f.rate();
        const double summit = rise / (rise + fall);
        s.summit = summit;
        const double spread =
            std::clamp(static_cast<double>(0.01f * modulated(f, Spread, SpreadCv, SpreadAmount, 12.5f)(i)), 0.0, 1.0);
        const bool cycles = f.position(Cycle) == 1 && !f.plugged(SlewIn);
        double since = 1.0;
        if (s.restartAt <= static_cast<float>(i)) {
            since = std::clamp(static_cast<double>(i) - static_cast<double>(s.restartAt), 0.0, 1.0);
            restart(i, i - since, summit);
            s.restartAt = kNone;
        }
        if (cycles) s.running = true;
        const double turn = std::min(0.49, since / period);
        const double before = s.turns;
        if (s.running) s.turns += turn;
        // The summit and the end, at their exact time.
        const double whole = std::floor(before);
        const auto when = [&](double mark) { return i - (s.turns - mark) / std::max(turn, 1e-12) * since; };
        if (before < whole + summit && s.turns >= whole + summit)
            s.rose.fire(when(whole + summit), std::max(kTriggerSeconds, 0.0) * f.rate(), kGateVolts);
        if (s.turns >= whole + 1.0) {
            s.fell.fire(when(whole + 1.0), kTriggerSeconds * f.rate(), kGateVolts);
            if (!cycles) {
                s.turns = whole + 1.0;
                s.running = false;
            }
        }
        if (f.plugged(SlewIn)) {
            slew(i, rise, fall);
        } else {
            read(s.main, s.turns, summit, i, s.running);
        }
        const auto& ratios = kRatios[idx(f.position(Ratios))];
        for (std::size_t k = 0; k < kRelated; ++k) {
            Reading& line = s.related[k];
            const double part = static_cast<double>(k) / (kRelated - 1);
            const double own = mode_ == Slope ? std::clamp(summit + spread * (part - summit), 0.01, 0.99) : summit;
            double phase = s.turns;
            if (mode_ == Phase) phase += spread * static_cast<double>(k) / kRelated;
            if (mode_ == Ratio) phase *= 1.0 + (ratios[k] - 1.0) * (spread > 0.0 ? 1.0 : 0.0);
            read(line, phase, own, i, s.running);
            levels_[k][idx(i)] =
                mode_ == Levels
                    ? static_cast<float>(std::max(0.0, 1.0 - std::abs(3.0 * spread - static_cast<double>(k))))
                    : 1.0f;
        }
        if (s.turns > kAllTurns) {
            s.turns -= kAllTurns;
            s.main.before -= kAllTurns;
            for (std::size_t k = 0; k < kRelated; ++k) s.related[k].before -= std::round(s.related[k].before - s.turns);
        }
    }

    /// The phase leaps back to the start of the cycle.
    void restart(int i, double at, double summit) {
        State& s = state_;
        const double fresh = 0.0;
        const auto leap = [&](Reading& line, double own) {
            line.corners.jump(static_cast<float>(at - frame_->begin), value(fresh, own) - value(line.before, own));
            line.before = fresh;
        };
        (void)i;
        leap(s.main, summit);
        for (Reading& line : s.related) leap(line, summit);
        s.turns = fresh;
        s.running = true;
    }

    void slew(int i, double rise, double fall) {
        State& s = state_;
        const float target = frame_->in(SlewIn)[i];
        const auto up = static_cast<float>(kPeak / (rise * frame_->rate()));
        const auto down = static_cast<float>(kPeak / (fall * frame_->rate()));
        s.slewed = std::clamp(target, s.slewed - down, s.slewed + up);
        if (!std::isfinite(s.slewed)) s.slewed = 0.0f;
        s.main.corners.line()[i - frame_->begin] += s.slewed / kPeak;
    }

    void write() {
        State& s = state_;
        const Frame& f = *frame_;
        const int n = f.end - f.begin;
        Line line;
        s.main.corners.flush(line.data(), n);
        const auto at = [&](int i) { return kPeak * line[i - f.begin]; };
        f.write(Main, at);
        f.write(Inverted, [&](int i) { return -at(i); });
        for (std::size_t k = 0; k < kRelated; ++k) {
            Line own;
            s.related[k].corners.flush(own.data(), n);
            f.write(Related + static_cast<int>(k), [&](int i) {
                const float v = own[i - f.begin];
                if (mode_ != Shapes) return kPeak * v * levels_[k][idx(i)];
                switch (k) {
                case 0:
                    return kPeak * v * v * (3.0f - 2.0f * v);
                case 1:
                    return kPeak * v;
                case 2:
                    return v > 0.5f ? kGateVolts : 0.0f;
                default:
                    return s.rose.high() || s.fell.high() ? kGateVolts : 0.0f;
                }
            });
        }
    }

    const Frame* frame_ = nullptr;
    float curve_ = 0.0f;
    int mode_ = Levels;
    std::array<Line, kRelated> levels_{};
    static constexpr float kNone = 1e9f;
    struct State {
        GateBank<1> gate;
        PulseWriter rose;
        PulseWriter fell;
        Reading main;
        std::array<Reading, kRelated> related;
        double turns = 0.0;
        double summit = 0.5;
        bool running = false;
        float slewed = 0.0f;
        float restartAt = kNone;
    } state_;
};

} // namespace

BlockType functionGeneratorType() {
    using enum SignalKind;
    const Scale time = logScale(Unit::Seconds, 0.0003, 60);
    return {
        .id = "function-generator",
        .name = "Function generator",
        .about = "Rise and fall, once or cycling, with four related outputs",
        .inputs =
            {{"trigger", "trigger", Gate, 0, 8},
             {"slew-in", "slew in", SignalKind::Control, -5, 8},
             {"rise-cv", "rise cv", SignalKind::Control, -5, 8, "rise-amount", {{"rise", 1, true}}},
             {"fall-cv", "fall cv", SignalKind::Control, -5, 8, "fall-amount", {{"fall", 1, true}}},
             {"both-cv", "both cv", SignalKind::Control, -5, 8, "both-amount", {{"rise", 1, true}, {"fall", 1, true}}},
             {"spread-cv", "spread cv", SignalKind::Control, -5, 8, "spread-amount", {{"spread", 12.5}}}},
        .outputs = joined({{{"out", "out", SignalKind::Control, 0, 8},
                            {"inverted", "inverted", SignalKind::Control, -8, 0},
                            {"end-of-rise", "end of rise", Gate, 0, 8},
                            {"end-of-fall", "end of fall", Gate, 0, 8}},
                           numbered(kRelated, JackSpec{"related", "related", SignalKind::Control, 0, 8})}),
        .controls = {{"rise", "Rise", time, 0.1},
                     {"fall", "Fall", time, 0.3},
                     {"curve", "Curve", bipolarPercent(), 0},
                     {"cycle", "Cycle", switchScale({"once", "cycling"}), 0},
                     {"mode", "Related by", switchScale({"levels", "phase", "slope", "ratio", "shapes"}), 0},
                     {"spread", "Spread", percent(), 50},
                     {"ratios", "Ratios",
                      switchScale({"1:2:3:4", "4:5:6:7", "2:3:4:6", "6:8:9:12", "3:4:5:7", "1, 1/2, 1/3, 1/4"}), 0},
                     {"rise-amount", "Rise CV", bipolarPercent(), 0},
                     {"fall-amount", "Fall CV", bipolarPercent(), 0},
                     {"both-amount", "Both CV", bipolarPercent(), 0},
                     {"spread-amount", "Spread CV", bipolarPercent(), 0}},
        .make = makeBlock<FunctionGenerator>};
}

} // namespace lariat
