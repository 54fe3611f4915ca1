// MIDI to CV: turns the messages of the post's performance, and those played by hand, into voltages.
//
// What a port gives is written in the table of midi_modes.h, which this block obeys; the last mode is a table of its
// own, written with three controls a port: what it gives, of which channel, and a number (the voice, the note of a
// trigger, pulses a beat, or the number of a controller). A controller is value/127 · 8 V, the hold pedal a gate. A
// unit whose `link` comes from another unit's plays the same messages: notes for which the units before it have no free
// voice are its own; only the whole chain steals, and it steals the oldest. Pitch = (note - 60)/12 V with bend of two
// semitones; velocity, modulation and pressure value/127 · 8 V; triggers 5 ms; clocks are half of their period high.
#include "blocks/parts/pulses.h"
#include "blocks/time/midi_modes.h"
#include "blocks/time/played_notes.h"
#include "blocks/types.h"

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kPorts = kMidiPorts;
constexpr int kHoldPedal = 64;
enum Controls { ModeSwitch, FreeA, FreeB, FirstPort };
constexpr int kLink = kPorts;
constexpr int kVoices = 4;
constexpr int kChannels = 16;
constexpr int kAnyChannel = kChannels; ///< what came last, on whichever channel

class MidiToCv final : public StatefulBlock<MidiToCv> {
  public:
    void prepare(const Setup& setup) override {
        chainPlace_ = setup.chainPlace;
        chainLength_ = std::clamp(setup.chainLength, 1, VoiceAllocator::kMost / kVoices);
    }

    void process(const Frame& frame) {
        State& s = state_;
        frame_ = &frame;
        const auto chosen = idx(frame.position(ModeSwitch));
        if (chosen < midiModes().size()) {
            mode_ = &midiModes()[chosen];
        } else {
            readOwn(frame);
            mode_ = &own_;
        }
        for (std::size_t c = 0; c < free_.size(); ++c) free_[c] = frame.position(FreeA + static_cast<int>(c));
        for (int p = 0; p < kPorts; ++p)
            if (isGate(port(p).gives)) s.gates[p].start(frame, p);
        Walk walk(frame);
        const auto one = [&](int i) {
            for (int p = 0; p < kPorts; ++p)
                if (Signal* out = frame.out(p); out && !isGate(port(p).gives)) (*out)[i] = level(port(p));
        };
        s.player.play(material().performance.get(), frame, [&](double at, const MidiMessage& message) {
            walk.upTo(at, one);
            take(at, message);
        });
        walk.toEnd(one);
        for (int p = 0; p < kPorts; ++p)
            if (isGate(port(p).gives)) s.gates[p].finish(frame);
        frame.write(kLink, [](int) { return 0.0f; });
        if (frame.endsRun()) s.lastClock -= kRun;
    }

  private:
    friend class StatefulBlock<MidiToCv>;

    static bool isGate(MidiFunction f) {
        return f == MidiFunction::Gate || f == MidiFunction::Hold || f == MidiFunction::Clock ||
               f == MidiFunction::Run || f == MidiFunction::Drum;
    }
    [[nodiscard]] const MidiPort& port(int p) const { return mode_->ports[idx(p)]; }

    void readOwn(const Frame& frame) {
        own_ = midiModes()[0];
        for (int p = 0; p < kPorts; ++p) {
            MidiPort& one = own_.ports[idx(p)];
            one.gives = static_cast<MidiFunction>(frame.position(FirstPort + 3 * p));
            one.channel = frame.position(FirstPort + 3 * p + 1);
            const int number = frame.position(FirstPort + 3 * p + 2);
            const bool ofVoice = one.gives == MidiFunction::Pitch || one.gives == MidiFunction::Gate ||
                                 one.gives == MidiFunction::Velocity;
            one.index = ofVoice ? number - 1 : number;
        }
        own_ = withVoices(own_);
    }
    /// The number of a port's controller.
    [[nodiscard]] int controllerOf(const MidiPort& port) const {
        return port.index >= kFreeController ? free_[idx(port.index - kFreeController)] : port.index;
    }

    static int heardOn(const MidiPort& port) { return port.channel == 0 ? kAnyChannel : port.channel - 1; }

    void renewed(const Material& before) override {
        if (before.performance != material().performance)
            state_.player.exchanged(before.performance.get(), material().performance.get());
    }

    [[nodiscard]] float level(const MidiPort& port) const {
        const State& s = state_;
        switch (port.gives) {
        case MidiFunction::Pitch:
            return s.pitch[port.index] + s.bend[s.channelOf[port.index]] / 6.0f;
        case MidiFunction::Velocity:
            return s.velocity[port.index];
        case MidiFunction::Bend:
            return 5.0f * s.bend[heardOn(port)];
        case MidiFunction::Modulation:
            return s.modulation[heardOn(port)];
        case MidiFunction::Pressure:
            return s.pressure[heardOn(port)];
        case MidiFunction::Controller:
            return s.controllers[heardOn(port)][controllerOf(port)] * (8.0f / 127.0f);
        default:
            return 0.0f;
        }
    }

    /// Calls `change(gate)` for every port that gives `f` of that index and hears that channel.
    template <class F> void eachGate(MidiFunction f, int index, int channel, F&& change) {
        for (int p = 0; p < kPorts; ++p)
            if (port(p).gives == f && port(p).index == index &&
                (port(p).channel == 0 || port(p).channel == channel + 1))
                change(state_.gates[p]);
    }

    void take(double at, const MidiMessage& m) {
        State& s = state_;
        if (letsGo(m)) {
            s.voices = {};
            for (int p = 0; p < kPorts; ++p)
                if (port(p).gives == MidiFunction::Gate) s.gates[p].drop(at);
            return;
        }
        const bool on = m.kind() == 0x90 && m.data2 > 0;
        if (on || m.kind() == 0x80 || m.kind() == 0x90) note(at, m, on);
        const auto set = [&](float(&values)[kChannels + 1], float value) {
            values[m.channel()] = values[kAnyChannel] = value;
        };
        if (m.kind() == 0xE0) set(s.bend, static_cast<float>((m.data2 << 7 | m.data1) - 8192) / 8192.0f);
        if (m.kind() == 0xB0 && m.data1 == 1) set(s.modulation, 8.0f * static_cast<float>(m.data2) / 127.0f);
        if (m.kind() == 0xB0) {
            const auto number = idx(m.data1 & 0x7F);
            s.controllers[m.channel()][number] = s.controllers[kAnyChannel][number] = m.data2;
            if (m.data1 == kHoldPedal)
                for (int p = 0; p < kPorts; ++p)
                    if (port(p).gives == MidiFunction::Hold &&
                        (port(p).channel == 0 || port(p).channel == m.channel() + 1))
                        m.data2 >= 64 ? s.gates[p].raise(at, kGateVolts) : s.gates[p].drop(at);
        }
        if (m.kind() == 0xD0) set(s.pressure, 8.0f * static_cast<float>(m.data1) / 127.0f);
        if (m.kind() == 0xFA) {
            s.clocks = 0;
            eachGate(MidiFunction::Run, 0, 0, [&](PulseWriter& gate) { gate.raise(at, kGateVolts); });
        }
        if (m.kind() == 0xFC) eachGate(MidiFunction::Run, 0, 0, [&](PulseWriter& gate) { gate.drop(at); });
        if (m.kind() == 0xF8) clock(at);
    }

    void clock(double at) {
        State& s = state_;
        for (const int perBeat : {1, 2, 3, 4, 6, 8, 12, 24}) {
            const int every = 24 / perBeat;
            const double period =
                s.lastClock > -1e12 ? (at - s.lastClock) * every : 2.0 * kTriggerSeconds * frame_->rate();
            if (s.clocks % every == 0)
                eachGate(MidiFunction::Clock, perBeat, 0,
                         [&](PulseWriter& gate) { gate.fire(at, 0.5 * period, kGateVolts); });
        }
        s.lastClock = at;
        ++s.clocks;
    }

    /// The channel of voices that share one; 0: any.
    [[nodiscard]] int listensTo() const {
        for (const MidiPort& port : mode_->ports)
            if (port.gives == MidiFunction::Pitch || port.gives == MidiFunction::Gate) return port.channel;
        return 0;
    }

    /// The voice that hears a channel; -1 if none does.
    [[nodiscard]] int voiceOf(int channel) const {
        for (const MidiPort& port : mode_->ports)
            if (port.gives == MidiFunction::Pitch && (port.channel == 0 || port.channel == channel)) return port.index;
        return -1;
    }

    void note(double at, const MidiMessage& m, bool on) {
        State& s = state_;
        if (on)
            eachGate(MidiFunction::Drum, m.data1, m.channel(),
                     [&](PulseWriter& gate) { gate.fire(at, kTriggerSeconds * frame_->rate(), kGateVolts); });
        const int listens = listensTo();
        if (mode_->voices == 0) return;
        if (!mode_->perChannel && listens != 0 && m.channel() + 1 != listens) return;
        int voice = 0;
        if (mode_->perChannel) {
            voice = voiceOf(m.channel() + 1);
            if (voice < 0) return;
            if (!on && s.sounding[voice] != m.data1) return;
        } else {
            const int voices = mode_->voices * chainLength_;
            voice = on ? s.voices.press(m.data1, voices, VoiceAllocator::Policy::FirstFree) : s.voices.release(m.data1);
            voice -= mode_->voices * chainPlace_; // of the chain's voices, those that are this unit's
            if (voice < 0 || voice >= mode_->voices) return;
        }
        eachGate(MidiFunction::Gate, voice, m.channel(), [&](PulseWriter& gate) { gate.drop(at); });
        if (!on) return;
        s.sounding[voice] = m.data1;
        s.channelOf[voice] = m.channel();
        s.pitch[voice] = noteVolts(m.data1);
        s.velocity[voice] = 8.0f * static_cast<float>(m.data2) / 127.0f;
        eachGate(MidiFunction::Gate, voice, m.channel(), [&](PulseWriter& gate) { gate.raise(at, kGateVolts); });
    }

    const Frame* frame_ = nullptr;
    const MidiMode* mode_ = nullptr;
    MidiMode own_;
    std::array<int, 2> free_{};
    int chainPlace_ = 0;
    int chainLength_ = 1;
    struct State {
        PerformancePlayer player;
        VoiceAllocator voices;
        PulseWriter gates[kPorts];
        float pitch[kVoices] = {};
        float velocity[kVoices] = {};
        int sounding[kVoices] = {-1, -1, -1, -1};
        int channelOf[kVoices] = {}; ///< on which the voice's note came
        float bend[kChannels + 1] = {};
        float modulation[kChannels + 1] = {};
        float pressure[kChannels + 1] = {};
        std::uint8_t controllers[kChannels + 1][128] = {};
        long clocks = 0;
        double lastClock = -1e18;
    } state_;
};

} // namespace

BlockType midiToCvType() {
    using enum SignalKind;
    std::vector<std::string> modes;
    for (const MidiMode& mode : midiModes()) modes.emplace_back(mode.name);
    modes.emplace_back("own table");
    std::vector<std::string> functions(kMidiFunctions.begin(), kMidiFunctions.end());
    std::vector<std::string> channels = {"any"};
    for (int c = 1; c <= kChannels; ++c) channels.push_back(fmt::format("{}", c));
    std::vector<ControlSpec> controls = {{"mode", "Mode", switchScale(modes), 0},
                                         {"controller-a", "Controller A", countScale(0, 127), 74},
                                         {"controller-b", "Controller B", countScale(0, 127), 71}};
    for (const MidiPort& port : midiModes()[0].ports) {
        controls.push_back({fmt::format("gives-{}", port.port), fmt::format("{} gives", port.port),
                            switchScale(functions), static_cast<double>(port.gives)});
        controls.push_back({fmt::format("channel-{}", port.port), fmt::format("{} channel", port.port),
                            switchScale(channels), static_cast<double>(port.channel)});
        controls.push_back({fmt::format("number-{}", port.port), fmt::format("{} number", port.port),
                            countScale(0, 127), port.gives == MidiFunction::Clock ? port.index : 1.0});
    }
    return {.id = "midi-to-cv",
            .name = "MIDI to CV",
            .about = "MIDI messages as voltages, by a table of modes; chained units take what overflows",
            .inputs = {{"link", "link", Clock, 0, 5}},
            .outputs = joined(
                {numbered(4, JackSpec{"pitch", "pitch", Pitch, -5, 5}),
                 numbered(4, JackSpec{"gate", "gate", Gate, 0, 8}),
                 numbered(4, JackSpec{"cv", "cv", Control, -5, 8}),
                 {{"clock", "clock", Clock, 0, 8}, {"run", "run", Gate, 0, 8}, {"link-out", "link", Clock, 0, 5}}}),
            .controls = std::move(controls),
            .flows = {{{"link"}, Does::Moves}},
            .make = makeBlock<MidiToCv>,
            .chains = true,
            .isPlayed = true};
}

} // namespace lariat
