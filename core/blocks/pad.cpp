// Pad: a joystick's two voltages and its touch, moved by hand or by a recorded gesture.
//
// A gesture is the post's performance: controllers 16 and 17 (with 48 and 49 for the fine part, as MIDI pairs them)
// move x and y, a note is a touch. out = knob + range · gesture, held within ±range. Moves are smoothed by 5 ms.
#include "blocks/played_notes.h"
#include "blocks/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum Out { X, Y, XInverted, YInverted, Touch };
enum Control { KnobX, KnobY, Range, TouchSwitch };

class Pad final : public StatefulBlock<Pad> {
  public:
    void prepare(const Setup& setup) override { player_.prepare(setup.performance); }

    void process(const Frame& frame) override {
        State& s = state_;
        s.touch.start(frame, Touch);
        const bool pressed = frame.position(TouchSwitch) == 1;
        if (pressed != s.pressed) {
            s.pressed = pressed;
            pressed ? s.touch.raise(frame.begin, kGateVolts) : s.touch.drop(frame.begin);
        }
        const float part = 1.0f - std::exp(-1.0f / (0.005f * static_cast<float>(frame.rate)));
        Walk walk(frame);
        const auto one = [&](int i) {
            const float range = frame.control(Range)(i);
            for (int axis = 0; axis < 2; ++axis) {
                const auto k = static_cast<std::size_t>(axis);
                const float target = std::clamp(0.01f * frame.control(axis)(i) + s.gesture[k], -1.0f, 1.0f);
                s.now[k] += part * (target - s.now[k]);
                if (Signal* out = frame.out(X + axis)) (*out)[i] = range * s.now[k];
                if (Signal* out = frame.out(XInverted + axis)) (*out)[i] = -range * s.now[k];
            }
        };
        player_.play(s.place, frame, [&](double at, const MidiMessage& m) {
            walk.upTo(at, one);
            if (m.kind() == 0xB0)
                for (std::size_t axis = 0; axis < 2; ++axis) {
                    if (m.data1 == 16 + axis) s.coarse[axis] = m.data2;
                    if (m.data1 == 48 + axis) s.fine[axis] = m.data2;
                    if (m.data1 == 16 + axis || m.data1 == 48 + axis)
                        s.gesture[axis] = static_cast<float>((s.coarse[axis] << 7 | s.fine[axis]) - 8192) / 8192.0f;
                }
            if (m.kind() == 0x90 && m.data2 > 0) s.touch.raise(at, kGateVolts);
            if (m.kind() == 0x80 || (m.kind() == 0x90 && m.data2 == 0)) s.touch.drop(at);
        });
        walk.toEnd(one);
        s.touch.finish(frame);
    }

  private:
    friend class StatefulBlock<Pad>;
    PerformancePlayer player_;
    struct State {
        PerformancePlayer::State place;
        PulseWriter touch;
        bool pressed = false;
        std::array<int, 2> coarse{64, 64};
        std::array<int, 2> fine{};
        std::array<float, 2> gesture{};
        std::array<float, 2> now{};
    } state_;
};

} // namespace

BlockType padType() {
    using enum SignalKind;
    return {"pad",
            "Pad",
            "A joystick: two voltages and a touch, by hand or by gesture",
            {},
            {{"x", "x"}, {"y", "y"}, {"x-inverted", "-x"}, {"y-inverted", "-y"}, {"touch", "touch", Gate, 0, 8}},
            {{"x", "X", bipolarPercent(), 0},
             {"y", "Y", bipolarPercent(), 0},
             {"range", "Range", linearScale(Unit::Volts, 1, 5), 5},
             {"touch", "Touch", switchScale({"off", "on"}), 0}},
            makeBlock<Pad>};
}

} // namespace lariat
