// External in: brings line level into the case, from a recording on the post or from the live input.
//
// A full-scale input leaves at 5 V peak with the gain at +12 dB. The follower is a peak detector
// with 1 ms attack and its own release, scaled so that 5 V peak give 8 V; the gate opens when the follower exceeds the
// threshold and closes 3 dB below it. A recording loops; a rising edge at `start` plays it from its beginning.
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/parts/sinc.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Start };
enum Out { Left, Right, Follow, GateOut };
enum Control { Source, Gain, Release, Threshold };

class ExternalIn final : public StatefulBlock<ExternalIn> {
  public:
    void prepare(const Setup&) override { sincTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        const Sample* recording = material().sample.get();
        if (recording && recording->left.empty()) recording = nullptr;
        if (recording)
            s.position = std::fmod(s.position, static_cast<double>(recording->left.size())); // it may be shorter now
        const bool live = frame.position(Source) == 1;
        s.gate.start(frame, GateOut);
        s.start.inOrder(frame, {Start}, [&](int, const Edge& edge) {
            if (edge.rising) s.position = 0.0;
        });
        const double attack = partPerSample(0.001, frame.rate());
        const double release = partPerSample(static_cast<double>(frame.control(Release).start), frame.rate());
        const float threshold = frame.control(Threshold).start;
        Line left{};
        Line right{};
        Line follow{};
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto k = idx(i);
            const float gain = 5.0f * decibelsToGain(frame.control(Gain)(i) - 12.0f);
            if (live && frame.transport().liveLeft) {
                left[k] = gain * frame.transport().liveLeft[i];
                right[k] = gain * frame.transport().liveRight[i];
            } else if (!live && recording) {
                const bool stereo = recording->right.size() == recording->left.size();
                left[k] = gain * read(recording->left);
                right[k] = stereo ? gain * read(recording->right) : left[k];
                s.position += recording->rate / frame.rate();
                const auto length = static_cast<double>(recording->left.size());
                if (s.position >= length) s.position = std::fmod(s.position, length);
            }
            const float peak = 1.6f * std::max(std::abs(left[k]), std::abs(right[k]));
            const float level = s.level.toward(peak, static_cast<double>(peak) > s.level.now ? attack : release);
            follow[k] = level;
            if (!s.gate.high() && level > threshold) s.gate.raise(i, kGateVolts);
            if (s.gate.high() && level < 0.708f * threshold) s.gate.drop(i);
        }
        s.gate.finish(frame);
        frame.write(Left, [&](int i) { return left[i]; });
        frame.write(Right, [&](int i) { return right[i]; });
        frame.write(Follow, [&](int i) { return follow[i]; });
    }

  private:
    friend class StatefulBlock<ExternalIn>;

    /// The loop between its samples, through the windowed sinc of sinc.h.
    [[nodiscard]] float read(const std::vector<float>& from) const {
        return sincTable().read(from, state_.position, 1.0f, true);
    }

    struct State {
        GateBank<1> start;
        PulseWriter gate;
        double position = 0.0;
        Lag level;
    } state_;
};

} // namespace

BlockType externalInType() {
    using enum SignalKind;
    return {.id = "external-in",
            .name = "External in",
            .about = "Line level into the case, with envelope follower and gate",
            .inputs = {{"start", "start", Gate, 0, 8}},
            .outputs = {{"left", "left", Audio},
                        {"right", "right", Audio},
                        {"follow", "follow", Control, 0, 8},
                        {"gate", "gate", Gate, 0, 8}},
            .controls = {{"source", "Source", switchScale({"recording", "live"}), 0},
                         {"gain", "Gain", linearScale(Unit::Decibels, 0, 24), 12},
                         {"release", "Release", logScale(Unit::Seconds, 0.005, 2), 0.1},
                         {"threshold", "Threshold", linearScale(Unit::Volts, 0.1, 8), 2}},
            .make = makeBlock<ExternalIn>,
            .playsSample = true};
}

} // namespace lariat
