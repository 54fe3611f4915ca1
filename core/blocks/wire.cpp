// Wire: out = law(in) · gain + offset + noise.
//
// Laws: straight; from hertz per volt, V/oct = log2(V) - 4, so that 1 V is C0 (16.35 Hz) and 16 V C4; to hertz per
// volt, its inverse. Noise is white, Gaussian by the sum of four uniforms, in µV RMS over the whole band. With a
// threshold, the wire is a gate input: it gives 8 V once the input has stayed above the threshold for `shortest`, until
// it falls below half of it; edges keep their time, later by `shortest`.
#include "blocks/wire.h"

#include "blocks/pulses.h"
#include "blocks/random.h"

#include <cmath>

namespace lariat {
namespace {

class Wire final : public StatefulBlock<Wire> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) override {
        Signal* out = frame.out(0);
        if (!out) return;
        const auto knob = [&](wire::Control c) { return frame.control(c).start; };
        if (knob(wire::Threshold) > 0.0f) return readGate(frame, knob(wire::Threshold), knob(wire::Shortest));
        passOn(frame.in(0), *out, frame);
        const float gain = knob(wire::Gain);
        if (gain < 0.0f) out->listsEdges = false; // its rising edges fall now: let the reader find them
        const int law = frame.position(wire::Law);
        const float noise = knob(wire::Noise) * 1e-6f * 0.8660254f; // four uniforms of ±1 have an RMS of 1.1547
        for (int i = frame.begin; i < frame.end; ++i) {
            float v = (*out)[i];
            if (law == wire::FromHertz) v = std::log2(std::max(v, 1e-4f)) - 4.0f;
            if (law == wire::ToHertz) v = std::exp2(std::clamp(v, -12.0f, 4.0f) + 4.0f);
            (*out)[i] = v * gain + knob(wire::Offset) + (noise > 0.0f ? noise * gaussian() : 0.0f);
        }
    }

  private:
    friend class StatefulBlock<Wire>;

    float gaussian() {
        Random& r = state_.random;
        return r.bipolar() + r.bipolar() + r.bipolar() + r.bipolar();
    }

    void readGate(const Frame& frame, float threshold, float shortest) {
        State& s = state_;
        const double wait = static_cast<double>(shortest) * frame.rate;
        s.gate.start(frame, 0);
        const Signal& in = frame.in(0);
        for (int i = frame.begin; i < frame.end; ++i) {
            const bool above = in[i] > (s.above ? 0.5f * threshold : threshold);
            if (above != s.above) {
                s.above = above;
                const float rise = in[i] - s.before;
                const float level = above ? threshold : 0.5f * threshold;
                const float part = std::abs(rise) > 1e-9f ? std::clamp((in[i] - level) / rise, 0.0f, 0.9999f) : 0.0f;
                const double at = exact(in, i, above, i - static_cast<double>(part));
                s.due = above ? at + wait : kNever;
                if (!above) s.gate.drop(at);
            }
            if (s.due <= i) {
                s.gate.raise(s.due, kGateVolts);
                s.due = kNever;
            }
            s.before = in[i];
        }
        s.gate.finish(frame);
        if (frame.end == kRun) s.due -= kRun;
    }

    /// The listed edge at this sample, if the source lists them.
    static double exact(const Signal& in, int i, bool rising, double otherwise) {
        for (int e = 0; e < in.edgeCount; ++e) {
            const Edge& edge = in.edges[static_cast<std::size_t>(e)];
            if (edge.rising == rising && edge.at > static_cast<float>(i - 1) && edge.at <= static_cast<float>(i))
                return static_cast<double>(edge.at);
        }
        return otherwise;
    }

    struct State {
        Random random;
        PulseWriter gate;
        double due = kNever;
        float before = 0.0f;
        bool above = false;
    } state_;
};

} // namespace

const BlockType& wireType() {
    static const BlockType type = {
        "wire",
        "Wire",
        "What lies between a jack and a block",
        {{"in", "in"}},
        {{"out", "out"}},
        {{"gain", "Gain", linearScale(Unit::None, -100, 100), 1},
         {"offset", "Offset", linearScale(Unit::Volts, -1000, 1000), 0},
         {"noise", "Noise", linearScale(Unit::None, 0, 1e5), 0},
         {"law", "Law", switchScale({"straight", "from hertz per volt", "to hertz per volt"}), 0},
         {"threshold", "Threshold", linearScale(Unit::Volts, 0, 10), 0},
         {"shortest", "Shortest pulse", linearScale(Unit::Seconds, 0, 1), 0}},
        makeBlock<Wire>};
    return type;
}

} // namespace lariat
