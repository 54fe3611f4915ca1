// Pad: a joystick's two voltages and its touch, moved by hand or by a recorded gesture.
//
// A gesture is the post's performance: controllers 16 and 17 (with 48 and 49 for the fine part, as MIDI pairs them)
// move x and y, a note is a touch. out = knob + range · gesture, held within ±range. Moves are smoothed by 5 ms.
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/time/played_notes.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum Out { X, Y, XInverted, YInverted, Touch };
enum Control { KnobX, KnobY, Range, TouchSwitch };

class Pad final : public StatefulBlock<Pad> {
  public:
    void prepare(const Setup& setup) override { part_ = partPerSample(0.005, setup.rate); }

    void process(const Frame& frame) {
        State& s = state_;
        s.touch.start(frame, Touch);
        const bool pressed = frame.position(TouchSwitch) == 1;
        if (pressed != s.pressed) {
            s.pressed = pressed;
            pressed ? s.touch.raise(frame.begin, kGateVolts) : s.touch.drop(frame.begin);
        }
        Walk walk(frame);
        const auto one = [&](int i) {
            const float range = frame.control(Range)(i);
            for (int axis = 0; axis < 2; ++axis) {
                const auto k = idx(axis);
                const float target = std::clamp(0.01f * frame.control(axis)(i) + s.gesture[k], -1.0f, 1.0f);
                const float now = s.now[k].toward(target, part_);
                if (Signal* out = frame.out(X + axis)) (*out)[i] = range * now;
                if (Signal* out = frame.out(XInverted + axis)) (*out)[i] = -range * now;
            }
        };
        s.player.play(material().performance.get(), frame, [&](double at, const MidiMessage& m) {
            walk.upTo(at, one);
            if (letsGo(m) && !pressed) s.touch.drop(at);
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

    void renewed(const Material& before) override {
        if (before.performance != material().performance)
            state_.player.exchanged(before.performance.get(), material().performance.get());
    }

    double part_ = 0.0;
    struct State {
        PerformancePlayer player;
        PulseWriter touch;
        bool pressed = false;
        std::array<int, 2> coarse{64, 64};
        std::array<int, 2> fine{};
        std::array<float, 2> gesture{};
        std::array<Lag, 2> now{};
    } state_;
};

} // namespace

BlockType padType() {
    using enum SignalKind;
    return {
        .id = "pad",
        .name = "Pad",
        .about = "A joystick: two voltages and a touch, by hand or by gesture",
        .outputs = {{"x", "x"}, {"y", "y"}, {"x-inverted", "-x"}, {"y-inverted", "-y"}, {"touch", "touch", Gate, 0, 8}},
        .controls = {{"x", "X", bipolarPercent(), 0},
                     {"y", "Y", bipolarPercent(), 0},
                     {"range", "Range", linearScale(Unit::Volts, 1, 5), 5},
                     {"touch", "Touch", switchScale({"off", "on"}), 0}},
        .make = makeBlock<Pad>,
        .isPlayed = true};
}

} // namespace lariat
