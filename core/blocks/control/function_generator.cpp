// Function generator: a rise and a fall, and four related outputs.
//
// One phase p runs through the cycle in rise + fall time; f(p) climbs to 8 V over the first part and comes back over
// the rest, straight or bent by the curve as the contour's stages are. It runs once per trigger, or again and again
// when it cycles; then a trigger starts it over. Times are knob · 2^(V·amount) for rise, fall, and both. A cable in
// `slew in` makes the main output follow that signal at the rates of the knobs, 8 V per rise or fall time.
// End-of-rise and end-of-fall are triggers of 5 ms, or of a quarter of the cycle where that is shorter.
//
// The four outputs stand above zero, 0…8 V, when the function is struck, and around it, ±4 V, when it cycles. What
// relates them, by mode, is one shift s, -1…1, neutral at noon, with its CV (1 V is a fifth of the way to one side):
//   levels  silent at noon; 4|s| walks over the outputs, 1 to 4 for s > 0 and 4 to 1 for s < 0, output n at
//           max(0, 1 - |4|s| - place|): each fades into the next
//   phase   while it cycles, output k = 0…3 reads f(p + k·s/4); when it is struck, output k has its summit moved from
//           p0 by k·s/3 of the way to the end, or to the start of the cycle for s < 0
//   ratios  output k runs at a whole-number ratio to the function: polymetre when slow, a chord when fast. s points
//           into a table of thirteen chords (kChords), unison at noon, those above it clockwise and their mirror
//           images, the same whole numbers as divisors, the other way; a tenth of a zone of hysteresis. Each runs on
//           from where it is when the chord changes; a trigger puts all four in step
//   core    1: the straight core; 2 and 3: end of rise, end of fall; 4: high while the core is above 4(1 + s) V
// Smooth m and fold a bend the first three kinds: v' = (1 - m)v + m(3v² - 2v³) of v = f/8 V, then around zero, of
// u = 2v' - 1, (1 - a)u + a·sin((1 + 4a)πu/2), and above zero (1 - a)v' + a(1 - cos((1 + 4a)πv'))/2: nothing stays
// nothing. Corners are band-limited (blep.h), so that cycling at audio rate stays clean; edges carry their exact time.
#include "blocks/parts/blep.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Trigger, SlewIn, RiseCv, FallCv, BothCv, ShiftCv };
enum Out { Main, Inverted, EndOfRise, EndOfFall, Related };
enum Control {
    Rise,
    Fall,
    Curve,
    Cycle,
    Mode,
    Shift,
    Chord,
    Smooth,
    Fold,
    RiseAmount,
    FallAmount,
    BothAmount,
    ShiftAmount,
    Manual
};
enum Modes { Levels, Phase, Ratio, Core };
constexpr int kRelated = 4;
constexpr float kPeak = 8.0f;
constexpr double kAllTurns = 1024.0; ///< phases are wrapped there
constexpr float kPerVolt = 20.0f;    ///< of the shift, in percent

/// Outputs 1 to 4 as multiples of the core; the other way round the table they divide it.
struct ChordRow {
    const char* above;
    const char* below;
    std::array<double, kRelated> ratios;
};
constexpr std::array<ChordRow, 7> kChords = {
    {{"unison 1:1:1:1", "", {1, 1, 1, 1}},
     {"octaves 1:2:4:8", "octaves below 8:4:2:1", {1, 2, 4, 8}},
     {"fifths 2:3:4:6", "fifths below 6:4:3:2", {1, 3. / 2, 2, 3}},
     {"major 4:5:6:8", "minor below 30:24:20:15", {1, 5. / 4, 6. / 4, 2}},
     {"minor 10:12:15:20", "major below 6:5:4:3", {1, 6. / 5, 3. / 2, 2}},
     {"seventh 4:5:6:7", "seventh below 105:84:70:60", {1, 5. / 4, 6. / 4, 7. / 4}},
     {"harmonics 1:2:3:4", "undertones 12:6:4:3", {1, 2, 3, 4}}}};
constexpr int kMostChord = static_cast<int>(kChords.size()) - 1;

std::vector<std::string> chordWords() {
    std::vector<std::string> words;
    for (int n = kMostChord; n > 0; --n) words.emplace_back(kChords[idx(n)].below);
    for (const ChordRow& row : kChords) words.emplace_back(row.above);
    return words;
}

/// The chord that the shift points at, -6…6. It stays until the shift is a tenth of a zone past the next one's edge.
int chordAt(double shift, int before) {
    constexpr double zones = 2 * kMostChord + 1;
    const double place = shift * zones / 2.0; // zone n reaches from n - 1/2 to n + 1/2
    if (std::abs(place - before) <= 0.6) return before;
    return static_cast<int>(std::clamp(std::round(place), -1.0 * kMostChord, 1.0 * kMostChord));
}

double ratioOf(int chord, std::size_t k) {
    const double ratio = kChords[idx(std::abs(chord))].ratios[k];
    return chord < 0 ? 1.0 / ratio : ratio;
}

/// How far output k is open when the outputs are faded across.
float openAt(double shift, std::size_t k) {
    const double place = shift < 0.0 ? static_cast<double>(kRelated - k) : static_cast<double>(k + 1);
    return static_cast<float>(std::max(0.0, 1.0 - std::abs(kRelated * std::abs(shift) - place)));
}

/// sin 2πt of any number of turns.
float sineOf(float t) {
    return fastSinTurn(t - std::floor(t));
}

float bent(float u, float curve) {
    if (std::abs(curve) < 0.06f) return u;
    constexpr float log2e = 1.44269504f;
    return (1.0f - fastExp2(-curve * log2e * u)) / (1.0f - fastExp2(-curve * log2e));
}

/// Slope of `bent` at 0 and at 1.
float bentSlope(bool end, float curve) {
    if (std::abs(curve) < 0.06f) return 1.0f;
    const float down = std::exp(-curve);
    return curve * (end ? down : 1.0f) / (1.0f - down);
}

/// One reading of the function: value and corners.
struct Reading {
    Corners corners;
    double before = 0.0; ///< phase of the last sample, not wrapped
    float curve = 0.0f;
    bool going = false; ///< on its way through a cycle of its own
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
        s.main.curve = 6.0f * 0.01f * frame.control(Curve).start;
        for (Reading& line : s.related) line.curve = mode_ == Core ? 0.0f : s.main.curve;
        cycles_ = frame.position(Cycle) == 1 && !frame.plugged(SlewIn);
        if (mode_ == Core)
            for (std::size_t n = 0; n < s.gates.size(); ++n) s.gates[n].start(frame, Related + 1 + static_cast<int>(n));
        Walk walk(frame);
        const auto one = [&](int i) { sample(i); };
        const auto until = [&](double at) { walk.upTo(at, one); };
        const bool down = frame.position(Manual) == 1;
        if (down && !s.pressed) s.restartAt = static_cast<float>(frame.begin);
        s.pressed = down;
        s.gate.inOrder(frame, {Trigger}, until, [&](int, const Edge& edge) {
            if (!edge.rising) return;
            s.restartAt = edge.at;
        });
        walk.toEnd(one);
        s.rose.finish(frame);
        s.fell.finish(frame);
        if (mode_ == Core)
            for (PulseWriter& gate : s.gates) gate.finish(frame);
        write();
    }

    /// Stage: 0 rise, 3 fall, 4 at rest; millivolts of the main output.
    void tell(Told& told) const override {
        const double place = state_.turns - std::floor(state_.turns);
        told[0] = !state_.running ? 4 : place < state_.summit ? 0 : 3;
        told[1] =
            static_cast<int>(std::lround(1000.0f * kPeak * value(state_.turns, state_.summit, state_.main.curve)));
    }

  private:
    friend class StatefulBlock<FunctionGenerator>;

    [[nodiscard]] double seconds(Control knob, In cv, Control amount, int i) const {
        const Frame& f = *frame_;
        const float octaves = 0.01f * (f.control(amount)(i) * f.in(cv)[i] + f.control(BothAmount)(i) * f.in(BothCv)[i]);
        return static_cast<double>(f.control(knob)(i) * fastExp2(std::clamp(octaves, -16.0f, 16.0f)));
    }

    /// The function at phase p.
    static float value(double p, double summit, float curve) {
        const auto x = static_cast<float>(p - std::floor(p));
        const auto top = static_cast<float>(summit);
        return x < top ? bent(x / top, curve) : 1.0f - bent((x - top) / (1.0f - top), curve);
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
            bend(whole, up * bentSlope(false, line.curve) + down * bentSlope(true, line.curve));
            for (const double base : {whole - 1.0, whole})
                bend(base + summit, -(down * bentSlope(false, line.curve) + up * bentSlope(true, line.curve)));
        }
        line.before = to;
        line.corners.line()[at] += value(to, summit, line.curve);
    }

    void sample(int i) {
        State& s = state_;
        const Frame& f = *frame_;
        const double rise = std::max(1.0 / f.rate(), seconds(Rise, RiseCv, RiseAmount, i));
        const double fall = std::max(1.0 / f.rate(), seconds(Fall, FallCv, FallAmount, i));
        const double period = (rise + fall) * f.rate();
        const double summit = rise / (rise + fall);
        s.summit = summit;
        const Modulated knob = modulated(f, mode_ == Ratio ? Chord : Shift, ShiftCv, ShiftAmount, kPerVolt);
        const float turned = 0.01f * knob(i);
        const double shift = std::isfinite(turned) ? std::clamp(static_cast<double>(turned), -1.0, 1.0) : 0.0;
        const double ends = kTriggerSeconds * f.rate();
        double since = 1.0;
        if (s.restartAt <= static_cast<float>(i)) {
            since = std::clamp(static_cast<double>(i) - static_cast<double>(s.restartAt), 0.0, 1.0);
            restart(i - since, summit);
            s.restartAt = kNone;
        }
        if (cycles_) s.running = true;
        const double turn = std::min(0.49, since / period);
        const double before = s.turns;
        if (s.running) s.turns += turn;
        // The summit and the end, at their exact time.
        const double whole = std::floor(before);
        const auto when = [&](double mark) { return i - (s.turns - mark) / std::max(turn, 1e-12) * since; };
        const double length = std::min(ends, 0.25 * period);
        if (before < whole + summit && s.turns >= whole + summit) {
            s.rose.fire(when(whole + summit), length, kGateVolts);
            if (mode_ == Core) s.gates[0].fire(when(whole + summit), length, kGateVolts);
        }
        if (s.turns >= whole + 1.0) {
            s.fell.fire(when(whole + 1.0), length, kGateVolts);
            if (mode_ == Core) s.gates[1].fire(when(whole + 1.0), length, kGateVolts);
            if (!cycles_) {
                s.turns = whole + 1.0;
                s.running = false;
            }
        }
        if (f.plugged(SlewIn)) {
            slew(i, rise, fall);
        } else {
            read(s.main, s.turns, summit, i, s.running);
        }
        relate(i, turn, summit, shift);
        if (mode_ == Core) compare(i, shift);
        if (s.turns > kAllTurns) {
            s.turns -= kAllTurns;
            s.main.before -= kAllTurns;
            for (Reading& line : s.related) line.before -= mode_ == Ratio ? std::floor(line.before) : kAllTurns;
        }
    }

    /// The four outputs' readings at sample i, as far on as the core has gone by `turn`.
    void relate(int i, double turn, double summit, double shift) {
        State& s = state_;
        if (mode_ == Ratio) s.chord = chordAt(shift, s.chord);
        for (std::size_t k = 0; k < kRelated; ++k) {
            Reading& line = s.related[k];
            if (mode_ == Ratio) {
                line.going = line.going || cycles_;
                double to = line.before + (line.going ? turn * ratioOf(s.chord, k) : 0.0);
                const double end = std::floor(line.before) + 1.0;
                const bool moving = line.going;
                if (!cycles_ && line.going && to >= end) {
                    to = end;
                    line.going = false;
                }
                read(line, to, summit, i, moving);
                continue;
            }
            const double part = static_cast<double>(k) / (kRelated - 1);
            const bool slope = mode_ == Phase && !cycles_;
            const double way = shift > 0.0 ? 1.0 - summit : summit;
            const double own = slope ? std::clamp(summit + shift * part * way, 0.01, 0.99) : summit;
            const double ahead = mode_ == Phase && cycles_ ? shift * static_cast<double>(k) / kRelated : 0.0;
            read(line, s.turns + ahead, own, i, s.running);
            levels_[k][i] = mode_ == Levels ? openAt(shift, k) : 1.0f;
        }
    }

    /// The fourth output of the core: high while the straight core is above the shift's level.
    void compare(int i, double shift) {
        State& s = state_;
        const double x = s.turns - std::floor(s.turns);
        const double core = x < s.summit ? x / s.summit : (1.0 - x) / (1.0 - s.summit);
        const double over = core - 0.5 * (1.0 + shift);
        if ((over > 0.0) != s.above) {
            s.above = over > 0.0;
            const double moved = over - s.over;
            const double ago = std::abs(moved) > 1e-12 ? std::clamp(over / moved, 0.0, 1.0) : 0.0;
            if (s.above)
                s.gates[2].raise(i - ago, kGateVolts);
            else
                s.gates[2].drop(i - ago);
        }
        s.over = over;
    }

    /// The phase leaps back to the start of the cycle.
    void restart(double at, double summit) {
        State& s = state_;
        const auto leap = [&](Reading& line, double own) {
            line.corners.jump(static_cast<float>(at - frame_->begin),
                              value(0.0, own, line.curve) - value(line.before, own, line.curve));
            line.before = 0.0;
            line.going = true;
        };
        leap(s.main, summit);
        for (Reading& line : s.related) leap(line, summit);
        s.turns = 0.0;
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
            if (mode_ == Core && k > 0) continue; // those are pulses, written already
            f.write(Related + static_cast<int>(k), [&](int i) {
                const float v = own[i - f.begin];
                if (mode_ == Core) return kPeak * v - (cycles_ ? 0.5f * kPeak : 0.0f);
                return kPeak * levels(k, i) * shaped(v, i);
            });
        }
    }

    [[nodiscard]] float levels(std::size_t k, int i) const { return mode_ == Levels ? levels_[k][i] : 1.0f; }

    /// What smooth and fold make of a value 0…1; around zero, ±1/2, when it cycles.
    [[nodiscard]] float shaped(float v, int i) const {
        const float smooth = 0.01f * frame_->control(Smooth)(i);
        const float fold = 0.01f * frame_->control(Fold)(i);
        if (smooth > 0.0f) v += smooth * (v * v * (3.0f - 2.0f * v) - v);
        const float turns = 0.25f * (1.0f + 4.0f * fold); // of the sine, from the middle to the top
        if (cycles_) {
            const float u = 2.0f * v - 1.0f;
            return 0.5f * (fold > 0.0f ? u + fold * (sineOf(turns * u) - u) : u);
        }
        return fold > 0.0f ? v + fold * (0.5f - 0.5f * sineOf(2.0f * turns * v + 0.25f) - v) : v;
    }

    const Frame* frame_ = nullptr;
    int mode_ = Levels;
    bool cycles_ = false;
    std::array<Line, kRelated> levels_{};
    static constexpr float kNone = 1e9f;
    struct State {
        GateBank<1> gate;
        PulseWriter rose;
        PulseWriter fell;
        std::array<PulseWriter, 3> gates; ///< of the core: end of rise, end of fall, above the level
        Reading main;
        std::array<Reading, kRelated> related;
        double turns = 0.0;
        double summit = 0.5;
        bool running = false;
        int chord = 0;
        double over = -0.5;
        bool above = false;
        bool pressed = false;
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
             {"shift-cv",
              "shift cv",
              SignalKind::Control,
              -5,
              5,
              "shift-amount",
              {{"shift", kPerVolt}, {"chord", kPerVolt}}}},
        .outputs =
            joined({{{"out", "out", SignalKind::Control, 0, 8},
                     {"inverted", "inverted", SignalKind::Control, -8, 0},
                     {"end-of-rise", "end of rise", Gate, 0, 8},
                     {"end-of-fall", "end of fall", Gate, 0, 8}},
                    numbered(kRelated, JackSpec{"related", "related", SignalKind::Control, -4, 8, "", {}, true})}),
        .controls = {{"rise", "Rise", time, 0.1},
                     {"fall", "Fall", time, 0.3},
                     {"curve", "Curve", bipolarPercent(), 0},
                     {"cycle", "Cycle", switchScale({"once", "cycling"}), 0},
                     {"mode", "Related by", switchScale({"levels", "phase", "ratios", "core"}), 0},
                     {"shift", "Shift", bipolarPercent(), 0},
                     {"chord", "Chord", zoneScale(Unit::Percent, -100, 100, chordWords()), 0},
                     {"smooth", "Smooth", percent(), 0},
                     {"fold", "Fold", percent(), 0},
                     {"rise-amount", "Rise CV", bipolarPercent(), 0},
                     {"fall-amount", "Fall CV", bipolarPercent(), 0},
                     {"both-amount", "Both CV", bipolarPercent(), 0},
                     {"shift-amount", "Shift CV", bipolarPercent(), 0},
                     button("press-trigger", "Strike")},
        .flows = {{{"slew-in"}, Does::Passes, {"out", "inverted"}}, {{"trigger"}, Does::Strikes}},
        .make = makeBlock<FunctionGenerator>};
}

} // namespace lariat
