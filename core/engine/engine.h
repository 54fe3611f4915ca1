// The live engine: runs a patch for an audio device while the patch is being changed.
//
// Two sides. The editing side compiles patches and sends commands; the audio side (`process`) takes them from wait-free
// queues and never allocates, locks or waits. What an edit asks for is decided by planChange: knobs glide, material is
// exchanged in place, and a new schedule takes over the running state of the old one and is cross-faded in within 10
// ms. What is urgent (monitor, stop, mute, notes played by hand) has a queue of its own and waits for no fade.
#pragma once

#include "engine/change.h"
#include "engine/clock_pulses.h"
#include "engine/ear_guard.h"
#include "engine/lent.h"
#include "engine/live_input.h"
#include "engine/playback.h"
#include "engine/resampler.h"
#include "engine/schedule.h"

#include <atomic>
#include <chrono>
#include <deque>
#include <memory>
#include <optional>
#include <vector>

#include <boost/lockfree/spsc_queue.hpp>

namespace lariat {

/// What the audio side reports; all relaxed atomics.
struct EngineMeters {
    std::atomic<float> peakLeft{0.0f}; ///< volts at the way out; a reader that takes a peak sets it to zero
    std::atomic<float> peakRight{0.0f};
    std::atomic<double> beats{0.0};
    std::atomic<float> load{0.0f}; ///< time used of the time there is, 0…1, smoothed
    std::atomic<std::uint64_t> faults{0};
    std::atomic<std::uint64_t> frames{0};  ///< handed to the device so far
    std::atomic<std::uint64_t> samples{0}; ///< run so far, at the engine's own rate; taps have them all
    std::atomic<bool> limited{false};      ///< the monitor limiter had to act; the reader resets it
    std::atomic<bool> muted{false};        ///< the guard has shut or held down the monitor; see `guard`
    std::atomic<Guard> guard{Guard::Open};
};

class Engine {
  public:
    using Time = std::chrono::steady_clock::time_point;

    explicit Engine(EngineSettings settings = {}, double deviceRate = 48000.0);
    ~Engine();
    Engine(const Engine&) = delete;
    Engine& operator=(const Engine&) = delete;

    // Editing side: one thread.
    /// Puts a checked patch into effect, with as little as planChange finds necessary.
    void setPatch(const Patch& patch, const Library& library);
    /// The modules are other ones: the next patch is compiled, whatever is different in it.
    void modulesChanged() { patch_.reset(); }
    void setRunning(bool running);
    void rewind();
    /// Level of what the device hears, 0…1. Lets go of the guard, if it has acted.
    void setMonitorGain(float gain);
    void setMuted(bool muted);
    /// A click on each beat of the clock, higher on the first of four: to play to, heard at the device only.
    void setClick(bool on);
    /// MIDI clock of the transport is given to `takeClock`, each pulse one device block after its place in the sound
    /// that is being made, as notes are.
    void setClockOut(bool on);
    /// The next pulse, start or stop; false if none is there yet. From one thread, any.
    bool takeClock(ClockPulses::Event& event) { return pulses_.take(event); }
    /// With or without what the metal adds (electrics.h); takes effect with the next setPatch.
    void setRealCase(bool on);
    /// Knobs follow the scenes of the patch, from bar 1 on; takes effect with the next setPatch.
    void setScenes(bool on);
    /// Cables that stay plugged and bring nothing, and the output that the monitor hears instead of the way out (an
    /// empty post: none), made safe for ears: without DC, at half its voltage, and limited. Takes effect with the next
    /// setPatch.
    void setListening(std::vector<int> silenced, JackRef listened);
    /// Recordings that the monitor hears instead of the case, which runs on; nullptr: none. The guard holds for them as
    /// well.
    void setPlayback(std::unique_ptr<Playback> playback) { playback_.exchange(std::move(playback)); }
    [[nodiscard]] Playback* playback() const { return playback_.get(); }
    /// A message played by hand, for keys, converters and pads. Those of one device block keep the distances that they
    /// came in: each sounds one block after its time.
    void play(const MidiMessage& message, Time when = {});
    /// Moves a knob's control in a straight line, so that it arrives after so many seconds (in whole runs). The patch
    /// does not change by it. False if the knob's block does not run.
    bool moveKnob(const std::string& post, const std::string& knob, double value, double seconds);

    /// What the last seconds of an output with a cable looked like; nullptr if it does not run.
    [[nodiscard]] std::shared_ptr<const Tap> tap(const JackRef& output) const;
    /// The same for any output, patched or not, and any input: what arrives there. Keeps as much as is asked for, from
    /// now on. nullptr if the patch has no such jack, or nothing feeds that input. Changes nothing that is heard.
    std::shared_ptr<const Tap> watch(const JackRef& jack, const TapLength& length, const Library& library);
    void unwatch(const JackRef& jack);
    /// What a block of a post tells of itself (Block::tell); nullptr if none tells anything.
    std::shared_ptr<const ToldTap> told(const std::string& post);

    [[nodiscard]] const std::vector<LateCable>& lateCables() const { return lateCables_; }
    [[nodiscard]] const std::vector<NormalInEffect>& normals() const { return normals_; }
    [[nodiscard]] std::size_t blockCount() const { return blockCount_; }
    [[nodiscard]] double rate() const { return settings_.rate; }
    [[nodiscard]] bool running() const { return running_; }
    /// Device frames by which what is heard comes late, besides the device's own blocks.
    [[nodiscard]] static constexpr std::size_t latencyFrames() { return EarGuard::kDelay; }
    /// Frees what the audio side has finished with, and hands over what still waits; call now and then.
    void collect();

    // Audio side: one thread.
    /// Fills `frames` interleaved stereo frames, ±1 full scale, at the device's rate. `in` holds as many that come in
    /// at the same rate, for `external-in` blocks; nullptr: none do. `start` is when the block began.
    void process(float* interleaved, std::size_t frames, const float* in = nullptr,
                 Time start = std::chrono::steady_clock::now());

    EngineMeters meters;

  private:
    /// What a schedule's signals are written to.
    struct Listeners {
        std::vector<std::pair<const Signal*, std::shared_ptr<Tap>>> taps;
        std::vector<std::pair<int, std::shared_ptr<ToldTap>>> told; ///< by node
    };
    /// Material on its way to blocks, and the old one on its way back.
    struct Delivery {
        std::vector<std::pair<int, Material>> players;
    };
    struct Command {
        enum class Kind { Swap, Listen, Control, Deliver } kind = Kind::Control;
        Schedule* schedule = nullptr;
        Listeners* listeners = nullptr;
        Delivery* delivery = nullptr;
        bool fade = true;
        int slot = -1;
        int runs = -1; ///< of a straight way; -1: it glides
        float value = 0.0f;
    };
    struct Urgent {
        enum class Kind { Run, Stop, Rewind, Monitor, Mute, Click, ClockOut, Play } kind = Kind::Run;
        float value = 0.0f;
        MidiMessage message{};
        Time when{};
    };
    /// Something that the editing side may free.
    struct Done {
        Schedule* schedule = nullptr;
        Listeners* listeners = nullptr;
        Delivery* delivery = nullptr;
    };
    template <class T> using Queue = boost::lockfree::spsc_queue<T>;
    /// A queue with room behind it: a device that stands still may leave it full; what does not fit waits.
    template <class T> struct Mailbox {
        Queue<T> queue{4096};
        std::deque<T> backlog;
        void send(const T& item) {
            backlog.push_back(item);
            flush();
        }
        void flush() {
            while (!backlog.empty() && queue.push(backlog.front())) backlog.pop_front();
        }
    };

    void compile(const Patch& patch, const Library& library, bool fade);
    void deliver(const Change& change, const Patch& patch, const Library& library);
    Listeners* listenersFor(const Schedule& schedule);
    void listenAnew();
    void obey();
    void obeyUrgent(std::size_t frames);
    void playDue();
    [[nodiscard]] std::pair<float, float> heard(const Schedule& schedule, int i);
    void addClick();
    std::span<const float> runOnce();

    EngineSettings settings_;
    double deviceRate_;

    // Editing side.
    std::optional<Patch> patch_;
    std::map<JackRef, std::shared_ptr<Tap>> taps_; ///< of cables, and of what is watched
    std::map<JackRef, TapLength> watched_;
    std::map<std::string, std::shared_ptr<ToldTap>> told_;
    std::vector<std::unique_ptr<Schedule>> owned_; ///< the newest is last
    std::vector<std::unique_ptr<Listeners>> ownedListeners_;
    std::vector<std::unique_ptr<Delivery>> ownedDeliveries_;
    std::vector<LateCable> lateCables_;
    std::vector<NormalInEffect> normals_;
    std::size_t blockCount_ = 0;
    bool running_ = true;

    // Between the two.
    Mailbox<Command> commands_;
    Mailbox<Urgent> urgent_;
    ClockPulses pulses_;
    Lent<Playback> playback_;
    Queue<Done> finished_{8192};

    // Audio side.
    Schedule* current_ = nullptr;
    Schedule* fading_ = nullptr; ///< the old one while the new one is faded in
    Listeners* listeners_ = nullptr;
    int fadeLeft_ = 0;
    Transport transport_;
    Transport fadingTransport_;
    Resampler resampler_;
    LiveInput live_;
    EarGuard ears_;
    std::array<float, 2 * kRun> mixed_{};
    double dc_ = 0.0; ///< of the output that is listened to
    double dcPart_;
    bool clicks_ = false;
    double clickBeat_ = 0.0; ///< of the last run
    double clickHertz_ = 0.0;
    int clickAge_ = -1;         ///< samples since it began; -1: silent
    int railRuns_ = 0;          ///< of this block, those in which something heard stood at the rails
    std::uint64_t samples_ = 0; ///< run since the beginning
    int runs_ = 0;
    struct Waiting {
        double at = 0.0; ///< samples from the start of the next run
        MidiMessage message{};
    };
    std::array<Waiting, 1024> waiting_{}; ///< played by hand and not due yet, in order of time
    int waitingCount_ = 0;
    Time blockStart_{};
    std::size_t blockFrames_ = 0;
    std::uint64_t lastFaults_ = 0;
};

} // namespace lariat
