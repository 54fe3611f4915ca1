// Track sequencer: two tracks of pitch, gate and accent, and four lanes of triggers, one step per clock pulse.
//
// What it plays is the patch's pattern for its post. Gates are 8 V for their part of a step; the step's length
// is the last interval between clock pulses (125 ms until two have come). A gate that fills its step runs into
// the next one without a break, so that the note slurs. Triggers last 5 ms. A pulse at reset makes the next
// clock play step 1; a clock that came up to 1 ms earlier counts as that one, so the order does not matter.
#include "blocks/gate.h"
#include "blocks/types.h"
#include "units/pitch.h"

#include <limits>

namespace lariat {
namespace {

enum In { ClockIn, ResetIn };
constexpr int kTracks = 2;
constexpr int kLanes = 4;
constexpr int kPerTrack = 3; ///< outputs: pitch, gate, accent
constexpr float kHigh = 8.0f;
constexpr double kTrigger = 0.005;
constexpr double kTogether = 0.001;
constexpr double kFirstStep = 0.125;
constexpr double kNever = std::numeric_limits<double>::infinity();

class TrackSequencer final : public StatefulBlock<TrackSequencer> {
  public:
    void prepare(const Setup& setup) override { pattern_ = setup.pattern; }

    void process(const Frame& frame) override {
        State& s = state_;
        for (int t = 0; t < kTracks; ++t) {
            s.gates[t].start(frame.out(t * kPerTrack + 1), frame.begin);
            s.accents[t].start(frame.out(t * kPerTrack + 2), frame.begin);
        }
        for (int l = 0; l < kLanes; ++l) s.lanes[l].start(frame.out(kTracks * kPerTrack + l), frame.begin);
        pitchFrom_ = frame.begin;

        const auto clocks = s.clock.read(frame.in(ClockIn), frame.begin, frame.end);
        std::span<const Edge> resets;
        if (frame.plugged(ResetIn)) resets = s.reset.read(frame.in(ResetIn), frame.begin, frame.end);
        std::size_t c = 0;
        std::size_t r = 0;
        while (c < clocks.size() || r < resets.size()) {
            const bool clockFirst = r == resets.size() || (c < clocks.size() && clocks[c].at < resets[r].at);
            const Edge& edge = clockFirst ? clocks[c++] : resets[r++];
            if (!edge.rising) continue;
            closeUntil(edge.at);
            clockFirst ? tick(frame, edge.at) : rewind(frame, edge.at);
        }
        closeUntil(frame.end - 1.0);

        writePitch(frame, frame.end);
        for (int t = 0; t < kTracks; ++t) {
            s.gates[t].finish(frame.end);
            s.accents[t].finish(frame.end);
        }
        for (GateWriter& lane : s.lanes) lane.finish(frame.end);
        if (frame.end == kRun) startNextRun();
    }

  private:
    friend class StatefulBlock<TrackSequencer>;

    /// Times in the state count from the start of the run.
    void startNextRun() {
        for (double& time : state_.gateEnd) time -= kRun;
        for (double& time : state_.laneEnd) time -= kRun;
        state_.lastClock -= kRun;
    }

    void tick(const Frame& frame, float at) {
        State& s = state_;
        if (s.step >= 0 && at - s.lastClock > 1.0) s.interval = at - s.lastClock;
        if (s.interval <= 0.0) s.interval = kFirstStep * frame.rate;
        s.lastClock = at;
        ++s.step;
        play(frame, at);
    }

    void rewind(const Frame& frame, float at) {
        State& s = state_;
        const bool together = s.step >= 0 && at - s.lastClock <= kTogether * frame.rate;
        if (together && s.step == 0) return;
        s.step = together ? 0 : -1;
        if (together) play(frame, at);
    }

    void play(const Frame& frame, float at) {
        if (!pattern_) return;
        State& s = state_;
        const auto step = static_cast<std::size_t>(s.step);
        for (std::size_t t = 0; t < std::min<std::size_t>(kTracks, pattern_->tracks.size()); ++t) {
            const auto& steps = pattern_->tracks[t].steps;
            const Step& now = steps[step % steps.size()];
            const bool held = steps[(step + 1) % steps.size()].kind == Step::Kind::Tie;
            if (now.kind == Step::Kind::Note) {
                writePitch(frame, static_cast<int>(std::ceil(at)));
                s.pitch[t] = static_cast<float>(noteToVolts(now.note).value);
                s.gates[t].change(at, true, kHigh);
                s.open[t] = now.gate;
                s.accents[t].change(at, now.accent, now.accent ? kHigh : 0.0f);
            }
            if (now.kind == Step::Kind::Rest) s.gates[t].change(at, false, 0.0f);
            const bool sounding = s.gates[t].high();
            s.gateEnd[t] = sounding && !held && s.open[t] < 1.0 ? at + s.open[t] * s.interval : kNever;
        }
        for (std::size_t l = 0; l < std::min<std::size_t>(kLanes, pattern_->lanes.size()); ++l) {
            const auto& hits = pattern_->lanes[l].hits;
            if (!hits[step % hits.size()]) continue;
            s.lanes[l].change(at, true, kHigh);
            s.laneEnd[l] = at + kTrigger * frame.rate;
        }
    }

    void closeUntil(double to) {
        State& s = state_;
        for (int t = 0; t < kTracks; ++t)
            if (s.gateEnd[t] <= to) {
                s.gates[t].change(static_cast<float>(s.gateEnd[t]), false, 0.0f);
                s.gateEnd[t] = kNever;
            }
        for (int l = 0; l < kLanes; ++l)
            if (s.laneEnd[l] <= to) {
                s.lanes[l].change(static_cast<float>(s.laneEnd[l]), false, 0.0f);
                s.laneEnd[l] = kNever;
            }
    }

    void writePitch(const Frame& frame, int until) {
        for (int t = 0; t < kTracks; ++t)
            if (Signal* out = frame.out(t * kPerTrack))
                for (int i = pitchFrom_; i < std::min(until, frame.end); ++i) (*out)[i] = state_.pitch[t];
        pitchFrom_ = std::max(pitchFrom_, until);
    }

    std::shared_ptr<const Pattern> pattern_;
    int pitchFrom_ = 0;
    struct State {
        GateReader clock;
        GateReader reset;
        GateWriter gates[kTracks];
        GateWriter accents[kTracks];
        GateWriter lanes[kLanes];
        float pitch[kTracks] = {};
        double open[kTracks] = {0.5, 0.5};
        double gateEnd[kTracks] = {kNever, kNever};
        double laneEnd[kLanes] = {kNever, kNever, kNever, kNever};
        double interval = 0.0;
        double lastClock = 0.0;
        int step = -1;
    } state_;
};

} // namespace

BlockType trackSequencerType() {
    using enum SignalKind;
    return {"track-sequencer",
            "Track sequencer",
            "Two tracks of notes and four lanes of triggers, one step per clock",
            {{"clock", "clock", Clock, 0, 5}, {"reset", "reset", Gate, 0, 8}},
            {{"pitch-1", "pitch 1", Pitch, -5, 5},
             {"gate-1", "gate 1", Gate, 0, 8},
             {"accent-1", "accent 1", Gate, 0, 8},
             {"pitch-2", "pitch 2", Pitch, -5, 5},
             {"gate-2", "gate 2", Gate, 0, 8},
             {"accent-2", "accent 2", Gate, 0, 8},
             {"drum-1", "drum 1", Gate, 0, 8},
             {"drum-2", "drum 2", Gate, 0, 8},
             {"drum-3", "drum 3", Gate, 0, 8},
             {"drum-4", "drum 4", Gate, 0, 8}},
            {},
            makeBlock<TrackSequencer>};
}

} // namespace lariat
