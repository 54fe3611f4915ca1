// State-variable filter: low-pass, band-pass, high-pass and notch at once, 12 dB per octave.
//
// Analogue prototype with ωc = 2π·cutoff and k = 1/Q:
//   LP ωc²/D   BP sωc/D   HP s²/D   notch (s² + ωc²)/D   with D = s² + kωc·s + ωc²
// Discretised by trapezoidal integrators with zero-delay feedback (Zavalishin, The Art of VA Filter Design;
// Simper 2013), g = tan(πfc/fs). The bilinear map squeezes the top octave; it is undone by mixing the exact
// second-order remainder back in: damping k(1 + a g²), LP - a g² HP, BP sqrt(1 + a g² + a²g⁴) - sqrt(a) g HP, HP(1 + a
// g²) with a = 2/3, from tan x = x(1 + x²/3 + …). That keeps all outputs within 0.25 dB of the prototype to 12 kHz at
// 96 kHz. At full resonance k is slightly negative and a term in the band-pass level beyond 5 V holds the oscillation.
#include "blocks/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { In1, In2, Voct, Cv1, Cv2, ResCv };
enum Out { Low, Band, High, Notch };
enum Control { Cutoff, Resonance, Drive, Level1, Level2, Amount1, Amount2, ResAmount };

constexpr float kRemainder = 2.0f / 3.0f;
constexpr float kHeld = 5.0f; ///< band-pass volts beyond which the damping grows
constexpr float kPi = 3.14159265f;
constexpr float kThermal = 1e-6f; ///< volts; lets a self-oscillation begin

/// Damping of a resonance of 0…100 %: Q from 0.5 to self-oscillation, evenly in the logarithm for the lower
/// nine tenths.
float damping(float resonance) {
    const float r = std::clamp(resonance, 0.0f, 100.0f) * 0.01f;
    return 2.0f * fastExp2(-5.0f * r) - 0.0825f * r * r * r * r;
}

class Svf final : public StatefulBlock<Svf> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        std::array<float, kRun> g;
        std::array<float, kRun> k;
        std::array<float, kRun> x;
        tuningOf(frame, g);
        inputOf(frame, x);
        dampingOf(frame, g, k);
        std::array<float, kRun> inverse;
        for (std::size_t i = first(frame); i < end(frame); ++i) inverse[i] = 1.0f / (1.0f + g[i] * (g[i] + k[i]));
        // The recursion in as few steps as can be, s1 and s2 from one sample to the next; all else is filled in below.
        std::array<float, kRun> fromOne; // s1' = (2a - 1) s1 + 2ag (x - s2)
        std::array<float, kRun> toOne;
        std::array<float, kRun> toTwo; // s2' = s2 + 2ag s1 + 2ag² (x - s2)
        const auto steps = [&](std::size_t i) {
            fromOne[i] = 2.0f * inverse[i] - 1.0f;
            toOne[i] = 2.0f * inverse[i] * g[i];
            toTwo[i] = toOne[i] * g[i];
        };
        for (std::size_t i = first(frame); i < end(frame); ++i) steps(i);
        std::array<float, kRun> ones;
        std::array<float, kRun> twos;
        float s1 = state_.s1;
        float s2 = state_.s2;
        float bandNow = state_.band;
        for (std::size_t i = first(frame); i < end(frame); ++i) {
            if (std::abs(bandNow) > kHeld) { // what holds a self-oscillation; elsewhere the filter is linear
                const float over = std::abs(bandNow) - kHeld;
                k[i] += 0.1f * over * over * remainder(g[i]);
                inverse[i] = 1.0f / (1.0f + g[i] * (g[i] + k[i]));
                steps(i);
            }
            ones[i] = s1;
            twos[i] = s2;
            const float v = x[i] - s2;
            const float next = fromOne[i] * s1 + toOne[i] * v;
            s2 += toOne[i] * s1 + toTwo[i] * v;
            bandNow = 0.5f * (next + s1); // the band-pass is the mean of its integrator before and after
            s1 = next;
        }
        std::array<float, kRun> hp;
        std::array<float, kRun> bp;
        std::array<float, kRun> lp;
        for (std::size_t i = first(frame); i < end(frame); ++i) {
            hp[i] = (x[i] - (g[i] + k[i]) * ones[i] - twos[i]) * inverse[i];
            bp[i] = g[i] * hp[i] + ones[i];
            lp[i] = g[i] * bp[i] + twos[i];
        }
        // An input that is not a number must not stay in the memory.
        state_.s1 = std::isfinite(s1) ? std::clamp(s1, -100.0f, 100.0f) : 0.0f;
        state_.s2 = std::isfinite(s2) ? std::clamp(s2, -100.0f, 100.0f) : 0.0f;
        state_.band = std::isfinite(bandNow) ? bandNow : 0.0f;
        const auto write = [&](Out out, auto&& formula) {
            if (Signal* signal = frame.out(out))
                for (std::size_t i = first(frame); i < end(frame); ++i) signal->volts[i] = formula(i);
        };
        write(Low, [&](std::size_t i) { return lp[i] - kRemainder * g[i] * g[i] * hp[i]; });
        // sqrt(1 + ag² + a²g⁴) = sqrt(q² - ag²) with q = 1 + ag²
        write(Band, [&](std::size_t i) {
            const float q = remainder(g[i]);
            return bp[i] * std::sqrt(q * q - kRemainder * g[i] * g[i]) - 0.8164966f * g[i] * hp[i];
        });
        write(High, [&](std::size_t i) { return hp[i] * remainder(g[i]); });
        write(Notch, [&](std::size_t i) { return lp[i] + hp[i]; });
    }

  private:
    friend class StatefulBlock<Svf>;

    static std::size_t first(const Frame& frame) { return static_cast<std::size_t>(frame.begin); }
    static std::size_t end(const Frame& frame) { return static_cast<std::size_t>(frame.end); }
    static float remainder(float g) { return 1.0f + kRemainder * g * g; }

    void dampingOf(const Frame& frame, const std::array<float, kRun>& g, std::array<float, kRun>& k) {
        const Ramp resonance = frame.control(Resonance);
        if (!frame.plugged(ResCv) && resonance.step == 0.0f) {
            if (resonance.start != dampedFor_) {
                dampedFor_ = resonance.start;
                damping_ = damping(dampedFor_);
            }
            const float still = damping_;
            for (std::size_t i = first(frame); i < end(frame); ++i) k[i] = still * remainder(g[i]);
            return;
        }
        const Ramp amount = frame.control(ResAmount);
        const float* cv = frame.in(ResCv).volts.data();
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto slot = static_cast<std::size_t>(i);
            k[slot] = damping(resonance(i) + amount(i) * 0.1f * cv[i]) * remainder(g[slot]);
        }
    }

    static void tuningOf(const Frame& frame, std::array<float, kRun>& g) {
        const Ramp cutoff = frame.control(Cutoff);
        const float turn = kPi / static_cast<float>(frame.rate);
        const float highest = 0.45f * kPi;
        if (!frame.plugged(Voct) && !frame.plugged(Cv1) && !frame.plugged(Cv2)) {
            for (int i = frame.begin; i < frame.end; ++i)
                g[static_cast<std::size_t>(i)] = fastTan(std::min(highest, cutoff(i) * turn));
            return;
        }
        const Ramp amount1 = frame.control(Amount1);
        const Ramp amount2 = frame.control(Amount2);
        const float* voct = frame.in(Voct).volts.data();
        const float* cv1 = frame.in(Cv1).volts.data();
        const float* cv2 = frame.in(Cv2).volts.data();
        for (int i = frame.begin; i < frame.end; ++i) {
            const float octaves = voct[i] + 0.01f * (amount1(i) * cv1[i] + amount2(i) * cv2[i]);
            const float hertz = cutoff(i) * fastExp2(std::clamp(octaves, -20.0f, 20.0f));
            g[static_cast<std::size_t>(i)] = fastTan(std::min(highest, hertz * turn));
        }
    }

    void inputOf(const Frame& frame, std::array<float, kRun>& x) {
        const Ramp level1 = frame.control(Level1);
        const Ramp level2 = frame.control(Level2);
        const float* in1 = frame.in(In1).volts.data();
        const float* in2 = frame.in(In2).volts.data();
        for (int i = frame.begin; i < frame.end; ++i)
            x[static_cast<std::size_t>(i)] = kThermal + 0.01f * (level1(i) * in1[i] + level2(i) * in2[i]);
        const Ramp drive = frame.control(Drive);
        if (drive.start > 0.0f || drive.end() > 0.0f) {
            const float gain = decibelsToGain(drive.start);
            for (int i = frame.begin; i < frame.end; ++i) {
                const float now = x[static_cast<std::size_t>(i)] * gain;
                x[static_cast<std::size_t>(i)] = saturate(now, state_.driven, 6.0f);
                state_.driven = now;
            }
        }
    }

    struct State {
        float s1 = 0.0f;
        float s2 = 0.0f;
        float band = 0.0f;
        float driven = 0.0f;
    } state_;
    float dampedFor_ = -1.0f; ///< the resonance of damping_, so that a still knob costs nothing
    float damping_ = 2.0f;
};

} // namespace

BlockType svfType() {
    using enum SignalKind;
    return {"svf",
            "State-variable filter",
            "Low-pass, band-pass, high-pass and notch at 12 dB per octave, tracking at one volt per octave",
            {{"in-1", "in 1", Audio, -5, 5, "level-1"},
             {"in-2", "in 2", Audio, -5, 5, "level-2"},
             {"voct", "v/oct", Pitch, -5, 8},
             {"cv-1", "cv 1", Control, -5, 8, "amount-1"},
             {"cv-2", "cv 2", Control, -5, 8, "amount-2"},
             {"res-cv", "res cv", Control, -5, 8, "res-amount"}},
            {{"low", "low-pass", Audio},
             {"band", "band-pass", Audio},
             {"high", "high-pass", Audio},
             {"notch", "notch", Audio}},
            {{"cutoff", "Cutoff", logScale(Unit::Hertz, 16, 16000), 1000},
             {"resonance", "Resonance", linearScale(Unit::Percent, 0, 100), 10},
             {"drive", "Drive", linearScale(Unit::Decibels, 0, 24), 0},
             {"level-1", "In 1", linearScale(Unit::Percent, 0, 100), 100},
             {"level-2", "In 2", linearScale(Unit::Percent, 0, 100), 0},
             {"amount-1", "CV 1", linearScale(Unit::Percent, -100, 100), 0},
             {"amount-2", "CV 2", linearScale(Unit::Percent, -100, 100), 0},
             {"res-amount", "Res CV", linearScale(Unit::Percent, -100, 100), 0}},
            makeBlock<Svf>};
}

} // namespace lariat
