// Sequential switch: four ways to one, one way to four, and four to four, a place further at each clock.
//
// `4 to 1` passes the input of the present place; `1 to 4` sends the common input to the output of that place, 0 V to
// the others; each of the `4 to 4` outputs passes the input that lies as many places on as the count. Reset goes to
// place
// 1. With the fade, places change over 2 ms along a straight line, so that nothing clicks; without, at once.
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

constexpr int kPlaces = 4;
enum In { Inputs, Common = kPlaces, ClockIn, Reset };
enum Out { One, Many, Turned = Many + kPlaces };
enum Control { Steps, Fade };
constexpr float kFadeSeconds = 0.002f;

class SequentialSwitch final : public StatefulBlock<SequentialSwitch> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        const float step = frame.position(Fade) == 1 ? 1.0f / (kFadeSeconds * static_cast<float>(frame.rate())) : 1.0f;
        Walk walk(frame);
        const auto one = [&](int i) {
            for (int p = 0; p < kPlaces; ++p) {
                float& weight = s.weights[idx(p)];
                weight = p == s.place ? std::min(1.0f, weight + step) : std::max(0.0f, weight - step);
            }
            float sum = 0.0f;
            std::array<float, kPlaces> turned{};
            for (int p = 0; p < kPlaces; ++p) {
                const float weight = s.weights[idx(p)];
                sum += weight * frame.in(Inputs + p)[i];
                if (Signal* out = frame.out(Many + p)) (*out)[i] = weight * frame.in(Common)[i];
                for (int o = 0; o < kPlaces; ++o) turned[idx(o)] += weight * frame.in(Inputs + (o + p) % kPlaces)[i];
            }
            if (Signal* out = frame.out(One)) (*out)[i] = sum;
            for (int o = 0; o < kPlaces; ++o)
                if (Signal* out = frame.out(Turned + o)) (*out)[i] = turned[idx(o)];
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gates.inOrder(frame, {ClockIn, Reset}, until, [&](int which, const Edge& edge) {
            if (!edge.rising) return;
            s.place = which == 1 ? 0 : (s.place + 1) % (2 + frame.position(Steps));
        });
        walk.toEnd(one);
    }

    /// Told: the place, from 0.
    void tell(Told& told) const override { told[0] = state_.place; }

  private:
    friend class StatefulBlock<SequentialSwitch>;
    struct State {
        GateBank<2> gates;
        std::array<float, kPlaces> weights{1.0f, 0.0f, 0.0f, 0.0f};
        int place = 0;
    } state_;
};

} // namespace

BlockType sequentialSwitchType() {
    using enum SignalKind;
    return {.id = "sequential-switch",
            .name = "Sequential switch",
            .about = "Four to one, one to four, four to four, a place further at each clock",
            .inputs = joined(
                {numbered(kPlaces, JackSpec{"in", "in", Audio}),
                 {{"common", "common in", Audio}, {"clock", "clock", Clock, 0, 8}, {"reset", "reset", Gate, 0, 8}}}),
            .outputs = joined({{{"one", "4 to 1", Audio}},
                               numbered(kPlaces, JackSpec{"many", "1 to 4:", Audio}),
                               numbered(kPlaces, JackSpec{"turned", "4 to 4:", Audio})}),
            .controls = {{"steps", "Places", countScale(2, kPlaces), 2},
                         {"fade", "Change", switchScale({"at once", "fades"}), 1}},
            .flows = joined<Flow>(
                {numbered(kPlaces, Flow{{"in"}, Does::Passes, {"one", "turned-1", "turned-2", "turned-3", "turned-4"}}),
                 {{{"common"}, Does::Passes, {"many-1", "many-2", "many-3", "many-4"}},
                  {{"clock"}, Does::Times},
                  {{"reset"}, Does::Resets}}}),
            .make = makeBlock<SequentialSwitch>};
}

} // namespace lariat
