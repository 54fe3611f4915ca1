// Four-quadrant multiplier: out = x · y / 5 + carrier trim · y, so that 5 V at y is unity. Ring modulation of two
// sounds; amplitude modulation with the carrier trimmed in; polarizing of a voltage by another. x is scaled by its
// level first. `am` has the carrier fully in: (1 + x/5) y / 2.
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { X, Y };
enum Out { Product, Am };
enum Control { Level, Carrier };

class Ring final : public StatelessBlock<Ring> {
  public:
    void process(const Frame& frame) {
        const auto x = [&](int i) { return 0.01f * frame.control(Level)(i) * frame.in(X)[i]; };
        frame.write(Product, [&](int i) { return frame.in(Y)[i] * (0.2f * x(i) + 0.01f * frame.control(Carrier)(i)); });
        frame.write(Am, [&](int i) { return 0.5f * frame.in(Y)[i] * (1.0f + 0.2f * x(i)); });
    }
};

} // namespace

BlockType ringType() {
    using enum SignalKind;
    return {.id = "ring",
            .name = "Four-quadrant multiplier",
            .about = "Ring modulation, amplitude modulation, polarizing",
            .inputs = {{"x", "x", Audio, -5, 5, "level"}, {"y", "y", Audio}},
            .outputs = {{"product", "product", Audio}, {"am", "am", Audio}},
            .controls = {{"level", "X level", percent(), 100}, {"carrier", "Carrier", bipolarPercent(), 0}},
            .flows = {{{"x"}, Does::Passes, {"product"}, {}, "carrier"},
                      {{"x"}, Does::Passes, {"am"}},
                      {{"y"}, Does::Opens, {"product"}, {}, "carrier"},
                      {{"y"}, Does::Moves, {"am"}}},
            .make = makeBlock<Ring>};
}

} // namespace lariat
