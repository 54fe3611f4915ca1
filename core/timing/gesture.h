// A gesture: what hands did on keys or a pad, made a performance that can be played again and again.
#pragma once

#include "model/performance.h"

#include <cstddef>
#include <span>
#include <string>
#include <vector>

namespace lariat {

/// A message and when it came, in seconds from the start of the take.
struct TimedMessage {
    double seconds = 0.0;
    MidiMessage message;
};

struct GestureTake {
    std::string post;
    bool pad = false;     ///< keeps what a pad listens to; else all but that
    double tempo = 120.0; ///< beats per minute, above 0
    double seconds = 0.0; ///< how long it took
    bool toBeats = false; ///< its loop is a whole number of beats, the nearest; at least one
};

/// True for what moves or touches a pad: controllers 16 and 17, their fine parts, and notes.
bool movesPad(const MidiMessage& message);

/// The performance, looped. Keys that are down at its end, or at the end of a loop that is shorter than the take, are
/// let go there; messages of the system and those behind the loop's end are left out, and so is what is more than
/// kMaxMessages.
Performance gestureOf(const GestureTake& take, std::span<const TimedMessage> messages);

} // namespace lariat
