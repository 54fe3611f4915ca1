// Quantizer: two channels to the nearest note of a scale, and a sequence of its own.
//
// The scale is one of the named ones, the twelve note switches (every twelve-tone mask), or the post's Scala tuning.
// Root and root CV (one semitone per 1/12 V) shift the scale; transpose shifts what comes out. A new note is taken when
// it is nearer than the present one by 10 mV. Modes: always (follows, no triggers); on change (follows, a trigger
// for each new note); on clock (reads at the clock, a trigger each time); clock and change (reads at the clock, a
// trigger only if the note is new). Triggers come 0.5 ms after the pitch, which has settled by then.
// Own sequence of channel 1: note, rest or tie per clock in slots A…H, which start as the post's pattern has them
// (one variation a slot). While `record` is high the note at in 1 is written at each clock over what was there, or a
// rest or tie if that input is high, an octave up while `octave` is; a `record` that begins while the sequence is not
// played clears the slot first. Played, it is transposed by the root, its gate opens for notes and stays open for ties,
// and the second channel keeps quantizing; stopped, the first one passes its input on, quantized, as well. The buttons
// stand beside the jacks; while it records and is stopped, `note`, `rest` and `tie` write a step at once, without a
// clock, and `load` brings the slot back as it is written.
// Triggers of channel 1, one way or another: as quantized (by mode; played, at its notes); none (the clock passes on
// always); playing (it passes on only while the sequence is played); change (a trigger, and a step of the sequence,
// when in 1 moves to another note; with a clock only at a clock that finds another note than the last one did).
#include "blocks/parts/pulses.h"
#include "blocks/types.h"
#include "units/key.h"
#include "units/pitch.h"

#include <fmt/format.h>

namespace lariat {
namespace {

enum In { In1, Clock1, In2, Clock2, RootCv, TransposeCv, ResetIn, Record, RestIn, TieIn, OctaveIn };
enum Out { Out1, Trigger1, Out2, Trigger2, GateOut };
constexpr int kNotes = 12;
enum Control {
    ScaleSwitch = 0,
    Note,
    Root = 1 + kNotes,
    Transpose,
    Mode1,
    Mode2,
    Play,
    Slot,
    Length,
    Triggers,
    Buttons
};
enum Button { RecordButton, NoteButton, RestButton, TieButton, OctaveButton, LoadButton, kButtons };
enum TriggerModes { AsQuantized, None, Playing, OnMove };
enum Modes { Always, OnChange, OnClock, Both };

constexpr double kHysteresis = 12.0; ///< cents, 10 mV
constexpr double kSettle = 0.0005;
constexpr double kUnheard = 1e8; ///< no note that there is, in cents
constexpr int kSlots = 8;
constexpr int kSteps = 64;

class Quantizer final : public StatefulBlock<Quantizer> {
  public:
    void prepare(const Setup&) override {
        for (int slot = 0; slot < kSlots; ++slot) load(slot);
    }

    /// A slot that was edited is as it is written now; what was recorded into the others stays.
    void renewed(const Material& before) override {
        for (int slot = 0; slot < kSlots; ++slot) {
            const Track* now = written(material(), slot);
            const Track* then = written(before, slot);
            if (now == then || (now && then && now->steps == then->steps)) continue;
            load(slot);
        }
    }

    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        s.slotNow = frame.position(Slot);
        tuning_ = material().tuning.get();
        s.channels[0].trigger.start(frame, Trigger1);
        s.channels[1].trigger.start(frame, Trigger2);
        s.gate.start(frame, GateOut);
        readScale();
        Walk walk(frame);
        const auto one = [&](int i) { sample(i); };
        const auto until = [&](double at) { walk.upTo(at, one); };
        press();
        s.gates.inOrder(frame, {Clock1, Clock2, ResetIn, Record, RestIn, TieIn, OctaveIn}, until,
                        [&](int which, const Edge& edge) {
                            if (!edge.rising) return;
                            if (which == 0) clock(0, edge.at);
                            if (which == 1) clock(1, edge.at);
                            if (which == 2) s.step = -1;
                            if (which == 3 && !played()) beginAfresh();
                        });
        walk.toEnd(one);
        for (Channel& channel : s.channels) {
            if (channel.due <= frame.end - 1.0) {
                channel.trigger.fire(channel.due, kTriggerSeconds * frame.rate(), kGateVolts);
                channel.due = kNever;
            }
            channel.trigger.finish(frame);
            if (frame.endsRun()) channel.due -= kRun;
        }
        s.gate.finish(frame);
        if (frame.endsRun()) s.lastClock -= kRun;
    }

    /// Told: the step of its own sequence, -1 before the first; how many steps its slot has, and which slot it is; from
    /// the fourth on its steps, three a number, ten bits each: note in the lower seven (C4 = 60), kind in the upper.
    void tell(Told& told) const override {
        const Sequence& sequence = state_.slots[idx(state_.slotNow)];
        told[0] = state_.step;
        told[1] = sequence.length;
        told[2] = state_.slotNow;
        for (int step = 0; step < sequence.length; ++step) {
            const Entry& entry = sequence.steps[idx(step)];
            const long note = std::clamp(std::lround(12.0f * entry.volts) + 60, 0L, 127L);
            const int packed = static_cast<int>(note) | static_cast<int>(entry.kind) << 7;
            int& number = told[idx(3 + step / 3)];
            if (step % 3 == 0) number = 0;
            number |= packed << 10 * (step % 3);
        }
    }

  private:
    friend class StatefulBlock<Quantizer>;

    /// The line that a slot is written with, or nullptr.
    static const Track* written(const Material& material, int slot) {
        const Pattern* pattern = material.pattern.get();
        if (!pattern || slot > static_cast<int>(pattern->others.size())) return nullptr;
        const auto& tracks = pattern->tracksOf(slot);
        return tracks.empty() ? nullptr : &tracks.front();
    }

    void load(int slot) {
        Sequence& sequence = state_.slots[idx(slot)];
        sequence = {};
        const Track* track = written(material(), slot);
        if (!track) return;
        for (const Step& step : track->steps) {
            if (sequence.length == kSteps) break;
            sequence.steps[idx(sequence.length++)] = {step.kind, static_cast<float>(noteToVolts(step.note).value)};
        }
    }
    struct Entry {
        Step::Kind kind = Step::Kind::Rest;
        float volts = 0.0f;
    };
    struct Sequence {
        std::array<Entry, kSteps> steps{};
        int length = 0;
    };
    struct Channel {
        PulseWriter trigger;
        double due = kNever; ///< when the next trigger comes
        float note = 0.0f;   ///< as quantized, volts
        bool fresh = true;
    };

    Sequence& slot() { return state_.slots[idx(state_.slotNow)]; }

    [[nodiscard]] bool played() const { return frame_->position(Play) == 1; }
    [[nodiscard]] bool recording() const { return state_.gates.high(3) || state_.pressed[RecordButton]; }

    void beginAfresh() {
        slot() = {};
        state_.step = -1;
    }

    /// What the buttons do that have gone down since the last call.
    void press() {
        const auto before = state_.pressed;
        for (int b = 0; b < kButtons; ++b) state_.pressed[idx(b)] = frame_->position(Buttons + b) == 1;
        for (int b = 0; b < kButtons; ++b) {
            if (!state_.pressed[idx(b)] || before[idx(b)]) continue;
            if (b == RecordButton && !played()) beginAfresh();
            if (b == LoadButton) load(state_.slotNow);
            const bool writes = b == NoteButton || b == RestButton || b == TieButton;
            if (writes && recording() && !played()) playStep(frame_->begin, frame_->begin);
        }
    }

    /// True if in 1 has moved to another note since this was asked last.
    bool moved(int i) {
        const double cents = 1200.0 * std::clamp(static_cast<double>(frame_->in(In1)[i]), -12.0, 12.0);
        const double before = state_.inputNote;
        state_.inputNote = quantized(cents, rootCents(i), before);
        return before < kUnheard && std::abs(state_.inputNote - before) > 0.01;
    }

    /// Trigger mode "change": the sequence goes on, or the note is passed on.
    void advance(double at, int i) {
        if (played() || recording())
            playStep(at, i);
        else
            take(0, i);
        state_.channels[0].due = at + kSettle * frame_->rate();
    }

    void readScale() {
        const auto scale = idx(frame_->position(ScaleSwitch));
        mask_ = scale == 0 ? 0 : kNamedScales[scale - 1].mask;
        if (scale == 0)
            for (int n = 0; n < kNotes; ++n)
                if (frame_->position(Note + n) == 1) mask_ |= 1u << n;
        if (mask_ == 0) mask_ = 0xFFF;
    }

    [[nodiscard]] double rootCents(int i) const {
        return 100.0 * std::round(static_cast<double>(frame_->position(Root)) +
                                  12.0 * static_cast<double>(frame_->in(RootCv)[i]));
    }

    /// The nearest note in cents above C4, or the present one if it is about as near.
    [[nodiscard]] double quantized(double cents, double root, double present) const {
        const double above = cents - root;
        double best = 0.0;
        if (tuning_ && frame_->position(ScaleSwitch) == 0) {
            best = nearestNote(*tuning_, above);
        } else {
            const double base = std::floor(above / 1200.0);
            double nearest = 1e9;
            for (int n = -kNotes; n <= 2 * kNotes; ++n)
                if (mask_ & (1u << ((n + kNotes) % kNotes)))
                    if (const double note = 1200.0 * base + 100.0 * n; std::abs(note - above) < nearest) {
                        nearest = std::abs(note - above);
                        best = note;
                    }
        }
        best += root;
        const double stay = std::abs(present - cents);
        const bool belongs = std::abs(quantizedExactly(present - root) - (present - root)) < 0.01;
        return belongs && stay < std::abs(best - cents) + kHysteresis ? present : best;
    }

    [[nodiscard]] double quantizedExactly(double above) const {
        if (tuning_ && frame_->position(ScaleSwitch) == 0) return nearestNote(*tuning_, above);
        const long n = std::lround(above / 100.0);
        return mask_ & (1u << (((n % kNotes) + kNotes) % kNotes)) ? 100.0 * static_cast<double>(n) : 1e9;
    }

    /// True if the channel's note is another one now.
    bool take(int c, int i) {
        Channel& channel = state_.channels[idx(c)];
        const double cents = 1200.0 * std::clamp(static_cast<double>(frame_->in(c == 0 ? In1 : In2)[i]), -12.0, 12.0);
        const double present = channel.fresh ? 1e9 : 1200.0 * static_cast<double>(channel.note);
        const auto note = static_cast<float>(quantized(cents, rootCents(i), present) / 1200.0);
        const bool changed = !channel.fresh && std::abs(note - channel.note) > 1e-5f;
        channel.note = note;
        channel.fresh = false;
        return changed;
    }

    void sample(int i) {
        for (int c = 0; c < 2; ++c) {
            Channel& channel = state_.channels[idx(c)];
            if (channel.due <= i) {
                channel.trigger.fire(channel.due, kTriggerSeconds * frame_->rate(), kGateVolts);
                channel.due = kNever;
            }
            const int mode = frame_->position(Mode1 + c);
            const int triggers = c == 0 ? frame_->position(Triggers) : AsQuantized;
            const bool watches = triggers == OnMove && !frame_->plugged(Clock1);
            const bool follows = triggers != OnMove && !(c == 0 && played()) && mode <= OnChange;
            if (watches || follows) {
                // The scan is worth it only when the input has moved.
                const float in = frame_->in(c == 0 ? In1 : In2)[i];
                if (in != state_.seen[c] || i == frame_->begin) {
                    state_.seen[c] = in;
                    if (watches && moved(i)) advance(i, i);
                    if (follows && take(c, i) && mode == OnChange && triggers == AsQuantized)
                        channel.due = i + kSettle * frame_->rate();
                }
            }
            const float shift = std::round(frame_->control(Transpose)(i) + 12.0f * frame_->in(TransposeCv)[i]) / 12.0f;
            if (Signal* out = frame_->out(c == 0 ? Out1 : Out2)) (*out)[i] = channel.note + shift;
        }
    }

    void clock(int c, double at) {
        State& s = state_;
        Channel& channel = s.channels[idx(c)];
        const int i = frame_->sampleAt(at);
        const int triggers = c == 0 ? frame_->position(Triggers) : AsQuantized;
        const double settled = at + kSettle * frame_->rate();
        if (triggers == OnMove) {
            if (moved(i)) advance(at, i);
            return;
        }
        const bool passes = triggers == None || (triggers == Playing && played());
        if (c == 0 && (played() || recording())) {
            playStep(at, i);
            if (triggers != AsQuantized) channel.due = passes ? settled : kNever;
            return;
        }
        const int mode = frame_->position(Mode1 + c);
        const bool first = channel.fresh;
        const bool changed = mode >= OnClock && take(c, i);
        const bool asQuantized = mode == OnClock || (mode == Both && (changed || first));
        if (triggers == AsQuantized ? asQuantized : passes) channel.due = settled;
    }

    void playStep(double at, int i) {
        State& s = state_;
        Sequence& sequence = slot();
        if (at - s.lastClock > 1.0 && s.lastClock > -1e12) s.interval = at - s.lastClock;
        s.lastClock = at;
        const bool records = recording();
        const bool playing = played();
        const int limit = frame_->position(Length) + 1;
        const int length = records && !playing ? std::min(limit, kSteps) : std::min(limit, sequence.length);
        if (length == 0) return;
        s.step = (s.step + 1) % length;
        Entry& entry = sequence.steps[idx(s.step)];
        Channel& channel = s.channels[0];
        if (records) {
            take(0, i);
            const float root = static_cast<float>(rootCents(i) / 1200.0);
            const float octave = s.gates.high(6) || s.pressed[OctaveButton] ? 1.0f : 0.0f;
            entry = {s.gates.high(4) || s.pressed[RestButton]  ? Step::Kind::Rest
                     : s.gates.high(5) || s.pressed[TieButton] ? Step::Kind::Tie
                                                               : Step::Kind::Note,
                     channel.note - root + octave};
            sequence.length = std::max(sequence.length, s.step + 1);
        }
        if (!playing) return;
        if (entry.kind == Step::Kind::Note) {
            channel.note = entry.volts + static_cast<float>(rootCents(i) / 1200.0);
            channel.due = at + kSettle * frame_->rate();
            s.gate.drop(at);
        }
        if (entry.kind == Step::Kind::Rest) return s.gate.drop(at);
        const bool held = sequence.steps[idx((s.step + 1) % length)].kind == Step::Kind::Tie;
        if (entry.kind == Step::Kind::Note || s.gate.high())
            s.gate.fire(at, held ? kNever : 0.5 * s.interval, kGateVolts);
    }

    const Tuning* tuning_ = nullptr; ///< of the present call
    const Frame* frame_ = nullptr;
    unsigned mask_ = 0xFFF;
    struct State {
        GateBank<7> gates;
        Channel channels[2];
        PulseWriter gate;
        float seen[2] = {1e9f, 1e9f};
        double inputNote = 2.0 * kUnheard; ///< cents
        std::array<bool, kButtons> pressed{};
        std::array<Sequence, kSlots> slots{};
        int step = -1;
        int slotNow = 0;
        double lastClock = -1e18;
        double interval = 12000.0;
    } state_;
};

} // namespace

BlockType quantizerType() {
    using enum SignalKind;
    std::vector<std::string> scales = {"own notes"};
    for (const NamedScale& scale : kNamedScales) scales.emplace_back(scale.name);
    std::vector<ControlSpec> notes;
    const char* names[kNotes] = {"1", "♭2", "2", "♭3", "3", "4", "♭5", "5", "♭6", "6", "♭7", "7"};
    for (int n = 0; n < kNotes; ++n)
        notes.push_back({fmt::format("note-{}", n), fmt::format("Note {}", names[n]), switchScale({"off", "on"}), 1.0});
    const Scale modes = switchScale({"always", "on change", "on clock", "clock and change"});
    return {.id = "quantizer",
            .name = "Quantizer",
            .about = "Two channels to the notes of a scale, and a sequence of its own",
            .inputs = {{"in-1", "in 1", Pitch, -5, 5},
                       {"clock-1", "clock 1", Clock, 0, 8},
                       {"in-2", "in 2", Pitch, -5, 5},
                       {"clock-2", "clock 2", Clock, 0, 8},
                       {"root-cv", "root", Pitch, -5, 5},
                       {"transpose-cv", "transpose", Pitch, -5, 5},
                       {"reset", "reset", Gate, 0, 8},
                       {"record", "record", Gate, 0, 8},
                       {"rest", "rest", Gate, 0, 8},
                       {"tie", "tie", Gate, 0, 8},
                       {"octave", "octave", Gate, 0, 8}},
            .outputs = {{"out-1", "out 1", Pitch, -5, 5},
                        {"trigger-1", "trigger 1", Gate, 0, 8},
                        {"out-2", "out 2", Pitch, -5, 5},
                        {"trigger-2", "trigger 2", Gate, 0, 8},
                        {"gate", "gate", Gate, 0, 8}},
            .controls = joined(
                {{{"scale", "Scale", switchScale(scales), 1}},
                 notes,
                 {{"root", "Root", switchScale({"C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"}), 0},
                  {"transpose", "Transpose", linearScale(Unit::Semitones, -24, 24), 0},
                  {"mode-1", "Mode 1", modes, 0},
                  {"mode-2", "Mode 2", modes, 0},
                  {"play", "Sequence", switchScale({"stopped", "played"}), 0},
                  {"slot", "Slot", switchScale({"A", "B", "C", "D", "E", "F", "G", "H"}), 0},
                  {"length", "Length", countScale(1, kSteps), kSteps - 1},
                  {"triggers", "Triggers 1", switchScale({"as quantized", "none", "playing", "change"}), 0},
                  button("press-record", "Record"),
                  button("press-note", "Note"),
                  button("press-rest", "Rest"),
                  button("press-tie", "Tie"),
                  button("press-octave", "Octave"),
                  button("press-load", "Load")}}),
            .flows = {{{"in-1"}, Does::Passes, {"out-1"}},
                      {{"in-1"}, Does::Strikes, {"trigger-1"}},
                      {{"in-2"}, Does::Passes, {"out-2"}},
                      {{"in-2"}, Does::Strikes, {"trigger-2"}},
                      {{"clock-1"}, Does::Times, {"out-1", "trigger-1", "gate"}},
                      {{"clock-2"}, Does::Times, {"out-2", "trigger-2"}},
                      {{"transpose-cv"}, Does::Passes, {"out-1", "out-2"}},
                      {{"root-cv"}, Does::Moves, {"out-1", "out-2"}},
                      {{"reset"}, Does::Resets},
                      {{"record", "rest", "tie", "octave"}, Does::Moves}},
            .make = makeBlock<Quantizer>,
            .playsPattern = true};
}

} // namespace lariat
