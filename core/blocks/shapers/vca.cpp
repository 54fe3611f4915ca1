// VCA: voltage-controlled amplifier, DC-coupled.
//
// gain = max(0, offset + lin·V(lin cv)/8) + exp law, with the exponential law 10^((V(exp cv)·amount/8 - 1)·100/20):
// -100 dB at 0 V, unity at 8 V, capped at +12 dB. The linear input is unity at 8 V and 100 %. The two are summed, and
// their sum times `boost` is at most +12 dB. With overdrive on, the output bends softly toward 9 V (maths.h,
// `saturate`).
#include "blocks/parts/maths.h"
#include "blocks/types.h"

#include <algorithm>

namespace lariat {
namespace {

enum In { Input, LinCv, ExpCv };
enum Control { Offset, LinAmount, ExpAmount, Boost, Overdrive };
constexpr float kCeiling = 9.0f;

constexpr float kMost = 3.9810717f; ///< +12 dB

class Vca final : public StatefulBlock<Vca> {
  public:
    void process(const Frame& frame) {
        Signal* out = frame.out(0);
        if (!out) return;
        prepareRun(frame);
        const Signal& in = frame.in(Input);
        const Signal& lin = frame.in(LinCv);
        const Ramp offset = frame.control(Offset);
        const Ramp linAmount = frame.control(LinAmount);
        Line gain;
        for (int i = frame.begin; i < frame.end; ++i)
            gain[i] = std::max(0.0f, 0.01f * (offset(i) + linAmount(i) * 0.125f * lin[i]));
        if (exponential_) {
            const Signal& exp = frame.in(ExpCv);
            const Ramp expAmount = frame.control(ExpAmount);
            for (int i = frame.begin; i < frame.end; ++i) gain[i] += exponential(expAmount(i) * exp[i]);
        }
        const Ramp boost{boost_, boostStep_}; // by value: what is written might be what is read
        for (int i = frame.begin; i < frame.end; ++i) gain[i] = std::min(kMost, gain[i] * boost(i));
        for (int i = frame.begin; i < frame.end; ++i) (*out)[i] = in[i] * gain[i];
        if (!overdriven_) return;
        for (int i = frame.begin; i < frame.end; ++i) (*out)[i] = driven((*out)[i]);
    }

    /// Within a loop.
    void one(int i) {
        const Ports& p = ports();
        Signal* out = p.outputs[0];
        if (!out) return;
        const float lin = (*p.inputs[LinCv])[i];
        float gain = stands_
                         ? std::max(0.0f, offset_ + linGain_ * lin)
                         : std::max(0.0f, 0.01f * (p.controls[Offset](i) + p.controls[LinAmount](i) * 0.125f * lin));
        if (exponential_) gain += exponential(p.controls[ExpAmount](i) * (*p.inputs[ExpCv])[i]);
        if (boosted_) gain *= boost_ + boostStep_ * static_cast<float>(i);
        const float volts = (*p.inputs[Input])[i] * std::min(kMost, gain);
        (*out)[i] = overdriven_ ? driven(volts) : volts;
    }

    void beforeTicks() override {
        const Frame frame(ports(), 0, kRun);
        prepareRun(frame);
        stands_ = frame.control(Offset).step == 0.0f && frame.control(LinAmount).step == 0.0f;
        offset_ = 0.01f * frame.control(Offset).start;
        linGain_ = 0.01f * 0.125f * frame.control(LinAmount).start;
    }

  private:
    friend class StatefulBlock<Vca>;

    void bound() override { exponential_ = (ports().plugged >> ExpCv & 1u) != 0; }

    static float exponential(float scaled) {
        return decibelsToGain(std::clamp(100.0f * (0.00125f * scaled - 1.0f), -150.0f, 12.0f));
    }

    float driven(float now) {
        const float out = saturate(now, state_.before, kCeiling);
        state_.before = std::isfinite(now) ? now : 0.0f;
        return out;
    }

    void prepareRun(const Frame& frame) {
        const Ramp boost = frame.control(Boost);
        const bool still = boost.start == 0.0f && boost.step == 0.0f;
        boosted_ = !still;
        boost_ = still ? 1.0f : decibelsToGain(boost.start);
        boostStep_ = still ? 0.0f : (decibelsToGain(boost.end()) - boost_) / static_cast<float>(kRun);
        overdriven_ = frame.position(Overdrive) == 1;
    }

    struct State {
        float before = 0.0f;
    } state_;
    bool exponential_ = false;
    // Of the present run.
    float boost_ = 1.0f;
    float boostStep_ = 0.0f;
    bool boosted_ = false;
    bool overdriven_ = false;
    // In a loop.
    bool stands_ = false; ///< the knobs do
    float offset_ = 0.0f;
    float linGain_ = 0.0f;
};

} // namespace

BlockType vcaType() {
    using enum SignalKind;
    return {.id = "vca",
            .name = "VCA",
            .about = "Amplifier with linear and exponential control inputs",
            .inputs = {{"in", "in", Audio},
                       {"lin-cv", "lin cv", Control, 0, 8, "lin-amount", {{"offset", 12.5}}},
                       {"exp-cv", "exp cv", Control, 0, 8, "exp-amount"}},
            .outputs = {{"out", "out", Audio}},
            .controls = {{"offset", "Offset", linearScale(Unit::Percent, 0, 100), 0},
                         {"lin-amount", "Lin CV", linearScale(Unit::Percent, 0, 100), 100},
                         {"exp-amount", "Exp CV", linearScale(Unit::Percent, 0, 100), 100},
                         {"boost", "Boost", linearScale(Unit::Decibels, 0, 12), 0},
                         {"overdrive", "Overdrive", switchScale({"off", "soft"}), 0}},
            .flows = {{{"in"}, Does::Passes, {}, {"boost"}, "offset"},
                      {{"lin-cv", "exp-cv"}, Does::Opens, {}, {}, "offset"}},
            .make = makeBlock<Vca>};
}

} // namespace lariat
