// VCA: voltage-controlled amplifier, DC-coupled.
//
// gain = max(0, offset + lin·V(lin cv)/8) + exp law, with the exponential law 10^((V(exp cv)·amount/8 - 1)·100/20):
// -100 dB at 0 V, unity at 8 V, capped at +12 dB. The linear input is unity at 8 V and 100 %. The two are summed, and
// their sum times `boost` is at most +12 dB. With overdrive on, the output bends softly toward 9 V (maths.h,
// `saturate`).
#include "blocks/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Input, LinCv, ExpCv };
enum Control { Offset, LinAmount, ExpAmount, Boost, Overdrive };
constexpr float kCeiling = 9.0f;

class Vca final : public StatefulBlock<Vca> {
  public:
    void prepare(const Setup&) override {}

    void process(const Frame& frame) override {
        eachLength(
            frame, [this](const Frame& part) __attribute__((always_inline)) { work(part); });
    }

  private:
    friend class StatefulBlock<Vca>;

    [[gnu::always_inline]] void work(const Frame& frame) {
        Signal* out = frame.out(0);
        if (!out) return;
        const float* in = frame.in(Input).volts.data();
        const float* lin = frame.in(LinCv).volts.data();
        const Ramp offset = frame.control(Offset);
        const Ramp linAmount = frame.control(LinAmount);
        const Ramp boostRamp = frame.control(Boost);
        std::array<float, kRun> gain;
        for (int i = frame.begin; i < frame.end; ++i)
            gain[static_cast<std::size_t>(i)] = std::max(0.0f, 0.01f * (offset(i) + linAmount(i) * 0.125f * lin[i]));
        if (frame.plugged(ExpCv)) {
            const float* exp = frame.in(ExpCv).volts.data();
            const Ramp expAmount = frame.control(ExpAmount);
            for (int i = frame.begin; i < frame.end; ++i) {
                const float decibels = 100.0f * (expAmount(i) * 0.00125f * exp[i] - 1.0f);
                gain[static_cast<std::size_t>(i)] += decibelsToGain(std::clamp(decibels, -150.0f, 12.0f));
            }
        }
        const bool still = boostRamp.start == 0.0f && boostRamp.step == 0.0f;
        const float boost = still ? 1.0f : decibelsToGain(boostRamp.start);
        const float boostStep = still ? 0.0f : (decibelsToGain(boostRamp.end()) - boost) / static_cast<float>(kRun);
        for (int i = frame.begin; i < frame.end; ++i) {
            const float most =
                std::min(3.9810717f, gain[static_cast<std::size_t>(i)] * (boost + boostStep * static_cast<float>(i)));
            (*out)[i] = in[i] * most;
        }
        if (frame.position(Overdrive) == 0) return;
        for (int i = frame.begin; i < frame.end; ++i) {
            const float now = (*out)[i];
            (*out)[i] = saturate(now, state_.before, kCeiling);
            state_.before = std::isfinite(now) ? now : 0.0f;
        }
    }

    struct State {
        float before = 0.0f;
    } state_;
};

} // namespace

BlockType vcaType() {
    using enum SignalKind;
    return {"vca",
            "VCA",
            "Amplifier with linear and exponential control inputs",
            {{"in", "in", Audio},
             {"lin-cv", "lin cv", Control, 0, 8, "lin-amount"},
             {"exp-cv", "exp cv", Control, 0, 8, "exp-amount"}},
            {{"out", "out", Audio}},
            {{"offset", "Offset", linearScale(Unit::Percent, 0, 100), 0},
             {"lin-amount", "Lin CV", linearScale(Unit::Percent, 0, 100), 100},
             {"exp-amount", "Exp CV", linearScale(Unit::Percent, 0, 100), 100},
             {"boost", "Boost", linearScale(Unit::Decibels, 0, 12), 0},
             {"overdrive", "Overdrive", switchScale({"off", "soft"}), 0}},
            makeBlock<Vca>};
}

} // namespace lariat
