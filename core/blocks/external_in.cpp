// External in: brings line level into the case, from a recording on the post or from the live input.
//
// A full-scale input leaves at 5 V peak with the gain at +12 dB. The follower is a peak detector
// with 1 ms attack and its own release, scaled so that 5 V peak give 8 V; the gate opens when the follower exceeds the
// threshold and closes 3 dB below it. A recording loops; a rising edge at `start` plays it from its beginning.
#include "blocks/maths.h"
#include "blocks/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { Start };
enum Out { Left, Right, Follow, GateOut };
enum Control { Source, Gain, Release, Threshold };

class ExternalIn final : public StatefulBlock<ExternalIn> {
  public:
    void prepare(const Setup& setup) override { sample_ = setup.sample; }

    void process(const Frame& frame) override {
        State& s = state_;
        const bool live = frame.position(Source) == 1;
        s.gate.start(frame, GateOut);
        s.start.inOrder(frame, {Start}, [&](int, const Edge& edge) {
            if (edge.rising) s.position = 0.0;
        });
        const auto rate = static_cast<float>(frame.rate);
        const float attack = 1.0f - std::exp(-1.0f / (0.001f * rate));
        const float release = 1.0f - std::exp(-1.0f / (frame.control(Release).start * rate));
        const float threshold = frame.control(Threshold).start;
        std::array<float, kRun> left{};
        std::array<float, kRun> right{};
        std::array<float, kRun> follow{};
        for (int i = frame.begin; i < frame.end; ++i) {
            const auto k = static_cast<std::size_t>(i);
            const float gain = 5.0f * decibelsToGain(frame.control(Gain)(i) - 12.0f);
            if (live && frame.transport->liveLeft) {
                left[k] = gain * frame.transport->liveLeft[i];
                right[k] = gain * frame.transport->liveRight[i];
            } else if (!live && sample_ && !sample_->left.empty()) {
                left[k] = gain * read(sample_->left);
                right[k] = gain * read(sample_->right.empty() ? sample_->left : sample_->right);
                s.position += sample_->rate / frame.rate;
                const auto length = static_cast<double>(sample_->left.size());
                if (s.position >= length) s.position = std::fmod(s.position, length);
            }
            const float peak = 1.6f * std::max(std::abs(left[k]), std::abs(right[k]));
            s.level += (peak > s.level ? attack : release) * (peak - s.level);
            follow[k] = s.level;
            if (!s.gate.high() && s.level > threshold) s.gate.raise(i, kGateVolts);
            if (s.gate.high() && s.level < 0.708f * threshold) s.gate.drop(i);
        }
        s.gate.finish(frame);
        frame.write(Left, [&](int i) { return left[static_cast<std::size_t>(i)]; });
        frame.write(Right, [&](int i) { return right[static_cast<std::size_t>(i)]; });
        frame.write(Follow, [&](int i) { return follow[static_cast<std::size_t>(i)]; });
    }

  private:
    friend class StatefulBlock<ExternalIn>;

    [[nodiscard]] float read(const std::vector<float>& from) const {
        const auto k = static_cast<std::size_t>(state_.position);
        const auto part = static_cast<float>(state_.position - static_cast<double>(k));
        const float next = from[k + 1 < from.size() ? k + 1 : 0];
        return from[k] + part * (next - from[k]);
    }

    std::shared_ptr<const Sample> sample_;
    struct State {
        GateBank<1> start;
        PulseWriter gate;
        double position = 0.0;
        float level = 0.0f;
    } state_;
};

} // namespace

BlockType externalInType() {
    using enum SignalKind;
    return {"external-in",
            "External in",
            "Line level into the case, with envelope follower and gate",
            {{"start", "start", Gate, 0, 8}},
            {{"left", "left", Audio},
             {"right", "right", Audio},
             {"follow", "follow", Control, 0, 8},
             {"gate", "gate", Gate, 0, 8}},
            {{"source", "Source", switchScale({"recording", "live"}), 0},
             {"gain", "Gain", linearScale(Unit::Decibels, 0, 24), 12},
             {"release", "Release", logScale(Unit::Seconds, 0.005, 2), 0.1},
             {"threshold", "Threshold", linearScale(Unit::Volts, 0.1, 8), 2}},
            makeBlock<ExternalIn>};
}

} // namespace lariat
