// Echo: a stereo delay of 1 ms to 2.5 s.
//
// time = knob · 2^(V·amount), or, with a clock, its interval times the ratio; the
// read point glides there within 50 ms, so that it bends the pitch as tape does. What comes back passes a low-pass at
// `tone` and a soft limit at 8 V (x / sqrt(1 + (x/8)²)), which keeps every feedback stable. Ping-pong crosses the
// sides. Frozen (switch, or gate high), the line repeats what it holds and takes nothing in.
// Mix = mix + V·amount/8, 0 to 100 %.
#include "blocks/parts/delay_line.h"
#include "blocks/parts/filters.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, TimeCv, FeedbackCv, ClockIn, FreezeIn, MixCv };
enum Control { Time, Feedback, Tone, MixKnob, Ratio, Route, Freeze, TimeAmount, FeedbackAmount, MixAmount };
constexpr double kLongest = 2.5;
constexpr std::array<double, 9> kRatios = {1.0 / 4, 1.0 / 3, 1.0 / 2, 2.0 / 3, 3.0 / 4, 1.0, 3.0 / 2, 2.0, 3.0};

float limited(float x) {
    return x / std::sqrt(1.0f + x * x * (1.0f / 64.0f));
}

class Echo final : public StatefulBlock<Echo> {
  public:
    static constexpr bool kHasMemory = true;

    void prepare(const Setup& setup) override {
        for (DelayMemory& line : memory_.lines) line.resize(idx(kLongest * setup.rate) + 8);
        glide_ = partPerSample(0.05, setup.rate);
    }

    void process(const Frame& frame) {
        State& s = state_;
        s.gates.inOrder(frame, {ClockIn, FreezeIn}, [&](int which, const Edge& edge) {
            if (which == 1 || !edge.rising) return;
            const auto at = static_cast<double>(edge.at);
            if (at - s.last > 1.0 && s.last > -1e12) s.interval = at - s.last;
            s.last = at;
        });
        if (frame.endsRun()) s.last -= kRun;
        const bool frozen = frame.position(Freeze) == 1 || s.gates.high(1);
        const bool cross = frame.position(Route) == 1;
        const bool stereo = frame.plugged(Right);
        DelayLine lines[2] = {{memory_.lines[0], s.places[0]}, {memory_.lines[1], s.places[1]}};
        const Modulated feedback = modulated(frame, Feedback, FeedbackCv, FeedbackAmount, 12.5f);
        const Modulated wetness = modulated(frame, MixKnob, MixCv, MixAmount, 12.5f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = 0.01f * frame.control(TimeAmount)(i) * frame.in(TimeCv)[i];
            double samples = static_cast<double>(frame.control(Time)(i)) * frame.rate();
            if (frame.plugged(ClockIn) && s.interval > 0.0) samples = s.interval * kRatios[idx(frame.position(Ratio))];
            samples *= static_cast<double>(fastExp2(std::clamp(octaves, -12.0f, 12.0f)));
            const double target = std::min(samples, kLongest * frame.rate());
            s.length = s.length == 0.0 || !std::isfinite(s.length) ? target : s.length + glide_ * (target - s.length);
            const float loss = frozen ? 1.0f : 0.01f * std::clamp(feedback(i), 0.0f, 120.0f);
            const float g = warped(frame.control(Tone)(i), frame.rate());
            const float in[2] = {frame.in(Left)[i], stereo ? frame.in(Right)[i] : frame.in(Left)[i]};
            const float wet[2] = {lines[0].read(s.length), lines[1].read(s.length)};
            for (int side = 0; side < 2; ++side) {
                const float back = wet[cross ? 1 - side : side];
                const float damped = frozen ? back : limited(s.tone[side].low(back, g) * loss);
                const float fresh = frozen || (cross && side == 1) ? 0.0f : in[side];
                lines[side].write(frozen ? back : fresh + damped);
                const float mix = 0.01f * std::clamp(wetness(i), 0.0f, 100.0f);
                if (Signal* out = frame.out(side)) (*out)[i] = (1.0f - mix) * in[side] + mix * wet[side];
            }
        }
        for (OnePole& pole : s.tone) heal(pole.s);
    }

  private:
    friend class StatefulBlock<Echo>;
    struct Memory {
        DelayMemory lines[2];
        void take(Memory& other) {
            for (int side = 0; side < 2; ++side) lines[side].take(other.lines[side]);
        }
    } memory_;
    double glide_ = 0.0;
    struct State {
        GateBank<2> gates;
        std::size_t places[2] = {};
        OnePole tone[2];
        double length = 0.0; ///< samples, where the line is read
        double last = -1e18;
        double interval = 0.0;
    } state_;
};

} // namespace

BlockType echoType() {
    using enum SignalKind;
    return {.id = "echo",
            .name = "Echo",
            .about = "Stereo delay with clocked time, ping-pong and freeze",
            .inputs = {{"left", "in L", Audio},
                       {"right", "in R", Audio},
                       {"time-cv", "time cv", SignalKind::Control, -5, 5, "time-amount"},
                       {"feedback-cv", "feedback cv", SignalKind::Control, -5, 8, "feedback-amount"},
                       {"clock", "clock", Clock, 0, 8},
                       {"freeze", "freeze", Gate, 0, 8},
                       {"mix-cv", "mix cv", SignalKind::Control, -5, 8, "mix-amount", {{"mix", 12.5}}}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"time", "Time", logScale(Unit::Seconds, 0.001, 2.5), 0.375},
                         {"feedback", "Feedback", linearScale(Unit::Percent, 0, 110), 40},
                         {"tone", "Tone", logScale(Unit::Hertz, 200, 20000), 5000},
                         {"mix", "Mix", percent(), 35},
                         {"ratio", "Of the clock",
                          switchScale({"1/4", "1/3", "1/2", "2/3", "3/4", "1", "3/2", "2", "3"}), 5},
                         {"route", "Sides", switchScale({"straight", "ping-pong"}), 0},
                         {"freeze", "Freeze", switchScale({"off", "on"}), 0},
                         {"time-amount", "Time CV", bipolarPercent(), 0},
                         {"feedback-amount", "Feedback CV", bipolarPercent(), 0},
                         {"mix-amount", "Mix CV", bipolarPercent(), 0}},
            .flows = {{.inputs = {"left"}, .feedback = "feedback"},
                      {.inputs = {"right"}, .outputs = {"right-out"}, .feedback = "feedback"},
                      {{"clock"}, Does::Moves},
                      {{"freeze"}, Does::Holds, {}, {}, "freeze"}},
            .make = makeBlock<Echo>};
}

} // namespace lariat
