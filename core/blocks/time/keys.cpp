// Keys stand-in: a keyboard that plays what the patch's performance for its post says, or what is played by hand.
//
// Mono modes sound the last, lowest or highest key held; the gate falls when none is. Duophonic: pitch 1 is the lowest
// key, pitch 2 the highest, with lag on the upper one; latched, the interval stays while only one key is down. Four
// voices: notes go round in turn, or to the first free voice; the oldest is taken if none is free. Pitch = (note -
// 60)/12 V, bent by up to `bend range`. Velocity, modulation and pressure are value/127 · 8 V.
//
// Two switches for the feet, both only while they are down, as MIDI has them or at a jack: controller 64 or `latch`
// latches (low + high: the interval stays; all others: keys that are let go sound on until it comes up), controller 65
// or `glide` glides: from its first word on, or with a plug in the jack, pitches glide only while it is down. Pressure
// is the channel's, or that of the key that was pressed last.
#include "blocks/parts/pulses.h"
#include "blocks/time/played_notes.h"
#include "blocks/types.h"

namespace lariat {
namespace {

constexpr int kVoices = 4;
enum In { LatchGate, GlideGate };
enum Out { Pitch1, Gate1 = kVoices, Trigger = 2 * kVoices, Velocity, Bend, Modulation, Pressure };
enum Control { Mode, GlideTime, UpperLag, Latch, BendRange };
enum Modes { Last, Low, High, Duo, FourRotate, FourFirst };

constexpr int kLatchFoot = 64;
constexpr int kGlideFoot = 65;
enum class Foot { Unheard, Up, Down };
struct FootEdge {
    double at;
    int which;
    bool down;
};

class Keys final : public StatefulBlock<Keys> {
  public:
    void process(const Frame& frame) {
        State& s = state_;
        for (int v = 0; v < kVoices; ++v) s.gates[v].start(frame, Gate1 + v);
        s.trigger.start(frame, Trigger);
        if (const int mode = frame.position(Mode); mode != s.mode) { // what another mode holds would stay for ever
            s.mode = mode;
            letGo(frame.begin);
        }
        Walk walk(frame);
        const auto one = [&](int i) { sample(frame, i); };
        // Messages and the feet at the jacks, in order of time.
        std::array<Foot, 2> now = {s.feet.high(LatchGate) ? Foot::Down : Foot::Up,
                                   s.feet.high(GlideGate) ? Foot::Down : Foot::Up};
        std::array<FootEdge, 2 * kRun> feet;
        std::size_t count = 0;
        s.feet.inOrder(frame, {LatchGate, GlideGate}, [&](int which, const Edge& edge) {
            if (count < feet.size()) feet[count++] = {static_cast<double>(edge.at), which, edge.rising};
        });
        std::size_t next = 0;
        const auto step = [&](double to) {
            for (; next < count && feet[next].at <= to; ++next) {
                walk.upTo(feet[next].at, one);
                now[idx(feet[next].which)] = feet[next].down ? Foot::Down : Foot::Up;
                setFeet(frame, feet[next].at, now);
            }
        };
        setFeet(frame, frame.begin, now);
        s.player.play(material().performance.get(), frame, [&](double at, const MidiMessage& message) {
            step(at);
            walk.upTo(at, one);
            take(frame, at, message);
        });
        step(frame.end);
        walk.toEnd(one);
        for (PulseWriter& gate : s.gates) gate.finish(frame);
        s.trigger.finish(frame);
    }

  private:
    friend class StatefulBlock<Keys>;

    void renewed(const Material& before) override {
        if (before.performance != material().performance)
            state_.player.exchanged(before.performance.get(), material().performance.get());
    }

    /// A foot at a jack, or the one that MIDI tells of.
    void setFeet(const Frame& frame, double at, const std::array<Foot, 2>& jacks) {
        State& s = state_;
        const bool down = s.latchMidi || jacks[LatchGate] == Foot::Down;
        if (down != s.latchFoot) latch(frame, at, down);
        s.glideJack = frame.plugged(GlideGate) ? jacks[GlideGate] : Foot::Unheard;
    }

    /// Glides unless a foot that is there is up.
    [[nodiscard]] bool glides() const {
        const State& s = state_;
        if (s.glideFoot == Foot::Down || s.glideJack == Foot::Down) return true;
        return s.glideFoot == Foot::Unheard && s.glideJack == Foot::Unheard;
    }

    void letGo(double at) {
        State& s = state_;
        s.held = {};
        s.voices = {};
        s.waiting = {};
        for (PulseWriter& gate : s.gates) gate.drop(at);
    }

    void sample(const Frame& frame, int i) {
        State& s = state_;
        const float bend = s.bend * frame.control(BendRange)(i) / 12.0f;
        for (int v = 0; v < kVoices; ++v) {
            const float pitch = s.pitch[v].next() + bend;
            if (Signal* out = frame.out(Pitch1 + v)) (*out)[i] = pitch;
        }
        if (Signal* out = frame.out(Velocity)) (*out)[i] = s.velocity;
        if (Signal* out = frame.out(Bend)) (*out)[i] = 5.0f * s.bend;
        if (Signal* out = frame.out(Modulation)) (*out)[i] = s.modulation;
        if (Signal* out = frame.out(Pressure)) (*out)[i] = s.pressure;
    }

    void take(const Frame& frame, double at, const MidiMessage& m) {
        State& s = state_;
        if (letsGo(m)) return letGo(at);
        const bool on = m.kind() == 0x90 && m.data2 > 0;
        if (on) s.waiting[idx(m.data1)] = false;
        if (!on && (m.kind() == 0x80 || m.kind() == 0x90) && s.latchFoot && frame.position(Mode) != Duo) {
            s.waiting[idx(m.data1)] = true;
            return;
        }
        if (on || m.kind() == 0x80 || m.kind() == 0x90) {
            on ? s.held.press(m.data1) : s.held.release(m.data1);
            if (on) {
                s.lastKey = m.data1;
                s.velocity = 8.0f * static_cast<float>(m.data2) / 127.0f;
                s.trigger.drop(at);
                s.trigger.fire(at, kTriggerSeconds * frame.rate(), kGateVolts);
            }
            note(frame, at, m.data1, on);
        }
        if (m.kind() == 0xE0) s.bend = static_cast<float>((m.data2 << 7 | m.data1) - 8192) / 8192.0f;
        if (m.kind() == 0xB0 && m.data1 == 1) s.modulation = 8.0f * static_cast<float>(m.data2) / 127.0f;
        if (m.kind() == 0xB0 && m.data1 == kLatchFoot) {
            s.latchMidi = m.data2 >= 64;
            latch(frame, at, s.latchMidi || s.feet.high(LatchGate));
        }
        if (m.kind() == 0xB0 && m.data1 == kGlideFoot) s.glideFoot = m.data2 >= 64 ? Foot::Down : Foot::Up;
        if (m.kind() == 0xA0 && m.data1 == s.lastKey) s.pressure = 8.0f * static_cast<float>(m.data2) / 127.0f;
        if (m.kind() == 0xD0) s.pressure = 8.0f * static_cast<float>(m.data1) / 127.0f;
    }

    void latch(const Frame& frame, double at, bool down) {
        State& s = state_;
        s.latchFoot = down;
        for (int key = 0; key < 128 && !down; ++key) {
            if (!s.waiting[idx(key)]) continue;
            s.waiting[idx(key)] = false;
            s.held.release(key);
            note(frame, at, key, false);
        }
    }

    void note(const Frame& frame, double at, int note, bool on) {
        State& s = state_;
        const int mode = frame.position(Mode);
        const float glide = !glides() ? 0.0f : frame.control(GlideTime).start * static_cast<float>(frame.rate());
        if (mode >= FourRotate) {
            const auto policy = mode == FourRotate ? VoiceAllocator::Policy::Rotate : VoiceAllocator::Policy::FirstFree;
            const int v = on ? s.voices.press(note, kVoices, policy) : s.voices.release(note);
            if (v < 0) return;
            s.gates[v].drop(at);
            if (!on) return;
            s.pitch[v].to(noteVolts(note), glide);
            s.gates[v].raise(at, kGateVolts);
            return;
        }
        if (s.held.empty()) {
            s.gates[0].drop(at);
            s.gates[1].drop(at);
            return;
        }
        s.gates[0].raise(at, kGateVolts);
        if (mode == Duo) {
            const int low = s.held.low();
            if (s.held.count() > 1) s.interval = s.held.high() - low;
            const bool latched = s.latchFoot || frame.position(Latch) == 1;
            const float lag = frame.control(UpperLag).start * static_cast<float>(frame.rate());
            s.pitch[0].to(noteVolts(low), glide);
            s.pitch[1].to(noteVolts(latched ? low + s.interval : s.held.high()), std::max(glide, lag));
            s.gates[1].raise(at, kGateVolts);
            return;
        }
        const int sounding = mode == Last ? s.held.last() : mode == Low ? s.held.low() : s.held.high();
        s.pitch[0].to(noteVolts(sounding), glide);
    }

    struct State {
        PerformancePlayer player;
        int mode = 0;
        HeldNotes held;
        VoiceAllocator voices;
        Glide pitch[kVoices];
        PulseWriter gates[kVoices];
        PulseWriter trigger;
        std::array<bool, 128> waiting{}; ///< let go while the foot latches
        GateBank<2> feet;
        bool latchFoot = false; ///< one or the other is down
        bool latchMidi = false;
        Foot glideFoot = Foot::Unheard;
        Foot glideJack = Foot::Unheard;
        int lastKey = -1;
        int interval = 0;
        float velocity = 0.0f;
        float bend = 0.0f;
        float modulation = 0.0f;
        float pressure = 0.0f;
    } state_;
};

} // namespace

BlockType keysType() {
    using enum SignalKind;
    return {
        .id = "keys",
        .name = "Keys",
        .about = "A keyboard: mono, two notes or four voices",
        .inputs = {{"latch", "latch", Gate, 0, 8}, {"glide", "glide", Gate, 0, 8}},
        .outputs = joined({numbered(kVoices, JackSpec{"pitch", "pitch", Pitch, -5, 5}),
                           numbered(kVoices, JackSpec{"gate", "gate", Gate, 0, 8}),
                           {{"trigger", "trigger", Gate, 0, 8},
                            {"velocity", "velocity", SignalKind::Control, 0, 8},
                            {"bend", "bend", SignalKind::Control, -5, 5},
                            {"modulation", "modulation", SignalKind::Control, 0, 8},
                            {"pressure", "pressure", SignalKind::Control, 0, 8}}}),
        .controls = {{"mode", "Mode",
                      switchScale({"last", "lowest", "highest", "low + high", "four in turn", "four, first free"}), 0},
                     {"glide", "Glide", squaredScale(Unit::Seconds, 0, 2), 0},
                     {"upper-lag", "Upper lag", squaredScale(Unit::Seconds, 0, 2), 0},
                     {"latch", "Interval", switchScale({"follows the keys", "stays"}), 0},
                     {"bend-range", "Bend range", linearScale(Unit::Semitones, 0, 12), 2}},
        .flows = {{{"latch", "glide"}, Does::Moves}},
        .make = makeBlock<Keys>,
        .isPlayed = true};
}

} // namespace lariat
