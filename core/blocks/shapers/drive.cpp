// Drive: gain into a limit, with c = 5 V.
//
//   soft        x / sqrt(1 + (x/c)²)
//   hard        x within ±c, else ±c
//   asymmetric  soft above zero, soft with half the room below, which adds even harmonics
// Run at four times the rate, and there averaged over the way from sample to sample (first-order antiderivative
// anti-aliasing, Parker, Zavalishin, Le Bivic 2016). `Tone` is a one-pole low-pass behind it, `level` the way out, and
// the DC that asymmetry makes is blocked at 5 Hz.
#include "blocks/parts/filters.h"
#include "blocks/parts/oversampler.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Input, DriveCv };
enum Control { Gain, Shape, Tone, Level, DriveAmount };
enum Shapes { Soft, Hard, Asymmetric };
constexpr float kCeiling = 5.0f;

/// Antiderivative of the curve.
float area(int shape, float x) {
    if (shape == Hard) {
        const float size = std::abs(x);
        return size <= kCeiling ? 0.5f * x * x : kCeiling * size - 0.5f * kCeiling * kCeiling;
    }
    const float c = shape == Asymmetric && x < 0.0f ? 0.5f * kCeiling : kCeiling;
    return c * (std::sqrt(c * c + x * x) - c);
}

float curve(int shape, float x) {
    if (shape == Hard) return std::clamp(x, -kCeiling, kCeiling);
    const float c = shape == Asymmetric && x < 0.0f ? 0.5f * kCeiling : kCeiling;
    return x / std::sqrt(1.0f + x * x / (c * c));
}

class Drive final : public StatefulBlock<Drive> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        const int shape = frame.position(Shape);
        const Modulated drive = modulated(frame, Gain, DriveCv, DriveAmount, 5.0f);
        const auto blocked = static_cast<double>(warped(5.0f, frame.rate()));
        for (int i = frame.begin; i < frame.end; ++i) {
            const float gain = decibelsToGain(std::clamp(drive(i), 0.0f, 48.0f));
            float y = s.over.run(frame.in(Input)[i] * gain, [&](float x) {
                const float way = x - s.before;
                const float mean = std::abs(way) < 1e-2f ? curve(shape, 0.5f * (x + s.before))
                                                         : (area(shape, x) - area(shape, s.before)) / way;
                s.before = std::isfinite(x) ? x : 0.0f;
                return mean;
            });
            if (shape == Asymmetric) y -= s.dc.low(y, blocked);
            y = s.tone.low(y, warped(frame.control(Tone)(i), frame.rate()));
            if (Signal* out = frame.out(0)) (*out)[i] = y * decibelsToGain(frame.control(Level)(i));
        }
        heal(s.tone.s);
    }

  private:
    friend class StatefulBlock<Drive>;
    struct State {
        Oversampler over;
        SlowPole dc;
        OnePole tone;
        float before = 0.0f;
    } state_;
};

} // namespace

BlockType driveType() {
    using enum SignalKind;
    return {.id = "drive",
            .name = "Drive",
            .about = "Soft, hard and asymmetric overdrive",
            .inputs = {{"in", "in", Audio},
                       {"drive-cv", "drive cv", SignalKind::Control, -5, 8, "drive-amount", {{"gain", 5}}}},
            .outputs = {{"out", "out", Audio}},
            .controls = {{"gain", "Drive", linearScale(Unit::Decibels, 0, 40), 6},
                         {"shape", "Shape", switchScale({"soft", "hard", "asymmetric"}), 0},
                         {"tone", "Tone", logScale(Unit::Hertz, 200, 20000), 20000},
                         {"level", "Level", linearScale(Unit::Decibels, -40, 0), 0},
                         {"drive-amount", "Drive CV", bipolarPercent(), 0}},
            .flows = {{.inputs = {"in"}, .does = Does::Passes, .levels = {"gain", "level"}}},
            .make = makeBlock<Drive>};
}

} // namespace lariat
