// Stereo width: middle m = (L + R)/2 and side s = (L - R)/2; out = m ± width · s. 0 % is mono, 100 % as it came, 200 %
// wide.
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

class StereoWidth final : public StatelessBlock<StereoWidth> {
  public:
    void process(const Frame& frame) {
        const Modulated width = modulated(frame, 0, 2, 1, 25.0f);
        for (int side = 0; side < 2; ++side)
            frame.write(side, [&](int i) {
                const float left = frame.in(0)[i];
                const float right = frame.in(1)[i];
                const float wide = 0.005f * std::clamp(width(i), 0.0f, 200.0f) * (left - right);
                return 0.5f * (left + right) + (side == 0 ? wide : -wide);
            });
    }
};

} // namespace

BlockType stereoWidthType() {
    using enum SignalKind;
    return {.id = "stereo-width",
            .name = "Stereo width",
            .about = "From mono to wide",
            .inputs = {{"left", "in L", Audio},
                       {"right", "in R", Audio},
                       {"width-cv", "width cv", SignalKind::Control, -5, 8, "width-amount"}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"width", "Width", linearScale(Unit::Percent, 0, 200), 100},
                         {"width-amount", "Width CV", bipolarPercent(), 0}},
            .make = makeBlock<StereoWidth>};
}

} // namespace lariat
