// One cable's live trace: which stretch of its signal to show, and its readings.
#pragma once

#include "engine/tap.h"
#include "look/look.h"
#include "measure/reading.h"

#include <memory>
#include <vector>

namespace lariat {

class LiveTrace {
  public:
    /// Measures kind, range and pitch anew; costs an FFT, so not for every frame. `jack` is the kind of the output.
    void measure(const Tap& tap, double rate, SignalKind jack);
    /// The pitch of what leads this sound, which is its own where it has no steady one.
    void follow(const PitchSource& source, const LiveTrace& leader);
    /// What it did before no longer counts, as after an edit.
    void forget() { track_.clear(); }
    /// The newest picture in `columns` columns. Audio stands still: it starts where the signal rises through
    /// its middle and shows some four periods. Everything else, and audio that comes and goes, rolls by: two seconds,
    /// or eight pulses of a steady clock.
    [[nodiscard]] std::vector<MinMax> columns(const Tap& tap, double rate, int columns) const;
    [[nodiscard]] const Reading& reading() const { return reading_; }
    [[nodiscard]] VoltRange range() const;

  private:
    Reading reading_;
    PitchTrack track_;
    std::uint64_t tracked_ = 0; ///< samples of the tap when a frame was last added
    double window_ = 0.02;      ///< seconds of audio shown
    double rolled_ = 2.2;       ///< seconds of anything else: eight periods of a steady clock
};

} // namespace lariat
