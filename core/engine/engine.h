// The live engine: runs a patch for an audio device while the patch is being changed.
//
// Two sides. The editing side compiles patches and sends commands; the audio side (`process`) takes them from
// a wait-free queue and never allocates, locks or waits. A new schedule takes over the running state of the
// old one and is cross-faded in within 10 ms.
#pragma once

#include "engine/live_input.h"
#include "engine/resampler.h"
#include "engine/schedule.h"

#include <atomic>
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
    std::atomic<std::uint64_t> frames{0}; ///< handed to the device so far
    std::atomic<bool> limited{false};     ///< the monitor limiter had to act; the reader resets it
    std::atomic<bool> muted{false};       ///< the monitor is shut: the sound stayed at the rails, a loop that runs away
};

class Engine {
  public:
    explicit Engine(EngineSettings settings = {}, double deviceRate = 48000.0);
    ~Engine();
    Engine(const Engine&) = delete;
    Engine& operator=(const Engine&) = delete;

    // Editing side: one thread.
    /// Puts a checked patch into effect. Turned knobs are sent as such; anything else compiles a new schedule.
    void setPatch(const Patch& patch, const Library& library);
    void setRunning(bool running);
    void rewind();
    /// Level of what the device hears, 0…1.
    void setMonitorGain(float gain);
    /// With or without what the metal adds (electrics.h); takes effect with the next setPatch.
    void setRealCase(bool on);
    /// Cables that stay plugged and bring nothing, and the output that the monitor hears instead of the way out (an
    /// empty post: none), made safe for ears: without DC, at half its voltage, and limited. Takes effect with the next
    /// setPatch.
    void setListening(std::vector<int> silenced, JackRef listened);
    /// A message played by hand, for keys, converters and pads.
    void play(const MidiMessage& message);
    /// What the last seconds of an output looked like; nullptr if it does not run.
    [[nodiscard]] std::shared_ptr<const Tap> tap(const JackRef& output) const;
    [[nodiscard]] const std::vector<LateCable>& lateCables() const { return lateCables_; }
    [[nodiscard]] const std::vector<NormalInEffect>& normals() const { return normals_; }
    [[nodiscard]] std::size_t blockCount() const { return blockCount_; }
    [[nodiscard]] double rate() const { return settings_.rate; }
    [[nodiscard]] bool running() const { return running_; }
    /// Frees schedules that the audio side has finished with, and hands over what still waits; call now and then.
    void collect();

    // Audio side: one thread.
    /// Fills `frames` interleaved stereo frames, ±1 full scale, at the device's rate. `in` holds as many that come in
    /// at the same rate, for `external-in` blocks; nullptr: none do.
    void process(float* interleaved, std::size_t frames, const float* in = nullptr);

    EngineMeters meters;

  private:
    struct Command {
        enum class Kind { Swap, Control, Run, Stop, Rewind, Monitor, Play } kind = Kind::Run;
        Schedule* schedule = nullptr;
        int slot = -1;
        float value = 0.0f;
        MidiMessage message{};
    };
    template <class T> using Queue = boost::lockfree::spsc_queue<T>;

    void send(const Command& command);
    void flush();
    void obey();
    void guardAgainstRunaway();
    [[nodiscard]] std::pair<float, float> heard(const Schedule& schedule, int i);
    std::span<const float> runOnce();
    [[nodiscard]] bool onlyKnobsDiffer(const Patch& patch, const Library& library) const;

    EngineSettings settings_;
    double deviceRate_;

    // Editing side.
    std::optional<Patch> patch_;
    Schedule::Taps taps_;
    std::vector<std::unique_ptr<Schedule>> owned_; ///< the newest is last
    std::vector<LateCable> lateCables_;
    std::vector<NormalInEffect> normals_;
    std::size_t blockCount_ = 0;
    bool running_ = true;
    std::deque<Command> backlog_; ///< commands that did not fit into the queue

    // Between the two.
    Queue<Command> commands_{4096};
    Queue<Schedule*> finished_{256};

    // Audio side.
    Schedule* current_ = nullptr;
    Schedule* fading_ = nullptr; ///< the old one while the new one is faded in
    int fadeLeft_ = 0;
    Transport transport_;
    Transport fadingTransport_;
    Resampler resampler_;
    LiveInput live_;
    std::array<float, 2 * kRun> mixed_{};
    float monitor_ = 0.125f;
    float monitorNow_ = 0.125f;
    float limiter_ = 1.0f;
    float dc_ = 0.0f;      ///< of the output that is listened to
    double runaway_ = 0.0; ///< seconds for which the sound has been at the rails
    bool muted_ = false;   ///< until the monitor is touched or the patch changes
    std::uint64_t lastFaults_ = 0;
};

} // namespace lariat
