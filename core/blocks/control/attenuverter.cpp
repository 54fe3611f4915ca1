// Attenuverter with offset: out = amount · in + offset; amount -100…+100 %, zero at noon.
#include "blocks/types.h"

namespace lariat {
namespace {

enum Control { Amount, Offset };

class Attenuverter final : public StatelessBlock<Attenuverter> {
  public:
    void process(const Frame& frame) {
        Signal* out = frame.out(0);
        if (!out) return;
        const float* in = frame.in(0).volts.data();
        const Ramp amount = frame.control(Amount);
        const Ramp offset = frame.control(Offset);
        for (int i = frame.begin; i < frame.end; ++i) (*out)[i] = 0.01f * amount(i) * in[i] + offset(i);
    }
};

} // namespace

BlockType attenuverterType() {
    using enum SignalKind;
    return {.id = "attenuverter",
            .name = "Attenuverter",
            .about = "Scales, inverts and shifts a voltage",
            .inputs = {{"in", "in", Control, -5, 8, "amount"}},
            .outputs = {{"out", "out", Control, -10, 10}},
            .controls = {{"amount", "Amount", linearScale(Unit::Percent, -100, 100), 0},
                         {"offset", "Offset", linearScale(Unit::Volts, -5, 5), 0}},
            .flows = {{{"in"}, Does::Passes}},
            .make = makeBlock<Attenuverter>};
}

} // namespace lariat
