// Resonator bank: eight band-passes that ring when they are struck.
//
// Spaced as harmonics, band n lies at base · 2^(V(v/oct)) · n^(spread): at 100 % the bands are a harmonic series, below
// it they crowd together, above they stretch. Spaced in equal ratios, it lies at base · 2^(V(v/oct) + (n - 1) step/12):
// the same interval from each band to the next, not quite a fifth to begin with; a volt at `spread cv` is a semitone of
// step then. Each is a second-order section H = sωc / (s² + kωc s + ωc²) whose damping k = 13.8 /
// (ωc · decay) lets it ring down by 60 dB in `decay`, times its own share; an edge of A volts makes it ring at A volts.
// Bands above 20 kHz are silent. `odd` and `even` are the sums of the bands so numbered, `mix` is both. Because the
// falling edge of a trigger is an edge as well, a hard one strikes a second time; slew it.
#include "blocks/parts/filters.h"
#include "blocks/types.h"

#include <fmt/format.h>

namespace lariat {
namespace {

enum In { Input, Voct, SpreadCv, DecayCv };
enum Out { Mix, Odd, Even };
constexpr int kBands = 8;
enum Control { Base, Spread, Decay, Gain, SpreadAmount, DecayAmount, Spacing, Step, Level, Share = Level + kBands };
enum Spacings { Harmonics, EqualRatios };

class ResonatorBank final : public StatefulBlock<ResonatorBank> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        const bool equal = frame.position(Spacing) == EqualRatios;
        const Modulated spread = equal ? modulated(frame, Step, SpreadCv, SpreadAmount, 1.0f)
                                       : modulated(frame, Spread, SpreadCv, SpreadAmount, 12.5f);
        Line odd{};
        Line even{};
        for (int b = 0; b < kBands; ++b) {
            const float step =
                equal ? static_cast<float>(b) / 12.0f : 0.01f * std::log2(static_cast<float>(b + 1)); // octaves
            auto& sum = b % 2 == 0 ? odd : even;
            Section& section = s.bands[idx(b)];
            for (int i = frame.begin; i < frame.end; ++i) {
                const float octaves = frame.in(Voct)[i] + step * spread(i);
                const float hertz = frame.control(Base)(i) * fastExp2(std::clamp(octaves, -10.0f, 14.0f));
                if (hertz > 20000.0f) continue;
                const float stretch = fastExp2(0.01f * frame.control(DecayAmount)(i) * frame.in(DecayCv)[i]);
                const float decay = frame.control(Decay)(i) * stretch * 0.01f * frame.control(Share + b)(i);
                const float k = std::min(2.0f, 13.815511f / (6.2831853f * hertz * std::max(decay, 1e-4f)));
                const float in = frame.in(Input)[i] * decibelsToGain(frame.control(Gain)(i));
                const Section::Outs o = section.run(in, warped(hertz, frame.rate()), k);
                sum[idx(i)] += 0.01f * frame.control(Level + b)(i) * o.band;
            }
            heal(section);
        }
        frame.write(Mix, [&](int i) { return odd[i] + even[i]; });
        frame.write(Odd, [&](int i) { return odd[i]; });
        frame.write(Even, [&](int i) { return even[i]; });
    }

  private:
    friend class StatefulBlock<ResonatorBank>;
    struct State {
        std::array<Section, kBands> bands;
    } state_;
};

} // namespace

BlockType resonatorBankType() {
    using enum SignalKind;
    std::vector<ControlSpec> levels;
    for (int b = 1; b <= kBands; ++b)
        levels.push_back({fmt::format("level-{}", b), fmt::format("Level {}", b), percent(), 100.0 / b});
    return {
        .id = "resonator-bank",
        .name = "Resonator bank",
        .about = "Eight ringing band-passes, played by striking",
        .inputs =
            {{"in", "in", Audio},
             {"voct", "v/oct", Pitch, -5, 8},
             {"spread-cv", "spread cv", SignalKind::Control, -5, 8, "spread-amount", {{"spread", 12.5}, {"step", 1}}},
             {"decay-cv", "decay cv", SignalKind::Control, -5, 8, "decay-amount"}},
        .outputs = {{"mix", "mix", Audio}, {"odd", "odd", Audio}, {"even", "even", Audio}},
        .controls = joined({{{"base", "Base", logScale(Unit::Hertz, 20, 4000), 261.6255653},
                             {"spread", "Spread", linearScale(Unit::Percent, 0, 200), 100},
                             {"decay", "Decay", logScale(Unit::Seconds, 0.005, 20), 1},
                             {"gain", "Gain", linearScale(Unit::Decibels, -40, 12), 0},
                             {"spread-amount", "Spread CV", bipolarPercent(), 0},
                             {"decay-amount", "Decay CV", bipolarPercent(), 0},
                             {"spacing", "Spacing", switchScale({"harmonics", "equal ratios"}), 0},
                             {"step", "Step", linearScale(Unit::Semitones, 1, 24), 6.6}},
                            levels,
                            numbered(kBands, ControlSpec{"share", "Decay", percent(), 100})}),
        .flows = {{.inputs = {"in"}, .does = Does::Passes, .rings = true}},
        .make = makeBlock<ResonatorBank>};
}

} // namespace lariat
