// DC blocker: first-order high-pass at 2…40 Hz, stereo; what a capacitor in the way does.
#include "blocks/filters.h"
#include "blocks/types.h"

namespace lariat {
namespace {

class DcBlocker final : public StatefulBlock<DcBlocker> {
  public:
    void prepare(const Setup&) override {}
    void process(const Frame& frame) override {
        const float g = warped(frame.control(0).start, frame.rate);
        for (int side = 0; side < 2; ++side) {
            const Signal& in = frame.in(side);
            frame.write(side, [&](int i) { return in[i] - state_.means[side].low(in[i], g); });
            heal(state_.means[side].s);
        }
    }

  private:
    friend class StatefulBlock<DcBlocker>;
    struct State {
        OnePole means[2];
    } state_;
};

} // namespace

BlockType dcBlockerType() {
    using enum SignalKind;
    return {"dc-blocker",
            "DC blocker",
            "Takes out what does not move",
            {{"left", "in L", Audio}, {"right", "in R", Audio}},
            {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            {{"cutoff", "Cutoff", logScale(Unit::Hertz, 2, 40), 5}},
            makeBlock<DcBlocker>};
}

} // namespace lariat
