// DC blocker: first-order high-pass at 2…40 Hz, stereo; what a capacitor in the way does.
#include "blocks/parts/filters.h"
#include "blocks/types.h"

namespace lariat {
namespace {

class DcBlocker final : public StatefulBlock<DcBlocker> {
  public:
    void process(const Frame& frame) {
        const auto g = static_cast<double>(warped(frame.control(0).start, frame.rate()));
        const int side = frame.section;
        const Signal& in = frame.in(side);
        frame.write(side, [&](int i) { return in[i] - state_.means[side].low(in[i], g); });
    }

  private:
    friend class StatefulBlock<DcBlocker>;
    struct State {
        SlowPole means[2];
    } state_;
};

} // namespace

BlockType dcBlockerType() {
    using enum SignalKind;
    return {.id = "dc-blocker",
            .name = "DC blocker",
            .about = "Takes out what does not move",
            .inputs = {{"left", "in L", Audio}, {"right", "in R", Audio}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"cutoff", "Cutoff", logScale(Unit::Hertz, 2, 40), 5}},
            .flows = {{{"left"}, Does::Passes, {"left-out"}}, {{"right"}, Does::Passes, {"right-out"}}},
            .make = makeBlock<DcBlocker>,
            .sections = {{bits({0}), bits({0})}, {bits({1}), bits({1})}}};
}

} // namespace lariat
