// Eight-phase LFO: one cycle, read at eight places 45° apart.
//
// Rate = rate · 2^(V(rate cv)·amount). A rising edge at reset starts the cycle at its exact time. Two rising edges at
// tap set the rate to one cycle between them; from then on the rate knob stands for ratios of 1/8…8 around its middle.
// A clock at sync does the same for as long as it runs, and pulls the phase to its pulses. Shapes: phase_wave.h, so
// that the LFO stays clean when it runs into the audio range.
#include "blocks/parts/gate.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/phase_wave.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

#include <fmt/format.h>

namespace lariat {
namespace {

enum In { RateCv, Reset, Tap, SyncIn };
enum Control { Rate, RateAmount, ShapeSwitch, Polarity };
constexpr int kPhases = 8;
/// Hertz; neutral when a tap or clock gives the rate: the octave around the knob's middle (1.58 Hz) and its rest (1
/// Hz).
constexpr double kMiddleRate = 1.26;

class PhaseLfo final : public StatefulBlock<PhaseLfo> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        const auto shape = static_cast<PhaseWave::Shape>(frame.position(ShapeSwitch));
        for (PhaseWave& wave : s.waves) wave.shape(shape);
        Walk walk(frame);
        const auto one = [&](int i) { sample(frame, i); };
        const auto until = [&](double at) { walk.upTo(at, one); };
        if (!frame.plugged(SyncIn) && s.clocked) { // the clock was pulled out: the knob counts again
            s.clocked = false;
            s.period = s.pull = 0.0;
            s.lastClock = -1e18;
        }
        s.gates.inOrder(frame, {Reset, Tap, SyncIn}, until, [&](int which, const Edge& edge) {
            if (!edge.rising) return;
            if (which == 0) s.resetAt = edge.at;
            if (which == 1) tap(frame, edge.at);
            if (which == 2) clock(edge.at);
        });
        walk.toEnd(one);
        if (frame.endsRun()) {
            s.lastTap -= kRun;
            s.lastClock -= kRun;
        }
        const int n = frame.end - frame.begin;
        const bool unipolar = frame.position(Polarity) == 1;
        for (int p = 0; p < kPhases; ++p) {
            Line volts;
            s.waves[idx(p)].flush(volts.data(), n);
            frame.write(p, [&](int i) {
                const float v = volts[i - frame.begin];
                return unipolar ? 4.0f + 4.0f * v : 5.0f * v;
            });
        }
    }

  private:
    friend class StatefulBlock<PhaseLfo>;

    void tap(const Frame& frame, float at) {
        State& s = state_;
        const double length = static_cast<double>(at) - s.lastTap;
        if (length > 1.0 && length < 20.0 * frame.rate()) s.period = length;
        s.lastTap = at;
        s.resetAt = at;
    }

    void clock(float at) {
        State& s = state_;
        const double length = static_cast<double>(at) - s.lastClock;
        if (length > 1.0 && s.lastClock > -1e12) {
            s.period = length;
            s.clocked = true;
        }
        s.lastClock = at;
        s.pull = -(s.phase - std::round(s.phase)); // made good over one period
    }

    void sample(const Frame& frame, int i) {
        State& s = state_;
        const double octaves = static_cast<double>(0.01f * frame.control(RateAmount)(i) * frame.in(RateCv)[i]);
        const auto bend = static_cast<double>(fastExp2(static_cast<float>(std::clamp(octaves, -16.0, 12.0))));
        const auto rate = static_cast<double>(frame.control(Rate)(i));
        double turn = rate / frame.rate();
        if (s.period > 0.0) turn = nearestRatio(rate) / s.period;
        turn = std::min(0.45, turn * bend);
        if (s.period > 0.0 && s.pull != 0.0) {
            const double part = std::clamp(s.pull, -0.5 * turn, 0.5 * turn);
            s.pull -= part;
            turn += part;
        }
        const int at = i - frame.begin;
        double from = s.phase;
        double since = at - 1.0;
        if (s.resetAt <= static_cast<float>(i)) {
            const double when =
                std::clamp(static_cast<double>(s.resetAt) - frame.begin, since, static_cast<double>(at));
            const double reached = from + turn * (when - since);
            for (std::size_t p = 0; p < kPhases; ++p) {
                const double place = static_cast<double>(p) / kPhases;
                s.waves[p].travel(since, from + place, when, reached + place);
                s.waves[p].leap(when, reached + place, place);
            }
            from = 0.0;
            since = when;
            s.resetAt = kNone;
        }
        const double to = from + turn * (at - since);
        for (std::size_t p = 0; p < kPhases; ++p) {
            const double place = static_cast<double>(p) / kPhases;
            s.waves[p].travel(since, from + place, at, to + place);
            s.waves[p].sample(at, to + place);
        }
        s.phase = to - std::floor(to);
    }

    /// The knob as a ratio of small whole numbers around its middle.
    static double nearestRatio(double rate) {
        const double octaves = std::clamp(std::round(std::log2(rate / kMiddleRate)), -3.0, 3.0);
        return std::exp2(octaves);
    }

    static constexpr float kNone = 1e9f;
    struct State {
        GateBank<3> gates;
        std::array<PhaseWave, kPhases> waves;
        double phase = 0.0;
        double period = 0.0;  ///< samples between taps or clock pulses; 0: none came
        double pull = 0.0;    ///< turns still to be made good
        bool clocked = false; ///< the period is that of a clock at sync
        double lastTap = -1e18;
        double lastClock = -1e18;
        float resetAt = kNone;
    } state_;
};

} // namespace

BlockType phaseLfoType() {
    using enum SignalKind;
    std::vector<JackSpec> outputs;
    for (int p = 0; p < kPhases; ++p)
        outputs.push_back({fmt::format("phase-{}", 45 * p), fmt::format("{}°", 45 * p), Control, -5, 8});
    return {.id = "phase-lfo",
            .name = "Eight-phase LFO",
            .about = "One slow cycle at eight places 45° apart; reaches audio",
            .inputs = {{"rate-cv", "rate v/oct", Pitch, -5, 8, "rate-amount"},
                       {"reset", "reset", Gate, 0, 8},
                       {"tap", "tap", Gate, 0, 8},
                       {"sync", "sync", Clock, 0, 8}},
            .outputs = outputs,
            .controls = {{"rate", "Rate", logScale(Unit::Hertz, 0.005, 500), 1},
                         {"rate-amount", "Rate CV", bipolarPercent(), 100},
                         {"shape", "Shape", switchScale({"sine", "triangle", "saw", "square"}), 0},
                         {"polarity", "Polarity", switchScale({"±5 V", "0…8 V"}), 0}},
            .flows = {{{"reset"}, Does::Resets}, {{"tap", "sync"}, Does::Times}},
            .make = makeBlock<PhaseLfo>};
}

} // namespace lariat
