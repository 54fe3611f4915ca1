// Opto lag: a voltage as an opto-coupler lets it through: up at once, down slowly and ever more slowly.
//
// out = 8 V · r, with r following V/8, 0…1, as opto.h says. Before the pitch of a ringing filter it makes notes glide
// down; `Response` scales all times.
#include "blocks/parts/opto.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input };
enum Out { Main };
enum Control { Response };
constexpr float kFull = 8.0f;

class OptoLag final : public StatefulBlock<OptoLag> {
  public:
    void process(const Frame& frame) {
        const double period = 1.0 / frame.rate();
        for (int i = frame.begin; i < frame.end; ++i) {
            const float light =
                state_.light.toward(frame.in(Input)[i] / kFull, 0.01f * frame.control(Response)(i), period);
            if (Signal* out = frame.out(Main)) (*out)[i] = kFull * light;
        }
    }

  private:
    friend class StatefulBlock<OptoLag>;
    struct State {
        Opto light;
    } state_;
};

} // namespace

BlockType optoLagType() {
    using enum SignalKind;
    return {.id = "opto-lag",
            .name = "Opto lag",
            .about = "A voltage through an opto-coupler: up at once, down slowly",
            .inputs = {{"in", "in", SignalKind::Control, 0, 8}},
            .outputs = {{"out", "out", SignalKind::Control, 0, 8}},
            .controls = {{"response", "Response", linearScale(Unit::Percent, 25, 400), 100}},
            .flows = {{{"in"}, Does::Passes}},
            .make = makeBlock<OptoLag>};
}

} // namespace lariat
