// LFO: low-frequency oscillator that reaches audio.
//
// Frequency f = rate · 2^V(rate cv); a rising edge at reset restarts the cycle at its exact time. The waves
// are the VCO's (oscillator_core.h), so that they stay clean when the rate runs into the audio range.
#include "blocks/gate.h"
#include "blocks/maths.h"
#include "blocks/oscillator_core.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { RateCv, Reset };
enum Control { Rate, Width, RateAmount };

class Lfo final : public StatefulBlock<Lfo> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) override {
        std::array<float, kRun> turns;
        std::array<float, kRun> width;
        const Ramp rate = frame.control(Rate);
        const Ramp amount = frame.control(RateAmount);
        const Ramp duty = frame.control(Width);
        const float* cv = frame.in(RateCv).volts.data();
        const float period = 1.0f / static_cast<float>(frame.rate);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = std::clamp(amount(i) * 0.01f * cv[i], -20.0f, 12.0f);
            turns[static_cast<std::size_t>(i)] = std::min(0.45f, rate(i) * period * fastExp2(octaves));
            width[static_cast<std::size_t>(i)] = 0.01f * duty(i);
        }
        SyncPulses reset;
        if (frame.plugged(Reset)) reset.add(state_.reset.read(frame.in(Reset), frame.begin, frame.end));
        const std::array<Signal*, OscillatorCore::kWaves> outputs = {frame.out(0), frame.out(1), frame.out(2),
                                                                     frame.out(3)};
        state_.core.run(frame.begin, frame.end, turns.data(), width.data(), reset.all(), outputs);
    }

  private:
    friend class StatefulBlock<Lfo>;
    struct State {
        OscillatorCore core;
        GateReader reset;
    } state_;
};

} // namespace

BlockType lfoType() {
    using enum SignalKind;
    return {"lfo",
            "LFO",
            "Slow oscillator for modulation; reaches audio",
            {{"rate-cv", "rate cv", Control, -5, 5, "rate-amount"}, {"reset", "reset", Gate, 0, 8}},
            {{"sine", "sine", Control},
             {"triangle", "triangle", Control},
             {"saw", "saw", Control},
             {"square", "square", Control}},
            {{"rate", "Rate", logScale(Unit::Hertz, 0.01, 400), 1},
             {"width", "Width", linearScale(Unit::Percent, 0, 100), 50},
             {"rate-amount", "Rate CV", linearScale(Unit::Percent, -100, 100), 100}},
            makeBlock<Lfo>};
}

} // namespace lariat
