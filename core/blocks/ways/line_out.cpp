// Line out: the case's way out. Each side is in · level and joins the case's output bus in eurorack volts;
// 10 V at the bus is 0 dBFS (units/level.h). The level runs from -60 dB, which is treated as off, to 0 dB.
#include "blocks/parts/maths.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right };

class LineOut final : public StatelessBlock<LineOut> {
  public:
    void process(const Frame& frame) {
        const Ramp level = frame.control(0);
        if (level.start != gainFor_) {
            gainFor_ = level.start;
            gain_ = gain(gainFor_);
        }
        const float from = gain_;
        const float step = level.step == 0.0f ? 0.0f : (gain(level.end()) - from) / static_cast<float>(kRun);
        const float* left = frame.in(Left).volts.data();
        const float* right = frame.in(Right).volts.data();
        for (int i = frame.begin; i < frame.end; ++i) {
            const float now = from + step * static_cast<float>(i);
            frame.world().left[i] += now * left[i];
            frame.world().right[i] += now * right[i];
        }
    }

  private:
    static float gain(float decibels) { return decibels <= -60.0f ? 0.0f : decibelsToGain(decibels); }
    float gainFor_ = 1.0f; ///< the level of gain_, so that a still knob costs nothing
    float gain_ = 1.0f;
};

} // namespace

BlockType lineOutType() {
    using enum SignalKind;
    return {.id = "line-out",
            .name = "Line out",
            .about = "Brings the case down to line level and out of it",
            .inputs = {{"left", "in L", Audio}, {"right", "in R", Audio}},
            .controls = {{"level", "Level", linearScale(Unit::Decibels, -60, 0), -6}},
            .flows = {{{"left", "right"}, Does::Passes, {}, {"level"}}},
            .make = makeBlock<LineOut>,
            .runsUnheard = true,
            .leadsOut = true};
}

} // namespace lariat
