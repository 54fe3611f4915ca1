// The tempo of a patch: which knob it comes from, and tapping it.
#pragma once

#include "library/library.h"

#include <QElapsedTimer>

#include <deque>

namespace lariat {

/// The clock's knob that the tempo comes from; nullptr if no post has one.
struct TempoHome {
    const Post* post = nullptr;
    const KnobInfo* knob = nullptr;
};
TempoHome tempoHome(const Patch& patch, const Library& library);

/// Taps on the beat. A pause of two seconds begins anew.
class Taps {
  public:
    /// One more, now. Beats per minute over the last taps, or 0 after the first.
    double tap();
    /// The same at a time in milliseconds.
    double tapAt(qint64 milliseconds);

  private:
    QElapsedTimer clock_;
    std::deque<qint64> times_;
};

} // namespace lariat
