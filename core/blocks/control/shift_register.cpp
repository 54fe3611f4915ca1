// Shift-register chaos: eight bits pushed along by a clock, read as stepped voltages.
//
// At each rising edge (and falling edge at double rate) a new bit enters stage 1 and the others move on. Free: the bit
// is data XOR stage 8, data being high above 0 V (the comparator of the other oscillator). Lock 8: stage 8 comes back
// as it is, period 8. Lock 16: stage 8 comes back inverted, period 16. 127: stage 7 XOR stage 6, the maximal sequence
// of the primitive polynomial x^7 + x^6 + 1 (Golomb 1967), period 127; from all zeros it starts with a one. The first
// voltage is a 3-bit DAC of stages 2, 4, 7; the second is the sum of stages 1, 3, 5, 6 by weights set by hand, over
// 187.5
// %, which is what they begin with: 100, 50, 25 and 12.5. A trigger at `rate gate` changes between single and double
// rate, one at `length gate` between lock 8 and lock 16, from what the switches say and back. A bit gate is high
// while its stage is; an AND pair while both of its are. The knob `state` is where it starts; moving it, a trigger at
// `restore` and the button of that name bring it back.
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

#include <fmt/format.h>

namespace lariat {
namespace {

enum In { Data, ClockIn, Restore, RateGate, LengthGate };
constexpr int kStages = 8;
constexpr int kPairs = 4;
enum Out { Cv, Second, Bits, Pairs = Bits + kStages, Comparator = Pairs + kPairs };
enum Control { Mode, RateSwitch, StateBits, Range, SecondRange, Weight, RestoreButton = Weight + 4 };
constexpr std::array<int, 4> kWeighed = {1, 3, 5, 6}; ///< stages of the second voltage
constexpr float kWeights = 187.5f;
enum Modes { Free, Lock8, Lock16, Long };

class ShiftRegister final : public StatefulBlock<ShiftRegister> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        for (int b = 0; b < kStages; ++b) s.bits[b].start(frame.out(Bits + b), frame.begin);
        for (int p = 0; p < kPairs; ++p) s.pairs[p].start(frame.out(Pairs + p), frame.begin);
        s.comparator.start(frame.out(Comparator), frame.begin);
        const auto kept = static_cast<unsigned>(frame.position(StateBits));
        const bool pressed = frame.position(RestoreButton) == 1;
        const auto now = static_cast<float>(frame.begin);
        if (!s.loaded)
            s.stages = kept;
        else if (kept != s.kept || (pressed && !s.pressed))
            set(now, kept);
        s.loaded = true;
        s.kept = kept;
        s.pressed = pressed;
        Walk walk(frame);
        const auto one = [&](int i) {
            const bool above = frame.in(Data)[i] > 0.0f;
            if (above != s.above) s.comparator.change(static_cast<float>(i), above, above ? kGateVolts : 0.0f);
            s.above = above;
            if (Signal* out = frame.out(Cv)) (*out)[i] = frame.control(Range)(i) * voltage();
            if (Signal* out = frame.out(Second)) (*out)[i] = frame.control(SecondRange)(i) * secondVoltage(frame, i);
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gates.inOrder(frame, {ClockIn, Restore, RateGate, LengthGate}, until, [&](int which, const Edge& edge) {
            if (which == 2 && edge.rising) s.otherRate = !s.otherRate;
            if (which == 3 && edge.rising) s.otherLength = !s.otherLength;
            if (which >= 2) return;
            if (which == 1) {
                if (edge.rising) set(edge.at, kept);
                return;
            }
            if (!edge.rising && (frame.position(RateSwitch) == 1) == s.otherRate) return;
            const int i = frame.sampleAt(edge.at);
            set(edge.at,
                (s.stages << 1 | (nextBit(modeNow(frame.position(Mode)), frame.in(Data)[i] > 0.0f) ? 1u : 0u)) & 0xFFu);
        });
        walk.toEnd(one);
        for (GateWriter& bit : s.bits) bit.finish(frame.end);
        for (GateWriter& pair : s.pairs) pair.finish(frame.end);
        s.comparator.finish(frame.end);
    }

    /// Told: its eight bits, stage 1 the lowest.
    void tell(Told& told) const override { told[0] = static_cast<int>(state_.stages); }

  private:
    friend class StatefulBlock<ShiftRegister>;

    [[nodiscard]] bool stage(int n) const { return (state_.stages >> (n - 1) & 1u) != 0; }

    [[nodiscard]] int modeNow(int mode) const {
        if (!state_.otherLength) return mode;
        return mode == Lock8 ? Lock16 : mode == Lock16 ? Lock8 : mode;
    }

    [[nodiscard]] bool nextBit(int mode, bool data) const {
        switch (mode) {
        case Lock8:
            return stage(8);
        case Lock16:
            return !stage(8);
        case Long:
            return (state_.stages & 0x7Fu) == 0 || stage(7) != stage(6);
        default:
            return data != stage(8);
        }
    }

    void set(float at, unsigned stages) {
        State& s = state_;
        s.stages = stages;
        for (int b = 0; b < kStages; ++b) s.bits[b].change(at, stage(b + 1), stage(b + 1) ? kGateVolts : 0.0f);
        for (int p = 0; p < kPairs; ++p) {
            const bool both = stage(2 * p + 1) && stage(2 * p + 2);
            s.pairs[p].change(at, both, both ? kGateVolts : 0.0f);
        }
    }

    /// 0…1 in eight steps.
    [[nodiscard]] float voltage() const {
        return (4.0f * (stage(7) ? 1.0f : 0.0f) + 2.0f * (stage(4) ? 1.0f : 0.0f) + (stage(2) ? 1.0f : 0.0f)) / 7.0f;
    }
    [[nodiscard]] float secondVoltage(const Frame& frame, int i) const {
        float sum = 0.0f;
        for (std::size_t w = 0; w < kWeighed.size(); ++w)
            if (stage(kWeighed[w])) sum += frame.control(Weight + static_cast<int>(w))(i);
        return sum / kWeights;
    }

    struct State {
        GateBank<4> gates;
        GateWriter bits[kStages];
        GateWriter pairs[kPairs];
        GateWriter comparator;
        unsigned stages = 0;
        unsigned kept = 0; ///< where the knob stood last
        bool pressed = false;
        bool above = false;
        bool otherRate = false; ///< than the switch says
        bool otherLength = false;
        bool loaded = false;
    } state_;
};

} // namespace

BlockType shiftRegisterType() {
    using enum SignalKind;
    std::vector<JackSpec> pairs;
    for (int p = 0; p < kPairs; ++p) {
        const int a = 2 * p + 1;
        pairs.push_back({fmt::format("pair-{}{}", a, a + 1), fmt::format("{} and {}", a, a + 1), Gate, 0, 8});
    }
    return {.id = "shift-register",
            .name = "Shift register",
            .about = "Eight bits in a row as stepped voltages and gates, free or locked",
            .inputs = {{"data", "data", Audio, -5, 5},
                       {"clock", "clock", Audio, -5, 5},
                       {"restore", "restore", Gate, 0, 8},
                       {"rate-gate", "rate gate", Gate, 0, 8},
                       {"length-gate", "length gate", Gate, 0, 8}},
            .outputs =
                joined({{{"cv", "cv", SignalKind::Control, 0, 8}, {"second", "second cv", SignalKind::Control, 0, 8}},
                        numbered(kStages, JackSpec{"bit", "bit", Gate, 0, 8}),
                        pairs,
                        {{"comparator", "comparator", Gate, 0, 8}}}),
            .controls = {{"mode", "Mode", switchScale({"free", "lock 8", "lock 16", "127 steps"}), 0},
                         {"rate", "Rate", switchScale({"single", "double"}), 0},
                         {"state", "State", countScale(0, 255), 0},
                         {"range", "Range", linearScale(Unit::Volts, 0, 8), 5},
                         {"second-range", "2nd range", linearScale(Unit::Volts, 0, 8), 5},
                         {"weight-1", "Weight 1", percent(), 100},
                         {"weight-3", "Weight 3", percent(), 50},
                         {"weight-5", "Weight 5", percent(), 25},
                         {"weight-6", "Weight 6", percent(), 12.5},
                         button("press-restore", "Restore")},
            .flows = {{{"data"}, Does::Strikes},
                      {{"clock"}, Does::Times},
                      {{"restore"}, Does::Resets},
                      {{"rate-gate", "length-gate"}, Does::Moves}},
            .make = makeBlock<ShiftRegister>};
}

} // namespace lariat
