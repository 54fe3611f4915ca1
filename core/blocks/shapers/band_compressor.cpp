// Three-band compressor, stereo.
//
// Two fourth-order Linkwitz-Riley crossovers (1976): each a Butterworth section run twice; the low band also passes the
// upper crossover's all-pass, so that the bands add up flat. Each band has its own level, gain rider and make-up;
// threshold, ratio, attack and release are shared. Level and curve as in the compressor (gain_computer.h).
#include "blocks/parts/filters.h"
#include "blocks/shapers/gain_computer.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right };
enum Out { LeftOut, RightOut, Reduction };
constexpr int kBands = 3;
enum Control { Threshold, Ratio, Attack, Release, LowCross, HighCross, MakeUp };
constexpr float kButterworth = 1.41421356f;

/// Fourth-order low and high from one input.
struct Crossover {
    Section first;
    Section low;
    Section high;
    struct Bands {
        float low;
        float high;
    };
    Bands run(float in, float g) {
        const Section::Outs o = first.run(in, g, kButterworth);
        return {low.run(o.low, g, kButterworth).low, high.run(o.high, g, kButterworth).high};
    }
    /// low + high: the crossover's all-pass.
    float allPass(float in, float g) {
        const Bands bands = run(in, g);
        return bands.low + bands.high;
    }
};

class BandCompressor final : public StatefulBlock<BandCompressor> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        GainComputer computer;
        computer.ratio = frame.control(Ratio).start;
        computer.attack = partPerSample(static_cast<double>(frame.control(Attack).start), frame.rate());
        computer.release = partPerSample(static_cast<double>(frame.control(Release).start), frame.rate());
        const double window = partPerSample(0.01, frame.rate());
        const bool stereo = frame.plugged(Right);
        for (int i = frame.begin; i < frame.end; ++i) {
            computer.threshold = frame.control(Threshold)(i);
            const float gLow = warped(frame.control(LowCross)(i), frame.rate());
            const float gHigh = warped(frame.control(HighCross)(i), frame.rate());
            float bands[2][kBands];
            for (int side = 0; side < 2; ++side) {
                const float in = side == 1 && stereo ? frame.in(Right)[i] : frame.in(Left)[i];
                const auto split = s.lower[side].run(in, gLow);
                const auto upper = s.upper[side].run(split.high, gHigh);
                bands[side][0] = s.match[side].allPass(split.low, gHigh);
                bands[side][1] = upper.low;
                bands[side][2] = upper.high;
            }
            float out[2] = {};
            float most = 0.0f;
            for (int b = 0; b < kBands; ++b) {
                const float key = std::abs(bands[0][b]) > std::abs(bands[1][b]) ? bands[0][b] : bands[1][b];
                const float reduced = s.riders[b].run(key, computer, window);
                most = std::min(most, reduced);
                const float gain = decibelsToGain(reduced + frame.control(MakeUp + b)(i));
                for (int side = 0; side < 2; ++side) out[side] += gain * bands[side][b];
            }
            if (Signal* to = frame.out(LeftOut)) (*to)[i] = out[0];
            if (Signal* to = frame.out(RightOut)) (*to)[i] = out[1];
            if (Signal* to = frame.out(Reduction)) (*to)[i] = -most / 6.0f;
        }
        for (Crossover* bank : {s.lower, s.upper, s.match})
            for (int side = 0; side < 2; ++side)
                for (Section* section : {&bank[side].first, &bank[side].low, &bank[side].high}) heal(*section);
    }

  private:
    friend class StatefulBlock<BandCompressor>;
    struct State {
        Crossover lower[2];
        Crossover upper[2];
        Crossover match[2];
        GainRider riders[kBands];
    } state_;
};

} // namespace

BlockType bandCompressorType() {
    using enum SignalKind;
    const Scale makeUp = linearScale(Unit::Decibels, -12, 24);
    return {.id = "band-compressor",
            .name = "Three-band compressor",
            .about = "Low, middle and high compressed apart",
            .inputs = {{"left", "in L", Audio}, {"right", "in R", Audio}},
            .outputs = {{"left-out", "out L", Audio},
                        {"right-out", "out R", Audio},
                        {"reduction", "reduction", SignalKind::Control, 0, 8}},
            .controls = {{"threshold", "Threshold", linearScale(Unit::Decibels, -48, 6), -18},
                         {"ratio", "Ratio", logScale(Unit::Times, 1, 40), 3},
                         {"attack", "Attack", logScale(Unit::Seconds, 0.0002, 0.2), 0.01},
                         {"release", "Release", logScale(Unit::Seconds, 0.01, 3), 0.15},
                         {"low-cross", "Low cross", logScale(Unit::Hertz, 50, 800), 200},
                         {"high-cross", "High cross", logScale(Unit::Hertz, 1000, 10000), 2500},
                         {"low", "Low", makeUp, 0},
                         {"middle", "Middle", makeUp, 0},
                         {"high", "High", makeUp, 0}},
            .flows = {{{"left"}, Does::Passes, {"left-out"}},
                      {{"right"}, Does::Passes, {"right-out"}},
                      {{"left", "right"}, Does::Moves}},
            .make = makeBlock<BandCompressor>};
}

} // namespace lariat
