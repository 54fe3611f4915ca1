// Low-pass gate: amplifier, low-pass, or both, moved by an opto-coupler.
//
// The coupler's response r follows the control c = clamp(offset + V·amount/8) quickly up and slowly down (opto.h).
// Gain = r^1.5 (VCA, both), cutoff =
// 20 Hz · 1000^r (low-pass, both), a second-order low-pass, Q 0.5 to 3.3 by `resonance`. `Response` scales all
// times. After a trigger it rings down within some tenths of a second; a struck one is darker the quieter it is.
#include "blocks/parts/filters.h"
#include "blocks/parts/opto.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, Cv };
enum Out { Main, Light };
enum Control { Offset, Amount, Mode, Resonance, Response };
enum Modes { AsVca, AsBoth, AsFilter };

class LowPassGate final : public StatefulBlock<LowPassGate> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        const int mode = frame.position(Mode);
        const double period = 1.0 / frame.rate();
        const Modulated control = modulated(frame, Offset, Cv, Amount, 12.5f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float light = s.light.toward(0.01f * control(i), 0.01f * frame.control(Response)(i), period);
            const float in = frame.in(Input)[i];
            float out = in;
            if (mode != AsVca) {
                const float g = warped(20.0f * fastExp2(9.9657843f * light), frame.rate());
                const float k = 0.017f * frame.control(Resonance)(i);
                const Section::Outs o = s.filter.run(in, g, 2.0f - k);
                out = o.low;
            }
            if (mode != AsFilter) out *= light * std::sqrt(light);
            if (Signal* to = frame.out(Main)) (*to)[i] = out;
            if (Signal* to = frame.out(Light)) (*to)[i] = 8.0f * light;
        }
        heal(s.filter);
    }

  private:
    friend class StatefulBlock<LowPassGate>;
    struct State {
        Section filter;
        Opto light;
    } state_;
};

} // namespace

BlockType lowPassGateType() {
    using enum SignalKind;
    return {.id = "low-pass-gate",
            .name = "Low-pass gate",
            .about = "Amplifier and low-pass under one opto-coupler",
            .inputs = {{"in", "in", Audio}, {"cv", "cv", SignalKind::Control, 0, 8, "amount", {{"offset", 12.5}}}},
            .outputs = {{"out", "out", Audio}, {"light", "light", SignalKind::Control, 0, 8}},
            .controls = {{"offset", "Offset", percent(), 0},
                         {"amount", "CV", bipolarPercent(), 100},
                         {"mode", "Mode", switchScale({"VCA", "both", "low-pass"}), 1},
                         {"resonance", "Resonance", percent(), 0},
                         {"response", "Response", linearScale(Unit::Percent, 25, 400), 100}},
            .flows = {{{"in"}, Does::Passes, {"out"}, {}, "offset"},
                      {{"cv"}, Does::Opens, {"out"}, {}, "offset"},
                      {{"cv"}, Does::Passes, {"light"}}},
            .make = makeBlock<LowPassGate>};
}

} // namespace lariat
