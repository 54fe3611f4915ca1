// Ratio oscillator trio: three oscillators tied to each other, or to a signal from outside, by whole-number ratios.
//
// An oscillator runs free at C4 · 2^(tune/12 + V(v/oct)), in the slow range a 1024th of that, minutes a turn, or at
// (times ÷ divided by) the frequency of its reference: for the outer two the inner one, for the inner one the left one,
// for any of them the signal at `ref`. Between oscillators the ratio acts on the reference's phase, so the lock is
// exact: p = frac(turns · times / by). A signal at `ref` is followed by its rising edges: each sets the pace for the
// next period, with the phase error of the last one spread over it (a first-order phase-locked loop). The ratio's CV
// moves what it is multiplied or divided by, as a switch says, three steps a volt. Phase modulation by index·V/5 turns,
// the index raised by its CV (100 % at 8 V and full amount): sine and saw are read at p + m, cosine and co-saw at p -
// m, so that the pairs are modulated in opposite directions. Linear FM is through-zero; tune, expo FM and v/oct shift
// free oscillators; transpose shifts those and what follows `ref`, and with them all that are locked to them, by knob
// and at 1 V/oct. What is normal: in `pm`, the outer two hear the inner sine, and the inner one half of each outer sine
// of the sample before; in `lin fm` the outer two hear the inner sine. Full depth, 100 % of 5 V, reaches zero; beyond,
// they run backward. Phase modulation: Chowning 1973. Corners: phase_wave.h.
#include "blocks/parts/gate.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/phase_wave.h"
#include "blocks/types.h"

#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

enum In { Voct, Ref, Pm, Lin, Exp, RatioCv, IndexCv, kIns };
enum Out { SineOut, Cosine, SawOut, CoSaw, kOuts };
enum Control {
    Source,
    Times,
    By,
    Tune,
    Index,
    LinAmount,
    ExpAmount,
    RatioAmount,
    IndexAmount,
    RatioTo,
    PaceRange,
    kControls
};
constexpr double kSlow = 1.0 / 1024.0;
enum Follows { Free, Other, Outside };
constexpr int kOscillators = 3;
constexpr int kInner = 1;
constexpr int kTranspose = kOscillators * kControls;
constexpr int kTransposeCv = kOscillators * kIns;
constexpr double kAllRatios = 720720.0; ///< turns after which every ratio of 1…16 comes round

/// Turns at the pace of a signal's rising edges.
struct Follower {
    GateReader edges;
    bool begun = false;     ///< the first edge has come: what follows it is a period
    double sinceEdge = 0.0; ///< samples
    double period = 0.0;
    double pace = 0.0; ///< reference turns per sample
    double turns = 0.0;
    double whole = 0.0; ///< edges counted

    void pulse(double ago) {
        const double length = sinceEdge - ago;
        sinceEdge = ago;
        if (!begun) {
            begun = true;
            return;
        }
        whole = std::fmod(whole + 1.0, kAllRatios);
        if (length > 1.0) {
            if (period == 0.0) turns = whole - pace * ago;
            period = length;
            double ahead = turns - pace * ago - whole; // at the edge; the next period makes it good
            ahead -= kAllRatios * std::round(ahead / kAllRatios);
            pace = std::max(0.0, (1.0 - std::clamp(ahead, -0.5, 0.5)) / period);
        }
    }
};

class RatioTrio final : public StatefulBlock<RatioTrio> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        const int n = frame.end - frame.begin;
        std::array<FoundEdges, kOscillators> edges;
        std::array<std::size_t, kOscillators> nextEdge{};
        for (std::size_t o = 0; o < kOscillators; ++o) {
            const int ref = input(o, Ref);
            if (frame.plugged(ref)) s.osc[o].follower.edges.read(frame.in(ref), frame.begin, frame.end, edges[o]);
            for (int w = 0; w < kOuts; ++w) s.osc[o].waves[idx(w)].shape(w < SawOut ? PhaseWave::Sine : PhaseWave::Saw);
        }
        for (int i = frame.begin; i < frame.end; ++i)
            for (const std::size_t o : {std::size_t{kInner}, std::size_t{0}, std::size_t{2}}) {
                Follower& follower = s.osc[o].follower;
                follower.sinceEdge += 1.0;
                follower.turns += follower.pace;
                while (nextEdge[o] < edges[o].count && edges[o].edges[nextEdge[o]].at <= static_cast<float>(i)) {
                    const Edge& edge = edges[o].edges[nextEdge[o]++];
                    if (edge.rising) follower.pulse(static_cast<double>(i) - static_cast<double>(edge.at));
                }
                step(frame, o, i);
            }
        for (std::size_t o = 0; o < kOscillators; ++o)
            for (int w = 0; w < kOuts; ++w) {
                Line volts;
                s.osc[o].waves[idx(w)].flush(volts.data(), n);
                frame.write(static_cast<int>(o) * kOuts + w, [&](int i) { return 5.0f * volts[i - frame.begin]; });
            }
    }

  private:
    friend class StatefulBlock<RatioTrio>;

    struct Oscillator {
        Follower follower;
        double turns = 0.0;     ///< modulo kAllRatios
        double plus = 0.0;      ///< phase of sine and saw after the last sample, in turns
        double minus = 0.0;     ///< phase of cosine and co-saw
        double offset = 0.0;    ///< what linear FM and transposition have added to a locked phase
        double reference = 0.0; ///< turns of what it is locked to, at the last sample
        float sine = 0.0f;
        std::array<PhaseWave, kOuts> waves;
    };

    static int input(std::size_t o, int jack) { return static_cast<int>(o) * kIns + jack; }
    static int control(std::size_t o, int c) { return static_cast<int>(o) * kControls + c; }

    void step(const Frame& frame, std::size_t o, int i) {
        Oscillator& osc = state_.osc[o];
        const Oscillator& inner = state_.osc[kInner];
        const auto in = [&](int jack) { return frame.in(input(o, jack))[i]; };
        const auto knob = [&](int c) { return frame.control(control(o, c))(i); };

        const float transpose = frame.control(kTranspose)(i) / 12.0f + frame.in(kTransposeCv)[i];
        const float theirSine = o == kInner ? 0.5f * (state_.osc[0].sine + state_.osc[2].sine) : inner.sine;
        const float fm = o == kInner || frame.plugged(input(o, Lin)) ? in(Lin) : 5.0f * theirSine;
        const double linear = 0.002 * static_cast<double>(knob(LinAmount) * fm);
        const int follows = frame.position(control(o, Source));
        const double ratio = ratioOf(frame, o, i);
        double before = osc.turns;
        if (follows == Free) {
            const float shift = knob(Tune) / 12.0f + transpose + in(Voct) + 0.01f * knob(ExpAmount) * in(Exp);
            const double pace = frame.position(control(o, PaceRange)) == 1 ? kSlow : 1.0;
            const double turn =
                pace * kMiddleC * static_cast<double>(fastExp2(std::clamp(shift, -20.0f, 6.0f))) / frame.rate();
            osc.turns = before + std::clamp(turn * (1.0 + linear), -0.45, 0.45);
        } else {
            const double theirs = follows == Outside ? osc.follower.turns
                                  : o == kInner      ? state_.osc[0].turns
                                                     : inner.turns;
            // A signal from outside is not transposed yet; another oscillator is.
            const double step = std::remainder(theirs - osc.reference, kAllRatios);
            if (follows == Outside && transpose != 0.0f)
                osc.offset += (static_cast<double>(fastExp2(std::clamp(transpose, -8.0f, 8.0f))) - 1.0) * ratio * step;
            osc.reference = theirs;
            const double locked = theirs * ratio + osc.offset;
            const double moved = std::remainder(locked - before, 1.0);
            osc.offset += linear * std::clamp(moved, -0.45, 0.45);
            osc.turns = before + moved;
        }

        const float pm = frame.plugged(input(o, Pm)) ? in(Pm) : 5.0f * theirSine;
        const float depth = std::max(0.0f, knob(Index) + 0.125f * knob(IndexAmount) * in(IndexCv));
        const double index = 0.002 * static_cast<double>(depth * pm);
        move(osc.waves[SineOut], osc.waves[SawOut], osc.plus, osc.turns + index, i - frame.begin, 0.0);
        move(osc.waves[Cosine], osc.waves[CoSaw], osc.minus, osc.turns - index, i - frame.begin, 0.25);
        osc.sine = osc.waves[SineOut].value(osc.plus);
        if (std::abs(osc.turns) > kAllRatios) {
            const double wrapped = std::fmod(osc.turns, kAllRatios);
            osc.plus += wrapped - osc.turns;
            osc.minus += wrapped - osc.turns;
            osc.turns = wrapped;
        }
    }

    static void move(PhaseWave& sine, PhaseWave& saw, double& phase, double next, int i, double lead) {
        if (!std::isfinite(next)) next = phase;
        saw.travel(i - 1.0, phase, i, next);
        phase = next;
        sine.sample(i, phase + lead);
        saw.sample(i, phase);
    }

    [[nodiscard]] static double ratioOf(const Frame& frame, std::size_t o, int i) {
        const float cv = frame.in(input(o, RatioCv))[i] * 0.01f * frame.control(control(o, RatioAmount))(i);
        const long more = std::lround(std::clamp(cv, -12.0f, 12.0f) * 3.0f); // 3 steps a volt
        const bool divides = frame.position(control(o, RatioTo)) == 1;
        const long times = 1 + frame.position(control(o, Times)) + (divides ? 0 : more);
        const long by = 1 + frame.position(control(o, By)) + (divides ? more : 0);
        return static_cast<double>(std::clamp(times, 1L, 16L)) / static_cast<double>(std::clamp(by, 1L, 16L));
    }

    struct State {
        std::array<Oscillator, kOscillators> osc;
    } state_;
};

} // namespace

BlockType ratioTrioType() {
    using enum SignalKind;
    std::vector<JackSpec> inputs;
    std::vector<JackSpec> outputs;
    std::vector<ControlSpec> controls;
    for (const std::string who : {"left", "inner", "right"}) {
        const std::string brief = who == "inner" ? "in" : who == "left" ? "L" : "R";
        const auto id = [&](const std::string& word) { return fmt::format("{}-{}", who, word); };
        const auto name = [&](const std::string& word) { return fmt::format("{} {}", brief, word); };
        const std::string other = who == "inner" ? "left" : "inner";
        for (const JackSpec& jack : std::vector<JackSpec>{{"voct", "v/oct", Pitch, -5, 8},
                                                          {"ref", "ref", Audio, -5, 5},
                                                          {"pm", "pm", Audio, -5, 5, id("index")},
                                                          {"lin", "lin fm", Audio, -5, 5, id("lin-amount")},
                                                          {"exp", "exp fm", Control, -5, 5, id("exp-amount")},
                                                          {"ratio-cv", "ratio cv", Control, -5, 5, id("ratio-amount")},
                                                          {"index-cv", "index cv", Control, -5, 8, id("index-amount")}})
            inputs.push_back({id(jack.id), name(jack.name), jack.kind, jack.min, jack.max, jack.amount});
        for (const std::string wave : {"sine", "cosine", "saw", "co-saw"})
            outputs.push_back({id(wave), name(wave), Audio});
        for (const ControlSpec& knob : std::vector<ControlSpec>{
                 {"source", "follows", switchScale({"free", other, "ref in"}), who == "inner" ? 0. : 1.},
                 {"times", "times", countScale(1, 16), 0},
                 {"by", "divided by", countScale(1, 16), 0},
                 {"tune", "tune", linearScale(Unit::Semitones, -60, 36), 0},
                 {"index", "index", linearScale(Unit::Percent, 0, 400), 0},
                 {"lin-amount", "lin fm", linearScale(Unit::Percent, -400, 400), 0},
                 {"exp-amount", "exp fm", bipolarPercent(), 0},
                 {"ratio-amount", "ratio cv", bipolarPercent(), 100},
                 {"index-amount", "index cv", bipolarPercent(), 0},
                 {"ratio-to", "cv moves", switchScale({"times", "divided by"}), 0},
                 {"range", "range", switchScale({"audio", "slow"}), 0}})
            controls.push_back({id(knob.id), name(knob.name), knob.scale, knob.initial});
    }
    std::vector<Flow> flows;
    for (const std::string who : {"left", "inner", "right"}) {
        std::vector<std::string> waves;
        for (const char* wave : {"sine", "cosine", "saw", "co-saw"}) waves.push_back(fmt::format("{}-{}", who, wave));
        const auto id = [&](const char* word) { return fmt::format("{}-{}", who, word); };
        flows.push_back({{id("voct")}, Does::Tunes, waves});
        flows.push_back({{id("ref")}, Does::Tunes, waves});
        flows.push_back({{id("pm"), id("lin"), id("exp"), id("ratio-cv"), id("index-cv")}, Does::Moves, waves});
    }
    inputs.push_back({"transpose-cv", "transpose", Pitch, -5, 5});
    controls.push_back({"transpose", "Transpose", linearScale(Unit::Semitones, -36, 36), 0});
    return {.id = "ratio-trio",
            .name = "Ratio oscillator trio",
            .about = "Three oscillators locked by whole-number ratios, with phase modulation around the ring",
            .inputs = inputs,
            .outputs = outputs,
            .controls = controls,
            .flows = flows,
            .make = makeBlock<RatioTrio>};
}

} // namespace lariat
