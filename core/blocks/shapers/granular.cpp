// Granular space: short pieces of the last four seconds, laid over each other.
//
// A grain starts every size/density, or at each trigger; it reads the line from `position` back, at 2^(pitch/12 +
// V(v/oct)), under a raised-cosine window of its size. `Scatter` moves position (by up to 1 s), pitch (by up to a
// semitone) and pan of each grain (seeded). Up to 24 grains sound at once, each at 1/sqrt(density) of its level.
// Frozen, the line keeps what it holds. Mix = mix + V·amount/8, 0 to 100 %.
#include "blocks/parts/delay_line.h"
#include "blocks/parts/filters.h"
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Left, Right, TriggerIn, Voct, PositionCv, FreezeIn, MixCv };
enum Control { Size, Density, Position, Pitch, Scatter, MixKnob, Freeze, PositionAmount, MixAmount };
constexpr double kMemory = 4.0;
constexpr std::size_t kGrains = 24;

struct Grain {
    float delay = 0.0f; ///< samples back from the newest
    float drift = 0.0f; ///< of the delay per sample
    float phase = 1.0f; ///< of the window; 1: silent
    float step = 0.0f;
    float left = 0.0f;
    float right = 0.0f;
};

class Granular final : public StatefulBlock<Granular> {
  public:
    static constexpr bool kHasMemory = true;

    void prepare(const Setup& setup) override {
        memory_.line.resize(idx(kMemory * setup.rate) + 8);
        state_.random.state = setup.seed;
    }

    void process(const Frame& frame) {
        State& s = state_;
        const bool triggered = frame.plugged(TriggerIn);
        const auto rate = static_cast<float>(frame.rate());
        DelayLine line(memory_.line, s.place);
        Walk walk(frame);
        const Modulated wetness = modulated(frame, MixKnob, MixCv, MixAmount, 12.5f);
        const auto one = [&](int i) {
            const bool frozen = frame.position(Freeze) == 1 || s.gates.high(1);
            const float left = frame.in(Left)[i];
            const float right = frame.plugged(Right) ? frame.in(Right)[i] : left;
            if (!frozen) line.write(0.5f * (left + right));
            const float size = frame.control(Size)(i);
            const float density = frame.control(Density)(i);
            if (!triggered) {
                s.next -= 1.0f;
                if (s.next <= 0.0f) {
                    s.next = std::max(16.0f, size * rate / density);
                    begin(frame, i);
                }
            }
            float wet[2] = {};
            for (Grain& grain : s.grains) {
                if (grain.phase >= 1.0f) continue;
                const float window =
                    0.5f - 0.5f * fastSinTurn(grain.phase < 0.75f ? grain.phase + 0.25f : grain.phase - 0.75f);
                const float x = window * line.read(grain.delay);
                wet[0] += grain.left * x;
                wet[1] += grain.right * x;
                // One that began before the line was frozen stops at the newest sample.
                grain.delay = std::max(4.0f, grain.delay + (frozen ? grain.drift - 1.0f : grain.drift));
                grain.phase += grain.step;
            }
            const float level = 1.0f / std::sqrt(std::max(1.0f, density));
            const float mix = 0.01f * std::clamp(wetness(i), 0.0f, 100.0f);
            if (Signal* out = frame.out(0)) (*out)[i] = (1.0f - mix) * left + mix * level * wet[0];
            if (Signal* out = frame.out(1)) (*out)[i] = (1.0f - mix) * right + mix * level * wet[1];
        };
        const auto until = [&](double at) { walk.upTo(at, one); };
        s.gates.inOrder(frame, {TriggerIn, FreezeIn}, until, [&](int which, const Edge& edge) {
            if (which == 0 && edge.rising)
                begin(frame, std::clamp(static_cast<int>(edge.at), frame.begin, frame.end - 1));
        });
        walk.toEnd(one);
    }

  private:
    friend class StatefulBlock<Granular>;

    void begin(const Frame& frame, int i) {
        State& s = state_;
        const auto free = std::ranges::find_if(s.grains, [](const Grain& grain) { return grain.phase >= 1.0f; });
        if (free == s.grains.end()) return;
        const auto rate = static_cast<float>(frame.rate());
        const float scatter = 0.01f * frame.control(Scatter)(i);
        const float pitch = frame.control(Pitch)(i) / 12.0f + frame.in(Voct)[i] + scatter * s.random.bipolar() / 12.0f;
        const float speed = fastExp2(std::clamp(pitch, -4.0f, 3.0f));
        const float seconds = modulated(frame, Position, PositionCv, PositionAmount, 40.0f)(i) +
                              scatter * 0.5f * (1.0f + s.random.bipolar());
        const float length = frame.control(Size)(i) * rate;
        // A grain must not overtake the newest sample, which stands still while the line is frozen.
        const bool frozen = frame.position(Freeze) == 1 || s.gates.high(1);
        const float room = frozen ? speed * length : std::max(0.0f, (speed - 1.0f) * length);
        const float pan = 0.25f * (0.5f + 0.5f * scatter * s.random.bipolar());
        free->delay = std::clamp(seconds * rate, 4.0f + room, static_cast<float>(memory_.line.size()) - 8.0f);
        free->drift = 1.0f - speed;
        free->phase = 0.0f;
        free->step = 1.0f / length;
        free->left = fastSinTurn(0.25f + pan);
        free->right = fastSinTurn(pan);
    }

    struct Memory {
        DelayMemory line;
        void take(Memory& other) { line.take(other.line); }
    } memory_;
    struct State {
        GateBank<2> gates;
        std::size_t place = 0;
        Random random;
        std::array<Grain, kGrains> grains{};
        float next = 0.0f;
    } state_;
};

} // namespace

BlockType granularType() {
    using enum SignalKind;
    return {.id = "granular",
            .name = "Granular space",
            .about = "Short pieces of the last four seconds",
            .inputs = {{"left", "in L", Audio},
                       {"right", "in R", Audio},
                       {"trigger", "trigger", Gate, 0, 8},
                       {"voct", "v/oct", SignalKind::Pitch, -4, 3},
                       {"position-cv", "position cv", SignalKind::Control, -5, 8, "position-amount"},
                       {"freeze", "freeze", Gate, 0, 8},
                       {"mix-cv", "mix cv", SignalKind::Control, -5, 8, "mix-amount", {{"mix", 12.5}}}},
            .outputs = {{"left-out", "out L", Audio}, {"right-out", "out R", Audio}},
            .controls = {{"size", "Size", logScale(Unit::Seconds, 0.01, 1), 0.12},
                         {"density", "Density", logScale(Unit::Times, 0.25, 12), 4},
                         {"position", "Position", linearScale(Unit::Seconds, 0, 3.5), 0.2},
                         {"pitch", "Pitch", linearScale(Unit::Semitones, -24, 24), 0},
                         {"scatter", "Scatter", percent(), 25},
                         {"mix", "Mix", percent(), 50},
                         {"freeze", "Freeze", switchScale({"off", "on"}), 0},
                         {"position-amount", "Position CV", percent(), 0},
                         {"mix-amount", "Mix CV", bipolarPercent(), 0}},
            .flows = {{{"left", "right"}, Does::Passes}, {{"freeze"}, Does::Holds, {}, {}, "freeze"}},
            .make = makeBlock<Granular>};
}

} // namespace lariat
