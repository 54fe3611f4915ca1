// Noise in five colours.
//
// White: uniform in ±5 V (RMS 2.89 V). Pink: white through eleven poles and zeros, three to the decade, which
// falls 3 dB per octave within ±0.3 dB from 15 Hz to 20 kHz (the method of alternating poles and zeros,
// Keshner 1982). Red: white through a one-pole low-pass at 10 Hz, -6 dB per octave above. Blue and violet: the
// first difference of pink and white, +3 and +6 dB per octave. All are scaled to about 2 V RMS at 96 kHz.
#include "blocks/parts/maths.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

#include <array>

namespace lariat {
namespace {

enum Out { White, Pink, Red, Blue, Violet };
constexpr int kSections = 11;

class Noise final : public StatefulBlock<Noise> {
  public:
    void prepare(const Setup& setup) override {
        state_.random.state = setup.seed;
        // Poles at 8 Hz · 10^(k/3); each zero lies half that distance (in ratio) above its pole.
        double frequency = 8.0;
        for (int k = 0; k < kSections; ++k) {
            const auto slot = idx(k);
            poles_[slot] = onePole(frequency, setup.rate);
            zeros_[slot] = onePole(frequency * std::pow(10.0, 1.0 / 6.0), setup.rate);
            frequency *= std::pow(10.0, 1.0 / 3.0);
        }
        red_ = onePole(10.0, setup.rate);
    }

    void process(const Frame& frame) {
        State& s = state_;
        for (int i = frame.begin; i < frame.end; ++i) {
            const float white = 5.0f * s.random.bipolar();
            double shaped = white;
            for (std::size_t k = 0; k < kSections; ++k) {
                const double next = shaped + poles_[k] * s.line[k];
                shaped = next - zeros_[k] * s.line[k];
                s.line[k] = next;
            }
            const auto pink = static_cast<float>(shaped);
            s.red = red_ * s.red + white;
            write(frame, White, i, white);
            write(frame, Pink, i, pink * 0.62f);
            write(frame, Red, i, static_cast<float>(s.red * 0.0178));
            write(frame, Blue, i, (pink - s.pinkBefore) * 0.85f);
            write(frame, Violet, i, (white - s.whiteBefore) * 0.49f);
            s.pinkBefore = pink;
            s.whiteBefore = white;
        }
    }

  private:
    friend class StatefulBlock<Noise>;
    static double onePole(double hertz, double rate) { return std::exp(-2.0 * kPi * hertz / rate); }
    static void write(const Frame& frame, Out out, int i, float volts) {
        if (Signal* signal = frame.out(out)) (*signal)[i] = volts;
    }

    std::array<double, kSections> poles_{};
    std::array<double, kSections> zeros_{};
    double red_ = 0.0;
    struct State {
        Random random;
        std::array<double, kSections> line{};
        double red = 0.0;
        float pinkBefore = 0.0f;
        float whiteBefore = 0.0f;
    } state_;
};

} // namespace

BlockType noiseType() {
    using enum SignalKind;
    return {.id = "noise",
            .name = "Noise",
            .about = "White, pink, red, blue and violet noise",
            .outputs = {{"white", "white", Audio},
                        {"pink", "pink", Audio},
                        {"red", "red", Audio},
                        {"blue", "blue", Audio},
                        {"violet", "violet", Audio}},
            .make = makeBlock<Noise>};
}

} // namespace lariat
