// Sample player: plays the post's recording from `start` at each trigger, at a pitch, forward or backward.
//
// Speed = file rate / engine rate · 2^(tune/12 + V(v/oct)). Read through a windowed sinc of 16 samples (Kaiser, 80 dB);
// above unity speed the sinc is stretched by the speed, up to four times, so that what would lie beyond half the
// sampling rate is filtered out first (Smith, Digital Audio Resampling). Full scale is 5 V. A trigger while it plays
// starts over. Start = start + amount · V/10 of the length.
#include "blocks/maths.h"
#include "blocks/pulses.h"
#include "blocks/types.h"

#include <vector>

namespace lariat {
namespace {

enum In { Trigger, Voct, StartCv };
enum Out { Left, Right, End };
enum Control { Tune, Start, StartAmount, Direction, Loop, Level };

/// One wing of the windowed sinc.
struct SincTable {
    static constexpr int kHalf = 8;
    static constexpr int kPerSample = 256;
    std::array<float, kHalf * kPerSample + 2> wing{};
    SincTable() {
        constexpr double pi = 3.14159265358979323846;
        constexpr double beta = 7.86;
        for (std::size_t k = 0; k < wing.size(); ++k) {
            const double x = static_cast<double>(k) / kPerSample;
            const double r = x / kHalf;
            const double sinc = k == 0 ? 1.0 : std::sin(pi * x) / (pi * x);
            const double window = r < 1.0 ? std::cyl_bessel_i(0.0, beta * std::sqrt(1.0 - r * r)) : 0.0;
            wing[k] = static_cast<float>(sinc * window / std::cyl_bessel_i(0.0, beta));
        }
    }
    [[nodiscard]] float operator()(float x) const {
        const float position = std::abs(x) * kPerSample;
        if (position >= kHalf * kPerSample) return 0.0f;
        const auto k = static_cast<std::size_t>(position);
        return wing[k] + (position - static_cast<float>(k)) * (wing[k + 1] - wing[k]);
    }
};

const SincTable& sincTable() {
    static const SincTable table;
    return table;
}

class SamplePlayer final : public StatefulBlock<SamplePlayer> {
  public:
    void prepare(const Setup& setup) override {
        sincTable();
        sample_ = setup.sample;
    }

    void process(const Frame& frame) override {
        State& s = state_;
        s.end.start(frame, End);
        std::array<float, kRun> left{};
        std::array<float, kRun> right{};
        if (sample_ && !sample_->left.empty()) {
            Walk walk(frame);
            const auto one = [&](int i) { play(frame, i, left, right); };
            s.trigger.inOrder(frame, {Trigger}, [&](int, const Edge& edge) {
                walk.upTo(static_cast<double>(edge.at), one);
                if (edge.rising) begin(frame, edge.at);
            });
            walk.toEnd(one);
        }
        s.end.finish(frame);
        frame.write(Left, [&](int i) { return left[static_cast<std::size_t>(i)]; });
        frame.write(Right, [&](int i) { return right[static_cast<std::size_t>(i)]; });
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
        const int i = std::clamp(static_cast<int>(std::ceil(at)), frame.begin, frame.end - 1);
        s.backward = frame.position(Direction) == 1;
        const double start = startOf(frame, i);
        const double late = static_cast<double>(static_cast<float>(i) - at) * speed(frame, i);
        s.position = s.backward ? length() - 1.0 - start - late : start + late;
        s.playing = true;
    }

    [[nodiscard]] double speed(const Frame& frame, int i) const {
        const float octaves = frame.control(Tune)(i) / 12.0f + frame.in(Voct)[i];
        return sample_->rate / frame.rate * static_cast<double>(fastExp2(std::clamp(octaves, -8.0f, 5.0f)));
    }

    void play(const Frame& frame, int i, std::array<float, kRun>& left, std::array<float, kRun>& right) {
        State& s = state_;
        if (!s.playing) return;
        const double step = speed(frame, i);
        const float volts = 0.05f * frame.control(Level)(i);
        const auto k = static_cast<std::size_t>(i);
        left[k] = volts * read(sample_->left, s.position, step);
        right[k] = volts * read(sample_->right.empty() ? sample_->left : sample_->right, s.position, step);
        s.position += s.backward ? -step : step;
        if (s.position >= 0.0 && s.position < length()) return;
        s.end.fire(i, kTriggerSeconds * frame.rate, kGateVolts);
        if (frame.position(Loop) == 1)
            s.position = s.backward ? length() - 1.0 : startOf(frame, i);
        else
            s.playing = false;
    }

    static float read(const std::vector<float>& from, double position, double speed) {
        const auto stretch = static_cast<float>(std::clamp(speed, 1.0, 4.0));
        const auto reach = static_cast<long>(SincTable::kHalf * stretch);
        const auto here = static_cast<long>(position);
        const auto last = static_cast<long>(from.size()) - 1;
        float sum = 0.0f;
        const SincTable& sinc = sincTable();
        for (long k = std::max(0L, here - reach + 1); k <= std::min(last, here + reach); ++k)
            sum += from[static_cast<std::size_t>(k)] *
                   sinc(static_cast<float>(position - static_cast<double>(k)) / stretch);
        return sum / stretch;
    }

    std::shared_ptr<const Sample> sample_;
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
    return {"sample-player",
            "Sample player",
            "Plays a recording at each trigger, at any pitch, forward or backward",
            {{"trigger", "trigger", Gate, 0, 8},
             {"voct", "v/oct", Pitch, -5, 8},
             {"start-cv", "start cv", Control, 0, 10, "start-amount"}},
            {{"left", "left", Audio}, {"right", "right", Audio}, {"end", "end", Gate, 0, 8}},
            {{"tune", "Tune", linearScale(Unit::Semitones, -24, 24), 0},
             {"start", "Start", percent(), 0},
             {"start-amount", "Start CV", bipolarPercent(), 0},
             {"direction", "Direction", switchScale({"forward", "backward"}), 0},
             {"loop", "At the end", switchScale({"stops", "loops"}), 0},
             {"level", "Level", percent(), 100}},
            makeBlock<SamplePlayer>};
}

} // namespace lariat
