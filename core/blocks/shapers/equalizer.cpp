// Equalizer: low shelf, bell and high shelf, stereo. Sections by filters.h; a shelf stands at half its gain at its
// frequency, a bell has its full gain there.
#include "blocks/parts/filters.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum Control { LowGain, LowHertz, MidGain, MidHertz, MidQ, HighGain, HighHertz };

class Equalizer final : public StatefulBlock<Equalizer> {
  public:
    void process(const Frame& frame) {
        for (int side = 0; side < 2; ++side) {
            if (!frame.out(side)) continue;
            auto& bands = state_.bands[side];
            const Signal& in = side == 1 && frame.plugged(1) ? frame.in(1) : frame.in(0);
            for (int i = frame.begin; i < frame.end; ++i) {
                const auto gain = [&](Control c) { return decibelsToGain(frame.control(c)(i)); };
                const auto g = [&](Control c) { return warped(frame.control(c)(i), frame.rate()); };
                float y = bands[0].lowShelf(in[i], g(LowHertz), gain(LowGain));
                y = bands[1].bell(y, g(MidHertz), gain(MidGain), frame.control(MidQ)(i));
                (*frame.out(side))[i] = bands[2].highShelf(y, g(HighHertz), gain(HighGain));
            }
            for (Section& band : bands) heal(band);
        }
    }

  private:
    friend class StatefulBlock<Equalizer>;
    struct State {
        std::array<Section, 3> bands[2];
    } state_;
};

} // namespace

BlockType equalizerType() {
    using enum SignalKind;
    const Scale gain = linearScale(Unit::Decibels, -15, 15);
    return {.id = "equalizer",
            .name = "Equalizer",
            .about = "Low shelf, bell, high shelf",
            .inputs = {{"left", "in L", Audio}, {"right", "in R", Audio}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"low-gain", "Low", gain, 0},
                         {"low-hertz", "Low at", logScale(Unit::Hertz, 30, 600), 120},
                         {"mid-gain", "Middle", gain, 0},
                         {"mid-hertz", "Middle at", logScale(Unit::Hertz, 150, 8000), 1000},
                         {"mid-q", "Middle Q", logScale(Unit::None, 0.3, 8), 1},
                         {"high-gain", "High", gain, 0},
                         {"high-hertz", "High at", logScale(Unit::Hertz, 1500, 16000), 6000}},
            .flows = {{{"left"}, Does::Passes, {"left-out"}}, {{"right"}, Does::Passes, {"right-out"}}},
            .make = makeBlock<Equalizer>};
}

} // namespace lariat
