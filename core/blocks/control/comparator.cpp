// Comparator and detector: what a voltage does, as gates.
//
// A>B and A<B compare in A with in B (or with the threshold, when nothing is in B) with a hysteresis of 20 mV, at the
// exact time of the crossing. Window: A lies between the threshold and threshold + window. Rising, falling and moving
// compare A with what it was 5 ms ago, by 5 mV. Step: A has jumped by a semitone or more (parts/jump_watch.h); a glide
// is none. Gates of rising, falling, moving and
// step last at least `gate time`. Through is A itself.
#include "blocks/parts/jump_watch.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { A, B };
enum Out { Above, Below, Window, Rising, Falling, Moving, StepOut, Through };
enum Control { Threshold, WindowWidth, GateTime };

constexpr float kHysteresis = 0.02f;
constexpr float kMoved = 0.005f;
constexpr double kLookBack = 0.005;
constexpr std::size_t kMemory = 1024; ///< 5 ms at 192 kHz

class Comparator final : public StatefulBlock<Comparator> {
  public:
    void prepare(const Setup& setup) override {
        back_ = std::min(kMemory - 1, idx(kLookBack * setup.rate));
        atOnce_ = JumpWatch::atOnce(setup.rate);
    }

    void process(const Frame& frame) {
        State& s = state_;
        for (int o = 0; o < Through; ++o) s.outs[o].start(frame, o);
        const double hold = static_cast<double>(frame.control(GateTime).start) * frame.rate();
        for (int i = frame.begin; i < frame.end; ++i) {
            const float a = frame.in(A)[i];
            const float b = frame.plugged(B) ? frame.in(B)[i] : frame.control(Threshold)(i);
            compare(Above, a - b, s.beforeAbove, i);
            compare(Below, b - a, s.beforeBelow, i);
            const float low = frame.control(Threshold)(i);
            const float inside = std::min(a - low, low + frame.control(WindowWidth)(i) - a);
            compare(Window, inside, s.beforeWindow, i);
            const float then = s.memory[(s.place + kMemory - back_) % kMemory];
            s.memory[s.place] = a;
            s.place = (s.place + 1) % kMemory;
            if (s.jumps.see(a, atOnce_) != 0) {
                s.outs[StepOut].drop(i);
                s.outs[StepOut].fire(i, hold, kGateVolts);
            }
            if (s.seen < back_) { // the first look back has nothing to see
                ++s.seen;
                continue;
            }
            hint(Rising, a - then > kMoved, i, hold);
            hint(Falling, then - a > kMoved, i, hold);
            hint(Moving, std::abs(a - then) > kMoved, i, hold);
        }
        for (PulseWriter& out : s.outs) out.finish(frame);
        frame.write(Through, [&](int i) { return frame.in(A)[i]; });
    }

  private:
    friend class StatefulBlock<Comparator>;

    void compare(int out, float difference, float& before, int i) {
        PulseWriter& writer = state_.outs[out];
        const float threshold = writer.high() ? -kHysteresis : 0.0f;
        const bool now = difference > threshold;
        if (now != writer.high()) {
            const float rise = difference - before;
            const float part =
                std::abs(rise) > 1e-9f ? std::clamp((difference - threshold) / rise, 0.0f, 0.9999f) : 0.0f;
            const double at = i - static_cast<double>(part);
            now ? writer.raise(at, kGateVolts) : writer.drop(at);
        }
        before = difference;
    }

    void hint(int out, bool now, int i, double hold) {
        if (now) state_.outs[out].fire(i, hold, kGateVolts);
    }

    std::size_t back_ = 480;
    std::size_t atOnce_ = 96;
    struct State {
        PulseWriter outs[Through];
        std::array<float, kMemory> memory{};
        std::size_t place = 0;
        std::size_t seen = 0;
        float beforeAbove = 0.0f;
        float beforeBelow = 0.0f;
        float beforeWindow = 0.0f;
        JumpWatch jumps;
    } state_;
};

} // namespace

BlockType comparatorType() {
    using enum SignalKind;
    return {.id = "comparator",
            .name = "Comparator",
            .about = "Above, below, between, rising, falling, moving, stepped: what a voltage does, as gates",
            .inputs = {{"a", "a", SignalKind::Control, -5, 8}, {"b", "b", SignalKind::Control, -5, 8}},
            .outputs = {{"above", "a > b", Gate, 0, 8},
                        {"below", "a < b", Gate, 0, 8},
                        {"window", "window", Gate, 0, 8},
                        {"rising", "rising", Gate, 0, 8},
                        {"falling", "falling", Gate, 0, 8},
                        {"moving", "moving", Gate, 0, 8},
                        {"step", "step", Gate, 0, 8},
                        {"through", "through", SignalKind::Control, -5, 8}},
            .controls = {{"threshold", "Threshold", linearScale(Unit::Volts, -5, 8), 0},
                         {"window", "Window", linearScale(Unit::Volts, 0, 8), 2},
                         {"gate-time", "Gate time", logScale(Unit::Seconds, 0.001, 2), 0.01}},
            .flows = {{{"a"}, Does::Passes, {"through"}},
                      {{"a"}, Does::Strikes, {"above", "below", "window", "rising", "falling", "moving", "step"}},
                      {{"b"}, Does::Strikes, {"above", "below", "window"}}},
            .make = makeBlock<Comparator>};
}

} // namespace lariat
