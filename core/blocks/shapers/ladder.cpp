// Ladder filter: four one-poles in a row with feedback, 24 or 12 dB per octave.
//
// Analogue prototype H(s) = 1 / ((1 + s/ωc)^4 + k) with k = 0…4.5 from the resonance; it oscillates at ωc from k = 4.
// The passband loses 1/(1 + k), the bass loss of a ladder, given back by `bass`: the input is raised by 1 + bass · k.
// Solved with zero-delay feedback (Zavalishin) at four times the rate, which keeps it within 0.15 dB of the prototype
// to 12 kHz at 96 kHz; the sum at the input saturates at 6 V, and where the filter sings, from k = 4 on, at 37 V: a
// quarter of it comes out, about 5 V. Drive is the gain into it, taken back behind the filter.
#include "blocks/parts/filters.h"
#include "blocks/parts/oversampler.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, Voct, Cv1, Cv2, ResCv };
enum Out { Four, Two };
enum Control { Cutoff, Resonance, Drive, Bass, Amount1, Amount2, ResAmount };
constexpr float kCeiling = 6.0f;
constexpr float kSingingCeiling = 37.0f;
constexpr float kThermal = 2e-5f; ///< volts; lets a self-oscillation begin

float ceilingOf(float k) {
    const float sings = std::clamp((k - 3.6f) * 2.5f, 0.0f, 1.0f);
    return kCeiling + (kSingingCeiling - kCeiling) * sings * sings;
}

class Ladder final : public StatefulBlock<Ladder> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        const Modulated resonance = modulated(frame, Resonance, ResCv, ResAmount, 10.0f);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = frame.in(Voct)[i] + 0.01f * (frame.control(Amount1)(i) * frame.in(Cv1)[i] +
                                                               frame.control(Amount2)(i) * frame.in(Cv2)[i]);
            const float hertz = frame.control(Cutoff)(i) * fastExp2(std::clamp(octaves, -20.0f, 20.0f));
            const float g = warped(std::min(hertz, 0.45f * static_cast<float>(frame.rate())), kOver * frame.rate());
            const float part = 1.0f / (1.0f + g);
            const float G = g * part;
            const float k = 4.5f * 0.01f * std::clamp(resonance(i), 0.0f, 100.0f);
            const float gain = decibelsToGain(frame.control(Drive)(i));
            const float in = (kThermal + frame.in(Input)[i]) * gain * (1.0f + 0.01f * frame.control(Bass)(i) * k);
            const float scale = 1.0f / (1.0f + k * G * G * G * G);
            const float ceiling = ceilingOf(k);
            const float bend = 1.0f / (ceiling * ceiling);
            // What comes back of each pole's state; written out so that little waits for the pole before.
            const float back = k * scale * part;
            const float back3[] = {back * G * G * G, back * G * G, back * G};
            std::array<float, 4> pole = s.pole;
            std::array<float, kOver> two{};
            std::size_t inner = 0;
            const float four = s.over.run(in, [&](float x) {
                const float u =
                    x * scale - ((back3[0] * pole[0] + back3[1] * pole[1]) + back3[2] * pole[2]) - back * pole[3];
                float y = u / std::sqrt(1.0f + u * u * bend);
                for (std::size_t n = 0; n < 4; ++n) {
                    y = G * y + part * pole[n]; // trapezoidal: the state moves on by twice as much
                    pole[n] = 2.0f * y - pole[n];
                    if (n == 1) two[inner] = y;
                }
                ++inner;
                return y;
            });
            s.pole = pole;
            if (Signal* out = frame.out(Four)) (*out)[i] = four / gain;
            if (Signal* out = frame.out(Two)) {
                inner = 0;
                (*out)[i] = s.twoOver.run(0.0f, [&](float) { return two[inner++]; }) / gain;
            }
        }
        for (float& pole : s.pole) heal(pole);
    }

  private:
    friend class StatefulBlock<Ladder>;
    struct State {
        Oversampler over;
        Oversampler twoOver;
        std::array<float, 4> pole{};
    } state_;
};

} // namespace

BlockType ladderType() {
    using enum SignalKind;
    return {.id = "ladder",
            .name = "Ladder filter",
            .about = "Low-pass at 24 and 12 dB per octave with drive and bass loss",
            .inputs = {{"in", "in", Audio},
                       {"voct", "v/oct", Pitch, -5, 8},
                       {"cv-1", "cv 1", SignalKind::Control, -5, 8, "amount-1", {{"cutoff", 1, true}}},
                       {"cv-2", "cv 2", SignalKind::Control, -5, 8, "amount-2", {{"cutoff", 1, true}}},
                       {"res-cv", "res cv", SignalKind::Control, -5, 8, "res-amount", {{"resonance", 10}}}},
            .outputs = {{"four", "24 dB", Audio}, {"two", "12 dB", Audio}},
            .controls = {{"cutoff", "Cutoff", logScale(Unit::Hertz, 16, 16000), 1000},
                         {"resonance", "Resonance", percent(), 10},
                         {"drive", "Drive", linearScale(Unit::Decibels, 0, 24), 0},
                         {"bass", "Bass", percent(), 0},
                         {"amount-1", "CV 1", bipolarPercent(), 0},
                         {"amount-2", "CV 2", bipolarPercent(), 0},
                         {"res-amount", "Res CV", bipolarPercent(), 0}},
            .make = makeBlock<Ladder>};
}

} // namespace lariat
