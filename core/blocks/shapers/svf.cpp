// State-variable filter: low-pass, band-pass, high-pass and notch at once, 12 dB per octave.
//
// Analogue prototype with ωc = 2π·cutoff and k = 1/Q:
//   LP ωc²/D   BP sωc/D   HP s²/D   notch (s² + ωc²)/D   with D = s² + kωc·s + ωc²
// Discretised by trapezoidal integrators with zero-delay feedback (Zavalishin, The Art of VA Filter Design;
// Simper 2013), g = tan(πfc/fs). The bilinear map squeezes the top octave; it is undone by mixing the exact
// second-order remainder back in: damping k(1 + a g²), LP - a g² HP, BP sqrt(1 + a g² + a²g⁴) - sqrt(a) g HP, HP(1 + a
// g²) with a = 2/3, from tan x = x(1 + x²/3 + …). That keeps all outputs within 0.25 dB of the prototype to 12 kHz at
// 96 kHz. From about 96 % of resonance k is negative, and the filter sings at 5 V.
#include "blocks/parts/kernels.h"
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { In1, In2, Voct, Cv1, Cv2, ResCv };
enum Out { Low, Band, High, Notch };
enum Control { Cutoff, Resonance, Drive, Level1, Level2, Amount1, Amount2, ResAmount };

constexpr float kRemainder = 2.0f / 3.0f;
constexpr float kHeld = 5.0f;          ///< band-pass volts beyond which the damping grows
constexpr float kSings = 4.3301270f;   ///< volts; it sings at 2/√3 of it, 5 V
constexpr float kThermal = 2e-5f;      ///< volts; lets a self-oscillation begin
constexpr float kHighest = 1.4137167f; ///< 0.45 π

/// Damping of a resonance of 0…100 %: Q from 0.5 to self-oscillation, evenly in the logarithm for the lower
/// nine tenths. In the last three per cent it goes on to -0.1, so that a low note begins to sing within a second or
/// two.
float damping(float resonance) {
    const float r = std::clamp(resonance, 0.0f, 100.0f) * 0.01f;
    const float last = std::max(0.0f, (r - 0.97f) * (1.0f / 0.03f));
    return 2.0f * fastExp2(-5.0f * r) - 0.0825f * r * r * r * r - 0.08f * last * last;
}

float remainder(float g) {
    return 1.0f + kRemainder * g * g;
}

/// The damping in force at a level of the band-pass (2 s1 - band is what this sample will have): it grows while the
/// filter rings too loud; where it sings, it is that of a Rayleigh oscillator, whose pitch hardly gives way.
float dampingAt(float k, float band, float g) {
    if (k < 0.0f) return k * (1.0f - band * band * (1.0f / (kSings * kSings)));
    const float over = std::abs(band) - kHeld;
    return over > 0.0f ? k + 0.1f * over * over * remainder(g) : k;
}

class Svf final : public StatefulBlock<Svf> {
  public:
    void process(const Frame& frame) {
        Line x;
        inputOf(frame, x);
        Line g;
        Line k;
        SvfCoefficients c;
        const bool even = tuningOf(frame, g);
        dampingOf(frame, g, k, even);
        if (even && frame.endsRun() && frame.begin == 0 && steadyDamping(frame)) {
            const float inverse = 1.0f / (1.0f + g[0] * (g[0] + k[0]));
            c.inverse.fill(inverse);
            c.fromOne.fill(2.0f * inverse - 1.0f);
            c.toOne.fill(2.0f * inverse * g[0]);
            c.toTwo.fill(2.0f * inverse * g[0] * g[0]);
        } else if (frame.endsRun() && frame.begin == 0) {
            kernels().svf(g.data(), k.data(), c);
        } else {
            for (int i = frame.begin; i < frame.end; ++i) coefficients(c, i, g[i], k[i]);
        }
        // The recursion in as few steps as can be, s1 and s2 from one sample to the next; all else is filled in below:
        // s1' = (2a - 1) s1 + 2ag (x - s2), s2' = s2 + 2ag s1 + 2ag² (x - s2)
        Line toOne; // what the input adds to s1 and s2
        Line toTwo;
        for (int i = frame.begin; i < frame.end; ++i) toOne[i] = c.toOne[i] * x[i];
        for (int i = frame.begin; i < frame.end; ++i) toTwo[i] = c.toTwo[i] * x[i];
        Line ones;
        Line twos;
        float s1 = state_.s1;
        float s2 = state_.s2;
        float band = state_.band;
        for (int i = frame.begin; i < frame.end; ++i) {
            if (k[i] < 0.0f || std::abs(band) > kHeld) [[unlikely]] { // elsewhere the filter is linear
                k[i] = dampingAt(k[i], 2.0f * s1 - band, g[i]);
                coefficients(c, i, g[i], k[i]);
                toOne[i] = c.toOne[i] * x[i];
                toTwo[i] = c.toTwo[i] * x[i];
            }
            ones[i] = s1;
            twos[i] = s2;
            const float next = c.fromOne[i] * s1 + (toOne[i] - c.toOne[i] * s2);
            s2 = (s2 - c.toTwo[i] * s2) + (c.toOne[i] * s1 + toTwo[i]);
            band = 0.5f * (next + s1); // the band-pass is the mean of its integrator before and after
            s1 = next;
        }
        keep(s1, s2, band);
        Line hp;
        Line bp;
        Line lp;
        for (int i = frame.begin; i < frame.end; ++i) {
            hp[i] = (x[i] - (g[i] + k[i]) * ones[i] - twos[i]) * c.inverse[i];
            bp[i] = g[i] * hp[i] + ones[i];
            lp[i] = g[i] * bp[i] + twos[i];
        }
        frame.write(Low, [&](int i) { return lowOf(lp[i], hp[i], g[i]); });
        frame.write(Band, [&](int i) { return bandOf(bp[i], hp[i], g[i]); });
        frame.write(High, [&](int i) { return highOf(hp[i], g[i]); });
        frame.write(Notch, [&](int i) { return lp[i] + hp[i]; });
    }

    /// Within a loop, while nothing moves cutoff, resonance and levels. Written so that an output waits for the input
    /// by as few steps as can be: all that depends on the state alone is worked out beside it.
    void one(int i) {
        const Ports& p = ports();
        const float s1 = state_.s1;
        const float s2 = state_.s2;
        if (!quick_ || k_ < 0.0f || std::abs(state_.band) > kHeld) return process(Frame(p, i, i + 1));
        const float x = (kThermal + level1_ * (*p.inputs[In1])[i]) + level2_ * (*p.inputs[In2])[i];
        const float rest = (gk_ * s1 + s2) * inverse_;
        const float still = g_ * s1 + s2;
        const float hp = x * inverse_ - rest;
        const float bp = g_ * hp + s1;
        const float lp = g_ * bp + s2;
        const float next = g_ * hp + bp;
        if (Signal* out = p.outputs[Low]) (*out)[i] = hp * lowGain_ + still;
        if (Signal* out = p.outputs[Band]) (*out)[i] = bandOf(bp, hp, g_);
        if (Signal* out = p.outputs[High]) (*out)[i] = highOf(hp, g_);
        if (Signal* out = p.outputs[Notch]) (*out)[i] = lp + hp;
        keep(next, g_ * bp + lp, 0.5f * (next + s1));
    }

    void beforeTicks() override {
        const Frame frame(ports(), 0, kRun);
        const auto stands = [&](Control c) { return frame.control(c).step == 0.0f; };
        quick_ = !moved_ && stands(Cutoff) && stands(Resonance) && !frame.plugged(ResCv) && stands(Level1) &&
                 stands(Level2) && frame.control(Drive).start == 0.0f && stands(Drive);
        if (!quick_) return;
        g_ = fastTan(std::min(kHighest, frame.control(Cutoff).start * turn_));
        k_ = stillDamping(frame.control(Resonance).start) * remainder(g_);
        gk_ = g_ + k_;
        inverse_ = 1.0f / (1.0f + g_ * gk_);
        lowGain_ = g_ * g_ * (1.0f - kRemainder);
        level1_ = 0.01f * frame.control(Level1).start;
        level2_ = 0.01f * frame.control(Level2).start;
    }

  private:
    friend class StatefulBlock<Svf>;

    void bound() override {
        const Frame frame(ports(), 0, kRun);
        moved_ = frame.plugged(Voct) || frame.plugged(Cv1) || frame.plugged(Cv2);
        turn_ = static_cast<float>(kPi / frame.rate());
    }

    static void coefficients(SvfCoefficients& c, int i, float g, float k) {
        c.inverse[i] = 1.0f / (1.0f + g * (g + k));
        c.fromOne[i] = 2.0f * c.inverse[i] - 1.0f;
        c.toOne[i] = 2.0f * c.inverse[i] * g;
        c.toTwo[i] = c.toOne[i] * g;
    }

    // The outputs with the remainder of the bilinear map mixed in.
    static float lowOf(float lp, float hp, float g) { return lp - kRemainder * g * g * hp; }
    static float bandOf(float bp, float hp, float g) {
        const float q = remainder(g); // sqrt(1 + ag² + a²g⁴) = sqrt(q² - ag²) with q = 1 + ag²
        return bp * std::sqrt(q * q - kRemainder * g * g) - 0.8164966f * g * hp;
    }
    static float highOf(float hp, float g) { return hp * remainder(g); }

    /// An input that is not a number must not stay in the memory.
    void keep(float s1, float s2, float band) {
        const bool sound = std::abs(s1) < 1000.0f && std::abs(s2) < 1000.0f;
        state_.s1 = sound ? s1 : 0.0f;
        state_.s2 = sound ? s2 : 0.0f;
        state_.band = sound ? band : 0.0f;
    }

    float stillDamping(float resonance) {
        if (resonance != dampedFor_) {
            dampedFor_ = resonance;
            damping_ = damping(resonance);
        }
        return damping_;
    }

    static bool steadyDamping(const Frame& frame) {
        return frame.control(Resonance).step == 0.0f && !frame.plugged(ResCv);
    }

    void dampingOf(const Frame& frame, const Line& g, Line& k, bool even) {
        if (steadyDamping(frame)) {
            const float still = stillDamping(frame.control(Resonance).start);
            if (even)
                std::fill(k.data() + frame.begin, k.data() + frame.end, still * remainder(g[frame.begin]));
            else
                for (int i = frame.begin; i < frame.end; ++i) k[i] = still * remainder(g[i]);
            return;
        }
        const Modulated resonance = modulated(frame, Resonance, ResCv, ResAmount, 10.0f);
        for (int i = frame.begin; i < frame.end; ++i) k[i] = damping(resonance(i)) * remainder(g[i]);
    }

    /// True if all of them are the same.
    bool tuningOf(const Frame& frame, Line& g) const {
        const Ramp cutoff = frame.control(Cutoff);
        const Ramp amount1 = frame.control(Amount1);
        const Ramp amount2 = frame.control(Amount2);
        const Signal& voct = frame.in(Voct);
        const Signal& cv1 = frame.in(Cv1);
        const Signal& cv2 = frame.in(Cv2);
        const auto octaves = [&](int i) { return voct[i] + 0.01f * (amount1(i) * cv1[i] + amount2(i) * cv2[i]); };
        const bool whole = frame.begin == 0 && frame.endsRun();
        const bool even = cutoff.step == 0.0f && (!moved_ || (whole && amount1.step == 0.0f && amount2.step == 0.0f &&
                                                              voct.steady() && cv1.steady() && cv2.steady()));
        if (even) {
            float hertz = cutoff.start;
            if (moved_) hertz *= fastExp2(std::clamp(octaves(frame.begin), -20.0f, 20.0f));
            std::fill(g.data() + frame.begin, g.data() + frame.end, fastTan(std::min(kHighest, hertz * turn_)));
            return true;
        }
        if (!whole) {
            for (int i = frame.begin; i < frame.end; ++i)
                g[i] = fastTan(std::min(kHighest, cutoff(i) * turn_ * fastExp2(std::clamp(octaves(i), -20.0f, 20.0f))));
            return false;
        }
        if (!moved_) {
            for (int i = 0; i < kRun; ++i) g[i] = cutoff(i) * turn_;
        } else {
            for (int i = 0; i < kRun; ++i) g[i] = octaves(i);
            kernels().exp2(turn_, g.data(), g.data());
            for (int i = 0; i < kRun; ++i) g[i] *= cutoff(i);
        }
        kernels().tan(g.data(), kHighest, g.data());
        return false;
    }

    void inputOf(const Frame& frame, Line& x) {
        const Ramp level1 = frame.control(Level1);
        const Ramp level2 = frame.control(Level2);
        const Signal& in1 = frame.in(In1);
        const Signal& in2 = frame.in(In2);
        for (int i = frame.begin; i < frame.end; ++i)
            x[i] = kThermal + 0.01f * (level1(i) * in1[i] + level2(i) * in2[i]);
        const Ramp drive = frame.control(Drive);
        if (drive.start == 0.0f && drive.step == 0.0f) return;
        const float gain = decibelsToGain(drive.start);
        const float step = (decibelsToGain(drive.end()) - gain) / static_cast<float>(kRun);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float now = x[i] * (gain + step * static_cast<float>(i));
            x[i] = saturate(now, state_.driven, 6.0f);
            state_.driven = std::isfinite(now) ? now : 0.0f;
        }
    }

    struct State {
        float s1 = 0.0f;
        float s2 = 0.0f;
        float band = 0.0f;
        float driven = 0.0f;
    } state_;
    bool moved_ = false; ///< something is plugged in that moves the cutoff
    float turn_ = 0.0f;
    float dampedFor_ = -1.0f; ///< the resonance of damping_, so that a still knob costs nothing
    float damping_ = 2.0f;
    // In a loop.
    bool quick_ = false;
    float g_ = 0.0f;
    float k_ = 0.0f;
    float gk_ = 0.0f; ///< g + k
    float inverse_ = 1.0f;
    float lowGain_ = 0.0f; ///< of the high-pass in the low-pass output
    float level1_ = 1.0f;
    float level2_ = 0.0f;
};

} // namespace

BlockType svfType() {
    using enum SignalKind;
    return {.id = "svf",
            .name = "State-variable filter",
            .about = "Low-pass, band-pass, high-pass and notch at 12 dB per octave, tracking at one volt per octave",
            .inputs = {{"in-1", "in 1", Audio, -5, 5, "level-1"},
                       {"in-2", "in 2", Audio, -5, 5, "level-2"},
                       {"voct", "v/oct", Pitch, -5, 8},
                       {"cv-1", "cv 1", Control, -5, 8, "amount-1", {{"cutoff", 1, true}}},
                       {"cv-2", "cv 2", Control, -5, 8, "amount-2", {{"cutoff", 1, true}}},
                       {"res-cv", "res cv", Control, -5, 8, "res-amount", {{"resonance", 10}}}},
            .outputs = {{"low", "low-pass", Audio},
                        {"band", "band-pass", Audio},
                        {"high", "high-pass", Audio},
                        {"notch", "notch", Audio}},
            .controls = {{"cutoff", "Cutoff", logScale(Unit::Hertz, 16, 16000), 1000},
                         {"resonance", "Resonance", linearScale(Unit::Percent, 0, 100), 10},
                         {"drive", "Drive", linearScale(Unit::Decibels, 0, 24), 0},
                         {"level-1", "In 1", linearScale(Unit::Percent, 0, 100), 100},
                         {"level-2", "In 2", linearScale(Unit::Percent, 0, 100), 0},
                         {"amount-1", "CV 1", linearScale(Unit::Percent, -100, 100), 0},
                         {"amount-2", "CV 2", linearScale(Unit::Percent, -100, 100), 0},
                         {"res-amount", "Res CV", linearScale(Unit::Percent, -100, 100), 0}},
            .make = makeBlock<Svf>};
}

} // namespace lariat
