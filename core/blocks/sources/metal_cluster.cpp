// Metal cluster: six square oscillators at inharmonic ratios, for hats and bells.
//
// The ratios are the square roots of the first whole numbers that are no squares, 1 : √2 : √3 : √5 : √6 : √7, so that
// no two of them share a harmonic. The cluster is their mean; `bright` is the cluster through a one-pole high-pass at
// six times the tune. Squares: oscillator_core.h.
#include "blocks/parts/maths.h"
#include "blocks/parts/oscillator_core.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { TuneCv };
enum Out { Cluster, Bright };
enum Control { Tune, TuneAmount };
constexpr std::array<float, 6> kRatios = {1.0f, 1.4142136f, 1.7320508f, 2.2360680f, 2.4494897f, 2.6457513f};

class MetalCluster final : public StatefulBlock<MetalCluster> {
  public:
    void prepare(const Setup&) override { blepTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        const float* cv = frame.in(TuneCv).volts.data();
        Line base;
        Line width;
        width.fill(0.5f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = 0.01f * frame.control(TuneAmount)(i) * cv[i];
            const float hertz = frame.control(Tune)(i) * fastExp2(std::clamp(octaves, -10.0f, 6.0f));
            base[i] = hertz / static_cast<float>(frame.rate());
        }
        Line sum{};
        for (std::size_t o = 0; o < kRatios.size(); ++o) {
            Line turns;
            for (int i = frame.begin; i < frame.end; ++i) turns[i] = std::min(0.45f, base[i] * kRatios[o]);
            Signal pulse;
            OscillatorCore::Outputs outputs{};
            outputs[OscillatorCore::Pulse] = &pulse;
            s.squares[o].run(frame.begin, frame.end, {turns.data(), width.data(), false, true}, {}, outputs,
                             OscillatorCore::needed(outputs));
            for (int i = frame.begin; i < frame.end; ++i) sum[i] += pulse[i] / 6.0f;
        }
        frame.write(Cluster, [&](int i) { return sum[i]; });
        Line bright;
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto k = idx(i);
            const float g = fastTan(std::min(1.4f, 18.849556f * base[k])); // π · 6 · tune / rate
            const float v = (sum[k] - s.low) * g / (1.0f + g);
            bright[k] = sum[k] - (v + s.low);
            s.low += 2.0f * v;
        }
        frame.write(Bright, [&](int i) { return 2.0f * bright[i]; });
    }

  private:
    friend class StatefulBlock<MetalCluster>;
    struct State {
        std::array<OscillatorCore, kRatios.size()> squares;
        float low = 0.0f;
    } state_;
};

} // namespace

BlockType metalClusterType() {
    using enum SignalKind;
    return {.id = "metal-cluster",
            .name = "Metal cluster",
            .about = "Six squares at inharmonic ratios",
            .inputs = {{"tune-cv", "tune cv", Control, -5, 5, "tune-amount"}},
            .outputs = {{"cluster", "cluster", Audio}, {"bright", "bright", Audio}},
            .controls = {{"tune", "Tune", logScale(Unit::Hertz, 40, 2000), 320},
                         {"tune-amount", "Tune CV", bipolarPercent(), 100}},
            .make = makeBlock<MetalCluster>};
}

} // namespace lariat
