// Detector: from melody to rhythm. Two voltages, the second the first where nothing is plugged, each with a through.
//
// Of each: rising, falling and moving (against what it was 5 ms ago, by 5 mV), and jump (parts/jump_watch.h: a semitone
// at once; a glide moves and does not jump). Of both: A above B, A below B, with 10 mV of hysteresis. Every gate lasts
// the one `gate time`; rising, falling and moving last longer while it goes on, and a jump begins theirs anew.
// Clocked, everything is judged at each clock against the clock before, and at no other time.
// Two envelopes fall from 8 V to 0 in their release time T, 8 h (e^-6u - e^-6)/(1 - e^-6), u = t/T; struck by their
// jacks, h = V/8 of the highest in the first millisecond, or, where nothing is plugged, by A rising and falling.
#include "blocks/parts/jump_watch.h"
#include "blocks/parts/maths.h"
#include "blocks/parts/pulses.h"
#include "blocks/types.h"

namespace lariat {
namespace {

enum In { A, B, ClockIn, StrikeOne, StrikeTwo };
enum Seen { RisingSeen, FallingSeen, MovingSeen, JumpSeen, kSeen };
enum Out { ThroughA, ThroughB, SeenA, SeenB = SeenA + kSeen, AboveB = SeenB + kSeen, BelowB, EnvelopeOne, EnvelopeTwo };
enum Control { DetectorTime, Clocked, ReleaseOne, ReleaseTwo };

constexpr float kCompared = 0.01f;
constexpr float kMovedBy = 0.005f;
constexpr float kClockMoved = 0.01f;
constexpr double kAgo = 0.005;
constexpr std::size_t kAgoMost = 1024; ///< 5 ms at 192 kHz
constexpr float kFall = 6.0f;
constexpr double kListens = 0.001;
constexpr int kGates = 2 * kSeen + 2;

class Detector final : public StatefulBlock<Detector> {
  public:
    void prepare(const Setup& setup) override {
        back_ = std::min(kAgoMost - 1, idx(kAgo * setup.rate));
        atOnce_ = JumpWatch::atOnce(setup.rate);
    }

    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        hold_ = static_cast<double>(frame.control(DetectorTime).start) * frame.rate();
        clocked_ = frame.position(Clocked) == 1;
        for (int g = 0; g < kGates; ++g) s.gates[idx(g)].writer.start(frame, SeenA + g);
        Walk walk(frame);
        s.inputs.inOrder(
            frame, {ClockIn, StrikeOne, StrikeTwo}, [&](double at) { walk.upTo(at, [&](int i) { sample(i); }); },
            [&](int which, const Edge& edge) {
                if (!edge.rising) return;
                if (which == 0 && clocked_) judge(static_cast<double>(edge.at));
                if (which > 0) strike(which - 1, true);
            });
        walk.toEnd([&](int i) { sample(i); });
        for (GateOut& gate : s.gates) {
            gate.writer.finish(frame);
            if (frame.endsRun()) gate.since -= kRun;
        }
        for (int c = 0; c < 2; ++c) {
            frame.write(ThroughA + c, [&](int i) { return input(c, i); });
            frame.write(EnvelopeOne + c, [&](int i) { return fallen_[idx(c)][i]; });
        }
    }

  private:
    friend class StatefulBlock<Detector>;

    struct GateOut {
        PulseWriter writer;
        double since = 0.0;
    };
    struct Channel {
        JumpWatch jumps;
        std::array<float, kAgoMost> memory{};
        float atClock = 0.0f;
    };
    struct Fall {
        double listening = 0.0; ///< samples in which the height is still taken
        float height = 0.0f;
        float passed = 1.0f; ///< of its time
    };

    [[nodiscard]] float input(int channel, int i) const {
        return channel == 1 && frame_->plugged(B) ? frame_->in(B)[i] : frame_->in(A)[i];
    }

    /// A gate from now on for the gate time, and on while `now` holds.
    void watch(int gate, bool now, double at) {
        GateOut& out = state_.gates[idx(gate)];
        if (!out.writer.high()) {
            if (now) open(gate, at);
        } else if (!now && at - out.since >= hold_) {
            out.writer.drop(std::clamp(out.since + hold_, at - 1.0, at));
        }
    }
    /// One that begins now, whatever was before.
    void open(int gate, double at) {
        GateOut& out = state_.gates[idx(gate)];
        if (out.writer.high()) out.writer.drop(at);
        out.writer.raise(at, kGateVolts);
        out.since = at;
        if (gate == RisingSeen && !frame_->plugged(StrikeOne)) strike(0, false);
        if (gate == FallingSeen && !frame_->plugged(StrikeTwo)) strike(1, false);
    }

    void sample(int i) {
        State& s = state_;
        const auto at = static_cast<double>(i);
        const bool known = s.seen >= back_;
        for (int c = 0; c < 2; ++c) {
            Channel& channel = s.channels[idx(c)];
            const int first = c * kSeen;
            const float now = input(c, i);
            const float then = channel.memory[(s.place + kAgoMost - back_) % kAgoMost];
            channel.memory[s.place] = now;
            const int jump = channel.jumps.see(now, atOnce_);
            const float by = known && !clocked_ ? now - then : 0.0f;
            if (jump != 0 && !clocked_) {
                open(first + JumpSeen, at);
                // The gates of what went before are cut, so that every note of a run has an edge of its own.
                if (const int gate = first + (jump > 0 ? RisingSeen : FallingSeen); age(gate, at) > backSamples())
                    open(gate, at);
                if (age(first + MovingSeen, at) > backSamples()) open(first + MovingSeen, at);
            }
            watch(first + RisingSeen, by > kMovedBy, at);
            watch(first + FallingSeen, by < -kMovedBy, at);
            watch(first + MovingSeen, std::abs(by) > kMovedBy, at);
            watch(first + JumpSeen, false, at);
        }
        s.place = (s.place + 1) % kAgoMost;
        if (!known) ++s.seen;
        const float apart = input(0, i) - input(1, i);
        if (!clocked_ && apart > kCompared && s.side != 1) open(2 * kSeen, at);
        if (!clocked_ && apart < -kCompared && s.side != -1) open(2 * kSeen + 1, at);
        if (std::abs(apart) > kCompared) s.side = apart > 0.0f ? 1 : -1;
        if (std::abs(apart) < 0.5f * kCompared) s.side = 0;
        watch(2 * kSeen, false, at);
        watch(2 * kSeen + 1, false, at);
        for (int e = 0; e < 2; ++e) fallen_[idx(e)][i] = fall(e, i);
    }

    [[nodiscard]] double backSamples() const { return static_cast<double>(back_); }
    /// Samples since the gate began; 0 if it is low.
    [[nodiscard]] double age(int gate, double at) const {
        const GateOut& out = state_.gates[idx(gate)];
        return out.writer.high() ? at - out.since : 0.0;
    }

    /// Clocked: what has changed since the clock before.
    void judge(double at) {
        State& s = state_;
        const int i = std::min(frame_->end - 1, static_cast<int>(std::ceil(at)));
        for (int c = 0; c < 2; ++c) {
            Channel& channel = s.channels[idx(c)];
            const float now = input(c, i);
            const float by = s.clocks > 0 ? now - channel.atClock : 0.0f;
            channel.atClock = now;
            const int first = c * kSeen;
            if (by > kClockMoved) open(first + RisingSeen, at);
            if (by < -kClockMoved) open(first + FallingSeen, at);
            if (std::abs(by) > kClockMoved) open(first + MovingSeen, at);
            if (std::abs(by) >= JumpWatch::kLeast) open(first + JumpSeen, at);
        }
        s.clocks = 1;
        const float apart = input(0, i) - input(1, i);
        if (apart > kCompared) open(2 * kSeen, at);
        if (apart < -kCompared) open(2 * kSeen + 1, at);
    }

    void strike(int envelope, bool byJack) {
        Fall& fall = state_.falls[idx(envelope)];
        fall.passed = 0.0f;
        fall.height = byJack ? 0.0f : 1.0f;
        fall.listening = byJack ? kListens * frame_->rate() : 0.0;
    }

    float fall(int envelope, int i) {
        Fall& f = state_.falls[idx(envelope)];
        if (f.passed >= 1.0f) return 0.0f;
        if (f.listening > 0.0) {
            f.listening -= 1.0;
            f.height = std::clamp(0.125f * frame_->in(StrikeOne + envelope)[i], f.height, 1.25f);
        }
        const float floor = fastExp2(-kFall * 1.44269504f);
        const float volts = 8.0f * f.height * (fastExp2(-kFall * 1.44269504f * f.passed) - floor) / (1.0f - floor);
        f.passed +=
            1.0f / std::max(1.0f, frame_->control(ReleaseOne + envelope)(i) * static_cast<float>(frame_->rate()));
        return volts;
    }

    const Frame* frame_ = nullptr;
    double hold_ = 0.0;
    bool clocked_ = false;
    std::size_t back_ = 480;
    std::size_t atOnce_ = 96;
    std::array<Line, 2> fallen_;
    struct State {
        GateBank<3> inputs;
        std::array<GateOut, kGates> gates;
        std::array<Channel, 2> channels;
        std::array<Fall, 2> falls;
        std::size_t place = 0;
        std::size_t seen = 0;
        int side = 0; ///< of A against B, as it was last told
        int clocks = 0;
    } state_;
};

} // namespace

BlockType detectorType() {
    using enum SignalKind;
    std::vector<JackSpec> outputs = {{"through-a", "through a", SignalKind::Control, -5, 8},
                                     {"through-b", "through b", SignalKind::Control, -5, 8}};
    for (const char* channel : {"a", "b"})
        for (const char* seen : {"rising", "falling", "moving", "jump"})
            outputs.push_back({fmt::format("{}-{}", seen, channel), fmt::format("{} {}", seen, channel), Gate, 0, 8});
    outputs.push_back({"above", "a > b", Gate, 0, 8});
    outputs.push_back({"below", "a < b", Gate, 0, 8});
    outputs.push_back({"envelope-1", "envelope 1", SignalKind::Control, 0, 8});
    outputs.push_back({"envelope-2", "envelope 2", SignalKind::Control, 0, 8});
    return {.id = "detector",
            .name = "Detector",
            .about = "Melody to rhythm: what two voltages do, as gates of one length, with two release envelopes",
            .inputs = {{"a", "a", SignalKind::Control, -5, 8},
                       {"b", "b", SignalKind::Control, -5, 8},
                       {"clock", "clock", SignalKind::Clock, 0, 8},
                       {"strike-1", "strike 1", Gate, 0, 8},
                       {"strike-2", "strike 2", Gate, 0, 8}},
            .outputs = std::move(outputs),
            .controls = {{"gate-time", "Gate time", logScale(Unit::Seconds, 0.001, 2), 0.02},
                         {"clocked", "Judges", switchScale({"at any time", "at each clock"}), 0},
                         {"release-1", "Release 1", logScale(Unit::Seconds, 0.005, 10), 0.2},
                         {"release-2", "Release 2", logScale(Unit::Seconds, 0.005, 10), 0.2}},
            .flows = {{{"a"}, Does::Passes, {"through-a"}},
                      {{"b"}, Does::Passes, {"through-b"}},
                      {{"a"},
                       Does::Strikes,
                       {"rising-a", "falling-a", "moving-a", "jump-a", "above", "below", "envelope-1", "envelope-2"}},
                      {{"b"}, Does::Strikes, {"rising-b", "falling-b", "moving-b", "jump-b", "above", "below"}},
                      {{"strike-1"}, Does::Strikes, {"envelope-1"}},
                      {{"strike-2"}, Does::Strikes, {"envelope-2"}}},
            .make = makeBlock<Detector>};
}

} // namespace lariat
