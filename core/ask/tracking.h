// Does it track? Volts are played into a pitch input in a silent run, and what sounds is held against one volt an
// octave.
#pragma once

#include "ask/ask.h"

namespace lariat {

struct TrackingOptions {
    JackRef input;      ///< a pitch input
    JackRef output;     ///< where it is heard
    double from = -2.0; ///< volts
    double to = 4.0;
    double step = 0.5;
    bool realCase = false;
    std::function<bool(double)> progress{};
};

struct TrackingPoint {
    double volts = 0.0;
    double hertz = 0.0;
    double cents = 0.0; ///< against the line of one volt an octave through the point nearest to 0 V
};

/// The line through the points: cents by which each octave is too wide.
double centsPerOctave(const std::vector<TrackingPoint>& points);
/// What is in the input is taken out, and a steady voltage put in. Fails if a jack is none; says so if nothing with a
/// pitch sounds.
Result<Answer> askTracking(const Patch& patch, const Library& library, const TrackingOptions& options);

} // namespace lariat
