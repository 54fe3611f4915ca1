// Track sequencer: four tracks of notes and eight lanes of triggers, one step per clock pulse or several.
//
// What it plays is the patch's pattern for its post. Gates are 8 V for their part of a step; the step's length
// is the last interval between clock pulses (125 ms until two have come) times the track's division. A gate that fills
// its step runs into the next one without a break, so that the note slurs; a slide glides over half the step. A step
// may be struck up to eight times, and may be left to chance (seeded). Velocity is V/127·8 V. Triggers last 5 ms. A
// pulse at reset makes the next clock play step 1; a clock that came up to 1 ms earlier counts as that one, so the
// order does not matter. The variation asked for by the switch, plus one for each volt at its CV, comes in when a
// track, or the first track of its lock group, starts over, and at once with a reset. Transpose shifts notes by whole
// semitones, read when the note starts. Swing delays every other step; of triplets three take the time of two: steps
// that fall between pulses are placed by the last interval, and one that has not come when its pulse does is passed
// over. Hits of a lane with accents are 5 V, accented ones 8 V.
#include "blocks/parts/pulses.h"
#include "blocks/parts/random.h"
#include "blocks/types.h"
#include "units/pitch.h"

namespace lariat {
namespace {

enum In { ClockIn, ResetIn, Transpose, VariationCv };
constexpr int kTracks = 4;
constexpr int kLanes = 8;
constexpr int kLines = kTracks + kLanes;
enum TrackOut { Pitch, GateOut, Accent, Velocity, CvOut, kPerTrack };
constexpr double kTogether = 0.001;
constexpr double kFirstStep = 0.125;
constexpr float kPlainHitVolts = 5.0f; ///< in a lane with accents

class TrackSequencer final : public StatefulBlock<TrackSequencer> {
  public:
    void prepare(const Setup& setup) override { state_.random.state = setup.seed; }

    void process(const Frame& frame) {
        State& s = state_;
        pattern_ = material().pattern.get();
        for (int t = 0; t < kTracks; ++t) {
            s.gates[t].start(frame.out(t * kPerTrack + GateOut), frame.begin);
            s.accents[t].start(frame.out(t * kPerTrack + Accent), frame.begin);
        }
        for (int l = 0; l < kLanes; ++l) s.lanes[l].start(frame, kTracks * kPerTrack + l);
        writtenTo_ = frame.begin;
        const auto until = [&](double at) { playTo(frame, at); };
        s.inputs.inOrder(frame, {ClockIn, ResetIn}, until, [&](int which, const Edge& edge) {
            if (!edge.rising) return;
            which == 0 ? pulse(frame, edge.at) : rewind(frame, edge.at);
        });
        playTo(frame, frame.end - 1.0);

        writeLevels(frame, frame.end);
        for (int t = 0; t < kTracks; ++t) {
            s.gates[t].finish(frame.end);
            s.accents[t].finish(frame.end);
        }
        for (PulseWriter& lane : s.lanes) lane.finish(frame);
        if (frame.endsRun()) startNextRun();
    }

    /// Told: for each track and lane the step it plays, -1 before the first.
    void tell(Told& told) const override {
        for (int n = 0; n < kLines; ++n) told[idx(n)] = state_.lines[idx(n)].step;
    }

  private:
    friend class StatefulBlock<TrackSequencer>;

    /// Times in the state count from the start of the run.
    void startNextRun() {
        for (Voice& voice : state_.voices) {
            voice.gateEnd -= kRun;
            voice.nextStrike -= kRun;
            voice.late -= kRun;
        }
        for (Line& line : state_.lines) line.due -= kRun;
        state_.lastClock -= kRun;
    }

    void pulse(const Frame& frame, double at) {
        State& s = state_;
        if (s.ticks >= 0 && at - s.lastClock > 1.0) s.interval = at - s.lastClock;
        if (s.interval <= 0.0) s.interval = kFirstStep * frame.rate();
        s.lastClock = at;
        ++s.ticks;
        play(frame, at);
    }

    void rewind(const Frame& frame, double at) {
        State& s = state_;
        const bool together = s.ticks >= 0 && at - s.lastClock <= kTogether * frame.rate();
        if (together && s.ticks == 0) return;
        s.ticks = together ? 0 : -1;
        s.lines = {};
        if (together) play(frame, at);
    }

    [[nodiscard]] int wanted(const Frame& frame, double at) const {
        const int i = frame.sampleAt(at);
        const auto more = static_cast<int>(std::lround(frame.in(VariationCv)[i]));
        return std::clamp(frame.position(0) + more, 0, kMaxVariations - 1);
    }

    /// Where line n (tracks, then lanes) goes in its variation; nullptr if it has no such line.
    [[nodiscard]] const Stride* stride(int n, std::size_t& steps) const {
        const auto slot = idx(n);
        const int variation = state_.lines[slot].variation;
        if (n < kTracks) {
            const auto& tracks = pattern_->tracksOf(variation);
            if (slot >= tracks.size() || tracks[slot].steps.empty()) return nullptr;
            steps = tracks[slot].steps.size();
            return &tracks[slot].stride;
        }
        const auto& lanes = pattern_->lanesOf(variation);
        if (slot - kTracks >= lanes.size() || lanes[slot - kTracks].hits.empty()) return nullptr;
        steps = lanes[slot - kTracks].hits.size();
        return &lanes[slot - kTracks].stride;
    }

    void changeVariations(const Frame& frame, double at) {
        const int next = wanted(frame, at);
        std::array<bool, 256> turned{};
        std::array<bool, 256> led{};
        for (int n = 0; n < kLines; ++n) {
            std::size_t steps = 0;
            const Stride* way = stride(n, steps);
            if (!way) {
                state_.lines[idx(n)].variation = next;
                continue;
            }
            Line& line = state_.lines[idx(n)];
            const auto group = idx(std::clamp(way->lock, 0, 255));
            const bool startsOver = fallsOnPulse(*way) && (line.count + 1) % static_cast<long>(steps) == 0;
            if (group > 0 && !led[group]) {
                led[group] = true;
                turned[group] = startsOver;
            }
            const bool now = group == 0 ? startsOver : turned[group];
            if (now && line.variation != next) {
                line.variation = next;
                line.count = -1;
            }
        }
    }

    void play(const Frame& frame, double at) {
        if (!pattern_) return;
        State& s = state_;
        changeVariations(frame, at);
        for (int n = 0; n < kLines; ++n) {
            std::size_t steps = 0;
            const Stride* way = stride(n, steps);
            if (!way || !fallsOnPulse(*way)) continue;
            Line& line = s.lines[idx(n)];
            line.count += line.left; // what has not come until now is passed over
            line.left = 0;
            line.due = kNever;
            const double length = s.interval * way->pulses();
            const bool late = !way->triplets && s.ticks / way->division % 2 == 1 && way->swing > 0.5;
            if (late) {
                line.due = at + (2.0 * way->swing - 1.0) * length;
                line.left = 1;
            } else {
                playStep(frame, n, at);
                line.every = length;
                line.left = way->triplets ? 2 : 0;
                if (line.left > 0) line.due = at + length;
            }
        }
    }

    /// Triplets have every third step on a pulse.
    [[nodiscard]] bool fallsOnPulse(const Stride& way) const {
        return state_.ticks % (std::max(1, way.division) * (way.triplets ? 2 : 1)) == 0;
    }

    /// Plays what is due between the pulses, and ends gates and strikes notes on the way, up to a time.
    void playTo(const Frame& frame, double to) {
        while (pattern_) {
            auto& lines = state_.lines;
            const auto first = std::ranges::min_element(lines, {}, &Line::due);
            auto* const last = std::ranges::min_element(state_.voices, {}, &Voice::late);
            if (std::min(first->due, last->late) > to) break;
            if (last->late < first->due) {
                const double at = last->late;
                openAndClose(at);
                last->late = kNever;
                playLate(frame, static_cast<int>(last - state_.voices), at);
                continue;
            }
            const double at = first->due;
            openAndClose(at);
            first->due = --first->left > 0 ? at + first->every : kNever;
            playStep(frame, static_cast<int>(first - lines.begin()), at);
        }
        openAndClose(to);
    }

    /// The next step of line n.
    void playStep(const Frame& frame, int n, double at) {
        std::size_t steps = 0;
        const Stride* way = stride(n, steps);
        if (!way) return;
        Line& line = state_.lines[idx(n)];
        ++line.count;
        if (line.count == 0) line.next = draw(steps);
        const std::size_t step = stepAt(line.count, steps, way->direction, line.next);
        line.step = static_cast<int>(step);
        line.next = draw(steps);
        const std::size_t after = stepAt(line.count + 1, steps, way->direction, line.next);
        const double swung = way->triplets || state_.ticks / way->division % 2 == 0 ? way->swing : 1.0 - way->swing;
        if (n >= kTracks) return playLane(frame, n - kTracks, at, step);
        const double length = state_.interval * way->pulses() * (way->triplets ? 1.0 : 2.0 * swung);
        const Step& now = pattern_->tracksOf(line.variation)[idx(n)].steps[step];
        Voice& voice = state_.voices[n];
        voice.late = kNever;
        if (now.kind != Step::Kind::Note || now.late <= 0.0)
            return playTrack(frame, n, at, step, after, length, length);
        voice.late = at + now.late * length;
        voice.lateStep = static_cast<int>(step);
        voice.lateAfter = static_cast<int>(after);
        voice.lateLength = length;
    }

    /// A note that comes late; it may have gone from the pattern meanwhile.
    void playLate(const Frame& frame, int t, double at) {
        Voice& voice = state_.voices[t];
        std::size_t steps = 0;
        if (!stride(t, steps) || idx(voice.lateStep) >= steps || idx(voice.lateAfter) >= steps) return;
        const Step& now = pattern_->tracksOf(state_.lines[idx(t)].variation)[idx(t)].steps[idx(voice.lateStep)];
        playTrack(frame, t, at, idx(voice.lateStep), idx(voice.lateAfter), voice.lateLength,
                  (1.0 - std::min(now.late, kLatest)) * voice.lateLength);
    }

    std::size_t draw(std::size_t steps) { return idx(state_.random.next() % steps); }

    void playLane(const Frame& frame, int l, double at, std::size_t step) {
        const auto& lane = pattern_->lanesOf(state_.lines[idx(kTracks + l)].variation)[idx(l)];
        if (lane.hits[step] == Hit::Rest) return;
        const bool plain =
            lane.hits[step] != Hit::Accent && std::ranges::find(lane.hits, Hit::Accent) != lane.hits.end();
        state_.lanes[l].fire(at, kTriggerSeconds * frame.rate(), plain ? kPlainHitVolts : kGateVolts);
    }

    /// `length` is that of the step, in samples; `room` what is left of it.
    void playTrack(const Frame& frame, int t, double at, std::size_t step, std::size_t after, double length,
                   double room) {
        State& s = state_;
        const auto slot = idx(t);
        const auto& steps = pattern_->tracksOf(s.lines[slot].variation)[slot].steps;
        const Step& now = steps[step];
        const bool held = steps[after].kind == Step::Kind::Tie;
        Voice& voice = s.voices[t];
        const bool chance =
            now.probability >= 1.0 || 0.5 * (static_cast<double>(s.random.bipolar()) + 1.0) < now.probability;
        voice.strikesLeft = 0;
        voice.nextStrike = kNever;
        if (now.kind == Step::Kind::Note && chance) {
            writeLevels(frame, static_cast<int>(std::ceil(at)));
            const int i = frame.sampleAt(at);
            const float semitones = std::round(12.0f * frame.in(Transpose)[i]);
            const float target = static_cast<float>(noteToVolts(now.note).value) + semitones / 12.0f;
            voice.glide = now.slide ? (target - voice.pitch) / static_cast<float>(0.5 * length) : 0.0f;
            if (!now.slide) voice.pitch = target;
            voice.target = target;
            voice.velocity = 8.0f / 127.0f * static_cast<float>(now.velocity);
            voice.cv = static_cast<float>(now.cv);
            voice.open = std::min(now.gate * length, room) / std::max(1, now.repeats);
            voice.strikesLeft = now.repeats - 1;
            voice.strikeEvery = room / std::max(1, now.repeats);
            voice.nextStrike = voice.strikesLeft > 0 ? at + voice.strikeEvery : kNever;
            s.gates[t].change(static_cast<float>(at), true, kGateVolts);
            s.accents[t].change(static_cast<float>(at), now.accent, now.accent ? kGateVolts : 0.0f);
        } else if (now.kind != Step::Kind::Tie) {
            s.gates[t].change(static_cast<float>(at), false, 0.0f);
        }
        const bool whole = now.kind == Step::Kind::Note && now.gate >= 1.0 && now.repeats == 1;
        if (now.kind == Step::Kind::Tie && !held) voice.open = voice.lastGate * length;
        if (now.kind == Step::Kind::Note) voice.lastGate = now.gate;
        const bool endless = held || whole || (now.kind == Step::Kind::Tie && voice.lastGate >= 1.0);
        voice.gateEnd = s.gates[t].high() && (voice.strikesLeft > 0 || !endless) ? at + voice.open : kNever;
    }

    /// Ends gates and strikes repeated notes up to a time.
    void openAndClose(double to) {
        State& s = state_;
        for (int t = 0; t < kTracks; ++t) {
            Voice& voice = s.voices[t];
            while (std::min(voice.gateEnd, voice.nextStrike) <= to) {
                if (voice.gateEnd <= voice.nextStrike) {
                    s.gates[t].change(static_cast<float>(voice.gateEnd), false, 0.0f);
                    voice.gateEnd = kNever;
                } else {
                    const double at = voice.nextStrike;
                    s.gates[t].change(static_cast<float>(at), false, 0.0f);
                    s.gates[t].change(static_cast<float>(at), true, kGateVolts);
                    voice.gateEnd = at + voice.open;
                    voice.nextStrike = --voice.strikesLeft > 0 ? at + voice.strikeEvery : kNever;
                }
            }
        }
    }

    void writeLevels(const Frame& frame, int until) {
        const int to = std::min(until, frame.end);
        for (int t = 0; t < kTracks; ++t) {
            Voice& voice = state_.voices[t];
            for (int i = writtenTo_; i < to; ++i) {
                if (voice.glide != 0.0f) {
                    voice.pitch += voice.glide;
                    if ((voice.glide > 0.0f) == (voice.pitch >= voice.target)) {
                        voice.pitch = voice.target;
                        voice.glide = 0.0f;
                    }
                }
                if (Signal* out = frame.out(t * kPerTrack + Pitch)) (*out)[i] = voice.pitch;
                if (Signal* out = frame.out(t * kPerTrack + Velocity)) (*out)[i] = voice.velocity;
                if (Signal* out = frame.out(t * kPerTrack + CvOut)) (*out)[i] = voice.cv;
            }
        }
        writtenTo_ = std::max(writtenTo_, to);
    }

    const Pattern* pattern_ = nullptr; ///< of the present call
    int writtenTo_ = 0;
    struct Line {
        int variation = 0;
        long count = -1; ///< steps played since its start
        std::size_t next = 0;
        int step = -1;       ///< playing now
        double due = kNever; ///< when the next step comes that falls between pulses
        double every = 0.0;  ///< samples to the one behind it
        int left = 0;        ///< such steps before the next pulse
    };
    struct Voice {
        float pitch = 0.0f;
        float target = 0.0f;
        float glide = 0.0f; ///< volts per sample
        float velocity = 0.0f;
        float cv = 0.0f;
        double open = 0.0;
        double lastGate = 0.5;
        double gateEnd = kNever;
        double nextStrike = kNever;
        double strikeEvery = 0.0;
        int strikesLeft = 0;
        double late = kNever; ///< when a note comes that is late
        int lateStep = 0;
        int lateAfter = 0;
        double lateLength = 0.0;
    };
    struct State {
        GateBank<2> inputs;
        GateWriter gates[kTracks];
        GateWriter accents[kTracks];
        PulseWriter lanes[kLanes];
        Voice voices[kTracks];
        std::array<Line, kLines> lines{};
        Random random;
        double interval = 0.0;
        double lastClock = 0.0;
        long ticks = -1;
    } state_;
};

} // namespace

BlockType trackSequencerType() {
    using enum SignalKind;
    std::vector<JackSpec> outputs;
    for (int n = 1; n <= kTracks; ++n) {
        const auto jack = [&](const char* word, SignalKind kind, float min, float max) {
            outputs.push_back({wordWithNumber(word, '-', n), wordWithNumber(word, ' ', n), kind, min, max});
        };
        jack("pitch", SignalKind::Pitch, -5, 5);
        jack("gate", Gate, 0, 8);
        jack("accent", Gate, 0, 8);
        jack("velocity", Control, 0, 8);
        jack("cv", Control, -5, 8);
    }
    return {.id = "track-sequencer",
            .name = "Track sequencer",
            .about = "Four tracks of notes and eight lanes of triggers in eight variations",
            .inputs = {{"clock", "clock", Clock, 0, 5},
                       {"reset", "reset", Gate, 0, 8},
                       {"transpose", "transpose", SignalKind::Pitch, -5, 5},
                       {"variation-cv", "variation", Control, 0, 7}},
            .outputs = joined({outputs, numbered(kLanes, JackSpec{"drum", "drum", Gate, 0, 8})}),
            .controls = {{"variation", "Variation", switchScale({"A", "B", "C", "D", "E", "F", "G", "H"}), 0}},
            .flows = {{{"reset"}, Does::Resets},
                      {{"transpose"}, Does::Passes, {"pitch-1", "pitch-2", "pitch-3", "pitch-4"}}},
            .make = makeBlock<TrackSequencer>,
            .playsPattern = true};
}

} // namespace lariat
