// Wire: out = law(in) · gain + offset + noise.
//
// Laws: straight; from hertz per volt, V/oct = log2(V) - 4, so that 1 V is C0 (16.35 Hz) and 16 V C4; to hertz per
// volt, its inverse. Noise is white, Gaussian by the sum of four uniforms, in µV RMS over the whole band. With a
// threshold, the wire is a gate input: it gives 8 V once the input has stayed above the threshold for `shortest`, until
// it falls below half of it; edges keep their time, later by `shortest`.
#include "blocks/control/wire.h"

#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"

#include <cmath>

namespace lariat {
namespace {

class Wire final : public StatefulBlock<Wire> {
  public:
    void prepare(const Setup& setup) override {
        state_.random.state = setup.seed;
        peakStays_ = static_cast<float>(std::exp(-1.0 / setup.rate));
    }

    void process(const Frame& frame) {
        Signal* out = frame.out(0);
        if (!out) return;
        const auto knob = [&](wire::Control c) { return frame.control(c).start; };
        if (knob(wire::Threshold) > 0.0f) return readGate(frame, knob(wire::Threshold), knob(wire::Shortest));
        passOn(frame.in(0), *out, frame);
        const float gain = knob(wire::Gain);
        const int law = frame.position(wire::Law);
        const float noise = knob(wire::Noise) * 1e-6f * 0.8660254f; // four uniforms of ±1 have an RMS of 1.1547
        const float offset = knob(wire::Offset);
        for (int i = frame.begin; i < frame.end; ++i) {
            float v = (*out)[i];
            if (law == wire::FromHertz) v = std::log2(std::max(v, 1e-4f)) - 4.0f;
            if (law == wire::ToHertz) v = std::exp2(std::clamp(v, -12.0f, 4.0f) + 4.0f);
            (*out)[i] = v * gain + offset;
        }
        if (noise > 0.0f) { // by itself: several random numbers are made at once
            Random random = state_.random;
            for (int i = frame.begin; i < frame.end; ++i) (*out)[i] += noise * random.gaussian();
            state_.random = random;
        }
        if (out->listsEdges() && !stillReach(*out, frame)) out->list->listed = false;
    }

  private:
    friend class StatefulBlock<Wire>;

    /// True if what is left of the signal still passes the thresholds of a gate input where its edges say so. Scaled
    /// down, silenced or turned over, it is the reader that has to find what edges there are.
    bool stillReach(const Signal& out, const Frame& frame) {
        float& peak = state_.peak; // of the last second or so
        for (int i = frame.begin; i < frame.end; ++i) peak = std::max(out[i], peak * peakStays_);
        constexpr int kLate = 8; // band-limited waves come later than their edges
        for (int e = 0; e < out.list->count; ++e) {
            const Edge& edge = out.list->edges[idx(e)];
            const int from = std::max(0, static_cast<int>(std::ceil(edge.at)));
            bool reached = frame.end - from < kLate && (!edge.rising || peak > kGateOn);
            for (int i = from; i < frame.end && !reached; ++i)
                reached = edge.rising ? out[i] > kGateOn : out[i] < kGateOff;
            if (!reached) return false;
        }
        return true;
    }

    void readGate(const Frame& frame, float threshold, float shortest) {
        State& s = state_;
        const double wait = static_cast<double>(shortest) * frame.rate();
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
        if (frame.endsRun()) s.due -= kRun;
    }

    /// The listed edge at this sample, if the source lists them.
    static double exact(const Signal& in, int i, bool rising, double otherwise) {
        for (int e = 0; in.listsEdges() && e < in.list->count; ++e) {
            const Edge& edge = in.list->edges[idx(e)];
            if (edge.rising == rising && edge.at > static_cast<float>(i - 1) && edge.at <= static_cast<float>(i))
                return static_cast<double>(edge.at);
        }
        return otherwise;
    }

    float peakStays_ = 1.0f;
    struct State {
        Random random;
        PulseWriter gate;
        float peak = 0.0f;
        double due = kNever;
        float before = 0.0f;
        bool above = false;
    } state_;
};

} // namespace

const BlockType& wireType() {
    static const BlockType type = {
        .id = "wire",
        .name = "Wire",
        .about = "What lies between a jack and a block",
        .inputs = {{"in", "in"}},
        .outputs = {{.id = "out", .name = "out", .edges = true}},
        .controls = {{"gain", "Gain", linearScale(Unit::None, -100, 100), 1},
                     {"offset", "Offset", linearScale(Unit::Volts, -1000, 1000), 0},
                     {"noise", "Noise", linearScale(Unit::None, 0, 1e5), 0},
                     {"law", "Law", switchScale({"straight", "from hertz per volt", "to hertz per volt"}), 0},
                     {"threshold", "Threshold", linearScale(Unit::Volts, 0, 10), 0},
                     {"shortest", "Shortest pulse", linearScale(Unit::Seconds, 0, 1), 0}},
        .flows = {{{"in"}, Does::Passes}},
        .make = makeBlock<Wire>};
    return type;
}

} // namespace lariat
