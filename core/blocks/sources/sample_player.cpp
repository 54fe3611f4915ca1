// Sample player: plays the post's recording from `start` at each trigger, at a pitch, forward or backward.
//
// Speed = file rate / engine rate · 2^(tune/12 + V(v/oct)). Read through a windowed sinc of 16 samples (Kaiser, 80 dB);
// above unity speed the sinc is stretched by the speed, up to four times, so that what would lie beyond half the
// sampling rate is filtered out first (Smith, Digital Audio Resampling). Full scale is 5 V. A trigger while it plays
// starts over. Start = start + amount · V/10 of the length.
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/parts/sinc.h"
#include "blocks/types.h"

#include <vector>

namespace lariat {
namespace {

enum In { Trigger, Voct, StartCv };
enum Out { Left, Right, End };
enum Control { Tune, Start, StartAmount, Direction, Loop, Level };

class SamplePlayer final : public StatefulBlock<SamplePlayer> {
  public:
    void prepare(const Setup&) override { sincTable(); }

    void process(const Frame& frame) {
        State& s = state_;
        sample_ = material().sample.get();
        s.end.start(frame, End);
        Line left{};
        Line right{};
        if (sample_ && !sample_->left.empty()) {
            Walk walk(frame);
            const auto one = [&](int i) { play(frame, i, left, right); };
            const auto until = [&](double at) { walk.upTo(at, one); };
            s.trigger.inOrder(frame, {Trigger}, until, [&](int, const Edge& edge) {
                if (edge.rising) begin(frame, edge.at);
            });
            walk.toEnd(one);
        }
        s.end.finish(frame);
        frame.write(Left, [&](int i) { return left[i]; });
        frame.write(Right, [&](int i) { return right[i]; });
    }

  private:
    friend class StatefulBlock<SamplePlayer>;

    [[nodiscard]] double length() const { return static_cast<double>(sample_->left.size()); }

    [[nodiscard]] double startOf(const Frame& frame, int i) const {
        const double part = 0.01 * static_cast<double>(modulated(frame, Start, StartCv, StartAmount, 10.0f)(i));
        return std::clamp(part, 0.0, 1.0) * (length() - 1.0);
    }

    void begin(const Frame& frame, float at) {
        State& s = state_;
        const int i = frame.sampleAt(at);
        s.backward = frame.position(Direction) == 1;
        const double start = startOf(frame, i);
        const double late = static_cast<double>(static_cast<float>(i) - at) * speed(frame, i);
        s.position = s.backward ? length() - 1.0 - start - late : start + late;
        s.playing = true;
    }

    [[nodiscard]] double speed(const Frame& frame, int i) const {
        const float octaves = frame.control(Tune)(i) / 12.0f + frame.in(Voct)[i];
        return sample_->rate / frame.rate() * static_cast<double>(fastExp2(std::clamp(octaves, -8.0f, 5.0f)));
    }

    void play(const Frame& frame, int i, Line& left, Line& right) {
        State& s = state_;
        if (!s.playing) return;
        // The recording may be a shorter one than when it was struck.
        s.position = std::min(s.position, length() - 1e-9);
        const double step = speed(frame, i);
        const float volts = 0.05f * frame.control(Level)(i);
        const auto k = idx(i);
        left[k] = volts * read(sample_->left, s.position, step);
        right[k] = volts * read(sample_->right.size() == sample_->left.size() ? sample_->right : sample_->left,
                                s.position, step);
        s.position += s.backward ? -step : step;
        if (s.position >= 0.0 && s.position < length()) return;
        s.end.fire(i, kTriggerSeconds * frame.rate(), kGateVolts);
        if (frame.position(Loop) == 1)
            s.position = s.backward ? length() - 1.0 : startOf(frame, i);
        else
            s.playing = false;
    }

    /// Above unity speed the sinc is stretched by it.
    static float read(const std::vector<float>& from, double position, double speed) {
        return sincTable().read(from, position, static_cast<float>(std::clamp(speed, 1.0, 4.0)), false);
    }

    const Sample* sample_ = nullptr; ///< of the present call
    struct State {
        GateBank<1> trigger;
        PulseWriter end;
        double position = 0.0; ///< in samples of the file
        bool playing = false;
        bool backward = false;
    } state_;
};

} // namespace

BlockType samplePlayerType() {
    using enum SignalKind;
    return {.id = "sample-player",
            .name = "Sample player",
            .about = "Plays a recording at each trigger, at any pitch, forward or backward",
            .inputs = {{"trigger", "trigger", Gate, 0, 8},
                       {"voct", "v/oct", Pitch, -5, 8},
                       {"start-cv", "start cv", Control, 0, 10, "start-amount"}},
            .outputs = {{"left", "left", Audio}, {"right", "right", Audio}, {"end", "end", Gate, 0, 8}},
            .controls = {{"tune", "Tune", linearScale(Unit::Semitones, -24, 24), 0},
                         {"start", "Start", percent(), 0},
                         {"start-amount", "Start CV", bipolarPercent(), 0},
                         {"direction", "Direction", switchScale({"forward", "backward"}), 0},
                         {"loop", "At the end", switchScale({"stops", "loops"}), 0},
                         {"level", "Level", percent(), 100}},
            .flows = {{{"trigger"}, Does::Strikes, {}, {"level"}}},
            .make = makeBlock<SamplePlayer>,
            .playsSample = true};
}

} // namespace lariat
