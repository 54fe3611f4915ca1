// Attenuverter with offset: out = amount · in + offset; amount -100…+100 %, zero at noon.
#include "blocks/types.h"

namespace lariat {
namespace {

enum Control { Amount, Offset };

class Attenuverter final : public StatefulBlock<Attenuverter> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        Signal* out = frame.out(0);
        if (!out) return;
        const float* in = frame.in(0).volts.data();
        const Ramp amount = frame.control(Amount);
        const Ramp offset = frame.control(Offset);
        for (int i = frame.begin; i < frame.end; ++i) (*out)[i] = 0.01f * amount(i) * in[i] + offset(i);
    }

  private:
    friend class StatefulBlock<Attenuverter>;
    struct State {
    } state_;
};

} // namespace

BlockType attenuverterType() {
    using enum SignalKind;
    return {"attenuverter",
            "Attenuverter",
            "Scales, inverts and shifts a voltage",
            {{"in", "in", Control, -5, 8, "amount"}},
            {{"out", "out", Control, -10, 10}},
            {{"amount", "Amount", linearScale(Unit::Percent, -100, 100), 0},
             {"offset", "Offset", linearScale(Unit::Volts, -5, 5), 0}},
            makeBlock<Attenuverter>};
}

} // namespace lariat
