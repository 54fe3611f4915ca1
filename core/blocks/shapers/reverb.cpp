// Reverb: plate-like and spring-like.
//
// Plate: eight delay lines of mutually prime lengths (23…71 ms at full size) in a loop through a Hadamard matrix, each
// with a loss that gives 60 dB in `decay` and a low-pass at `damping` (feedback delay network, Jot 1991). Spring: the
// input first passes twelve first-order all-passes stretched over 12 samples, which delay high and low frequencies
// differently, as a spring's dispersion does, and is kept below 4.5 kHz. The matrix preserves energy and every loss is
// at most one, so the loop is stable at any setting; frozen, nothing is lost and nothing comes in.
// Mix = mix + V·amount/8, 0 to 100 %.
#include "blocks/parts/delay_line.h"
#include "blocks/parts/filters.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, DecayCv, FreezeIn, MixCv };
enum Control { Decay, Size, Damping, MixKnob, Kind, Freeze, DecayAmount, MixAmount };
constexpr std::size_t kLines = 8;
constexpr std::array<double, kLines> kMilliseconds = {23.17, 29.03, 33.71, 41.19, 47.93, 54.37, 61.61, 70.93};
constexpr std::size_t kAllPasses = 12;
constexpr std::size_t kStretch = 12;

class Reverb final : public StatefulBlock<Reverb> {
  public:
    static constexpr bool kHasMemory = true;

    void prepare(const Setup& setup) override {
        for (std::size_t l = 0; l < kLines; ++l)
            memory_.lines[l].resize(idx(kMilliseconds[l] * 0.001 * setup.rate) + 8);
    }

    void process(const Frame& frame) {
        State& s = state_;
        s.gates.inOrder(frame, {FreezeIn}, [](int, const Edge&) {});
        const bool frozen = frame.position(Freeze) == 1 || s.gates.high(0);
        const bool spring = frame.position(Kind) == 1;
        const bool stereo = frame.plugged(Right);
        const int last = frame.end - 1;
        const float octaves = 0.01f * frame.control(DecayAmount).start * frame.in(DecayCv)[last];
        const float decay = frame.control(Decay).start * fastExp2(std::clamp(octaves, -6.0f, 6.0f));
        const float g = warped(frame.control(Damping).start, frame.rate());
        std::array<float, kLines> loss;
        for (std::size_t l = 0; l < kLines; ++l) {
            const auto seconds = static_cast<float>(0.001 * kMilliseconds[l]) * 0.01f * frame.control(Size).start;
            loss[l] = frozen ? 1.0f : fastExp2(-9.9657843f * seconds / std::max(decay, 0.01f)); // 60 dB in `decay`
        }
        const auto line = [&](std::size_t l) { return DelayLine(memory_.lines[l], s.places[l]); };
        const float toneOfSpring = warped(4500.0f, frame.rate());
        const Modulated wetness = modulated(frame, MixKnob, MixCv, MixAmount, 12.5f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float dry[2] = {frame.in(Left)[i], stereo ? frame.in(Right)[i] : frame.in(Left)[i]};
            float in[2] = {frozen ? 0.0f : dry[0], frozen ? 0.0f : dry[1]};
            if (spring)
                for (int side = 0; side < 2; ++side) in[side] = dispersed(s.springs[side], in[side], toneOfSpring);
            std::array<float, kLines> v;
            for (std::size_t l = 0; l < kLines; ++l) {
                const float length = static_cast<float>(memory_.lines[l].size() - 8) * 0.01f * frame.control(Size)(i);
                const float out = line(l).read(length);
                v[l] = loss[l] * (frozen ? out : s.damping[l].low(out, g));
            }
            const float left = v[0] - v[2] + v[4] - v[6];
            const float right = v[1] - v[3] + v[5] - v[7];
            hadamard(v);
            for (std::size_t l = 0; l < kLines; ++l) line(l).write(std::clamp(v[l] + 0.5f * in[l % 2], -50.0f, 50.0f));
            const float mix = 0.01f * std::clamp(wetness(i), 0.0f, 100.0f);
            if (Signal* out = frame.out(0)) (*out)[i] = (1.0f - mix) * dry[0] + mix * left;
            if (Signal* out = frame.out(1)) (*out)[i] = (1.0f - mix) * dry[1] + mix * right;
        }
        for (OnePole& pole : s.damping) heal(pole.s);
    }

  private:
    friend class StatefulBlock<Reverb>;

    struct Spring {
        std::array<std::array<float, kStretch>, kAllPasses> memory{};
        std::size_t place = 0;
        OnePole tone;
        OnePole tone2;
    };

    /// H(z) = Π (a + z^-12) / (1 + a z^-12) with a = 0.6.
    static float dispersed(Spring& spring, float in, float g) {
        constexpr float a = 0.6f;
        float x = spring.tone2.low(spring.tone.low(in, g), g);
        for (auto& memory : spring.memory) {
            float& cell = memory[spring.place];
            const float y = a * x + cell;
            cell = x - a * y;
            x = y;
        }
        spring.place = (spring.place + 1) % kStretch;
        return std::isfinite(x) ? x : (spring = {}, 0.0f);
    }

    /// Multiplies by the orthogonal Hadamard matrix of order 8.
    static void hadamard(std::array<float, kLines>& v) {
        for (std::size_t half = 1; half < kLines; half *= 2)
            for (std::size_t k = 0; k < kLines; ++k)
                if ((k & half) == 0) {
                    const float a = v[k];
                    const float b = v[k + half];
                    v[k] = a + b;
                    v[k + half] = a - b;
                }
        for (float& x : v) x *= 0.35355339f; // 1/√8
    }

    struct Memory {
        std::array<DelayMemory, kLines> lines;
        void take(Memory& other) {
            for (std::size_t l = 0; l < kLines; ++l) lines[l].take(other.lines[l]);
        }
    } memory_;
    struct State {
        GateBank<1> gates;
        std::array<std::size_t, kLines> places{};
        std::array<OnePole, kLines> damping;
        Spring springs[2];
    } state_;
};

} // namespace

BlockType reverbType() {
    using enum SignalKind;
    return {.id = "reverb",
            .name = "Reverb",
            .about = "Plate-like and spring-like space",
            .inputs = {{"left", "in L", Audio},
                       {"right", "in R", Audio},
                       {"decay-cv", "decay cv", SignalKind::Control, -5, 8, "decay-amount"},
                       {"freeze", "freeze", Gate, 0, 8},
                       {"mix-cv", "mix cv", SignalKind::Control, -5, 8, "mix-amount", {{"mix", 12.5}}}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"decay", "Decay", logScale(Unit::Seconds, 0.1, 60), 2},
                         {"size", "Size", linearScale(Unit::Percent, 20, 100), 100},
                         {"damping", "Damping", logScale(Unit::Hertz, 500, 20000), 6000},
                         {"mix", "Mix", percent(), 30},
                         {"kind", "Kind", switchScale({"plate", "spring"}), 0},
                         {"freeze", "Freeze", switchScale({"off", "on"}), 0},
                         {"decay-amount", "Decay CV", bipolarPercent(), 0},
                         {"mix-amount", "Mix CV", bipolarPercent(), 0}},
            .flows = {{{"left", "right"}, Does::Passes}, {{"freeze"}, Does::Holds, {}, {}, "freeze"}},
            .make = makeBlock<Reverb>};
}

} // namespace lariat
