// Tapping a tempo.
#pragma once

#include <QElapsedTimer>

#include <deque>

namespace lariat {

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
