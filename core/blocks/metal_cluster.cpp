// Metal cluster: six square oscillators at inharmonic ratios, for hats and bells.
//
// The ratios are the square roots of the first whole numbers that are no squares, 1 : √2 : √3 : √5 : √6 : √7, so that
// no two of them share a harmonic. The cluster is their mean; `bright` is the cluster through a one-pole high-pass at
// six times the tune. Squares: oscillator_core.h.
#include "blocks/maths.h"
#include "blocks/oscillator_core.h"
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

    void process(const Frame& frame) override {
        State& s = state_;
        const float* cv = frame.in(TuneCv).volts.data();
        std::array<float, kRun> base;
        std::array<float, kRun> width;
        width.fill(0.5f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = 0.01f * frame.control(TuneAmount)(i) * cv[i];
            const float hertz = frame.control(Tune)(i) * fastExp2(std::clamp(octaves, -10.0f, 6.0f));
            base[static_cast<std::size_t>(i)] = hertz / static_cast<float>(frame.rate);
        }
        std::array<float, kRun> sum{};
        for (std::size_t o = 0; o < kRatios.size(); ++o) {
            std::array<float, kRun> turns;
            for (int i = frame.begin; i < frame.end; ++i)
                turns[static_cast<std::size_t>(i)] = std::min(0.45f, base[static_cast<std::size_t>(i)] * kRatios[o]);
            Signal pulse;
            std::array<Signal*, OscillatorCore::kWaves> outputs{};
            outputs[OscillatorCore::Pulse] = &pulse;
            s.squares[o].run(frame.begin, frame.end, turns.data(), width.data(), {}, outputs);
            for (int i = frame.begin; i < frame.end; ++i) sum[static_cast<std::size_t>(i)] += pulse[i] / 6.0f;
        }
        frame.write(Cluster, [&](int i) { return sum[static_cast<std::size_t>(i)]; });
        std::array<float, kRun> bright;
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto k = static_cast<std::size_t>(i);
            const float g = fastTan(std::min(1.4f, 18.849556f * base[k])); // π · 6 · tune / rate
            const float v = (sum[k] - s.low) * g / (1.0f + g);
            bright[k] = sum[k] - (v + s.low);
            s.low += 2.0f * v;
        }
        frame.write(Bright, [&](int i) { return 2.0f * bright[static_cast<std::size_t>(i)]; });
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
    return {"metal-cluster",
            "Metal cluster",
            "Six squares at inharmonic ratios",
            {{"tune-cv", "tune cv", Control, -5, 5, "tune-amount"}},
            {{"cluster", "cluster", Audio}, {"bright", "bright", Audio}},
            {{"tune", "Tune", logScale(Unit::Hertz, 40, 2000), 320}, {"tune-amount", "Tune CV", bipolarPercent(), 100}},
            makeBlock<MetalCluster>};
}

} // namespace lariat
