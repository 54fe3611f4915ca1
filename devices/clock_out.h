// MIDI clock to the outside: a thread that sends each pulse of the engine when its time has come.
#pragma once

#include "devices/clock_meter.h"
#include "devices/midi_output.h"
#include "engine/clock_pulses.h"

#include <atomic>
#include <condition_variable>
#include <functional>
#include <mutex>
#include <thread>

namespace lariat {

class ClockOut {
  public:
    /// `next` gives what is to be sent, in order of time; false if nothing is there yet. It is called on the thread of
    /// this object alone.
    ClockOut(std::unique_ptr<MidiOutput> output, std::function<bool(ClockPulses::Event&)> next);
    ~ClockOut();

    [[nodiscard]] MidiOutput& output() { return *output_; }
    /// As it was really sent.
    [[nodiscard]] ClockMeter::Reading reading() const { return meter_.read(); }
    /// True once the port has taken no more.
    [[nodiscard]] bool failed() const { return failed_; }

  private:
    void work();

    std::unique_ptr<MidiOutput> output_;
    std::function<bool(ClockPulses::Event&)> next_;
    ClockMeter meter_;
    std::atomic<bool> failed_{false};
    std::mutex mutex_;
    std::condition_variable wake_;
    bool stopping_ = false;
    std::thread thread_;
};

} // namespace lariat
