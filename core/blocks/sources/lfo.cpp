// LFO: low-frequency oscillator that reaches audio.
//
// Frequency f = rate · 2^V(rate cv); a rising edge at reset restarts the cycle at its exact time. The waves
// are the VCO's (oscillator_core.h), so that they stay clean when the rate runs into the audio range.
#include "blocks/parts/gate.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/oscillator_core.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { RateCv, Reset };
enum Control { Rate, Width, RateAmount };

constexpr float kSlowest = 40.0f; ///< hertz, from which on it is a sound

class Lfo final : public StatefulBlock<Lfo> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        Line turns;
        Line width;
        const Ramp rate = frame.control(Rate);
        const Ramp amount = frame.control(RateAmount);
        const Ramp duty = frame.control(Width);
        const Signal& cv = frame.in(RateCv);
        const auto period = static_cast<float>(1.0 / frame.rate());
        const bool stands = rate.step == 0.0f && amount.step == 0.0f;
        const bool even = stands && (!frame.plugged(RateCv) || (frame.begin == 0 && frame.endsRun() && cv.steady()));
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = std::clamp(amount(i) * 0.01f * cv[i], -20.0f, 12.0f);
            turns[i] = std::min(0.45f, rate(i) * period * fastExp2(octaves));
            width[i] = 0.01f * duty(i);
        }
        SyncPulses reset;
        if (frame.plugged(Reset) && !state_.reset.passesQuietly(frame.in(Reset), frame.begin, frame.end)) {
            FoundEdges found;
            state_.reset.read(frame.in(Reset), frame.begin, frame.end, found);
            reset.add(found.all());
        }
        state_.core.run(frame.begin, frame.end, {turns.data(), width.data(), even, duty.step == 0.0f}, reset.all(),
                        outputs_, needed_);
        // A band-limited corner overshoots by a tenth. As a voltage the jack says ±5 V; as a sound it stays as it is.
        const float fastest = kSlowest * period;
        for (const int wave : {OscillatorCore::Saw, OscillatorCore::Pulse})
            if (Signal* out = frame.out(wave); out && turns[frame.end - 1] < fastest)
                for (int i = frame.begin; i < frame.end; ++i) (*out)[i] = std::clamp((*out)[i], -5.0f, 5.0f);
    }

  private:
    friend class StatefulBlock<Lfo>;

    void bound() override {
        for (int o = 0; o < 4; ++o) outputs_[idx(o)] = ports().outputs[o];
        needed_ = OscillatorCore::needed(outputs_);
    }

    OscillatorCore::Outputs outputs_{};
    unsigned needed_ = 0;
    struct State {
        OscillatorCore core;
        GateReader reset;
    } state_;
};

} // namespace

BlockType lfoType() {
    using enum SignalKind;
    return {.id = "lfo",
            .name = "LFO",
            .about = "Slow oscillator for modulation; reaches audio",
            .inputs = {{"rate-cv", "rate cv", Control, -5, 5, "rate-amount", {{"rate", 1, true}}},
                       {"reset", "reset", Gate, 0, 8}},
            .outputs = {{"sine", "sine", Control},
                        {"triangle", "triangle", Control},
                        {"saw", "saw", Control},
                        {.id = "square", .name = "square", .kind = Control, .edges = true}},
            .controls = {{"rate", "Rate", logScale(Unit::Hertz, 0.01, 400), 1},
                         {"width", "Width", linearScale(Unit::Percent, 0, 100), 50},
                         {"rate-amount", "Rate CV", linearScale(Unit::Percent, -100, 100), 100}},
            .flows = {{{"reset"}, Does::Resets}},
            .make = makeBlock<Lfo>};
}

} // namespace lariat
