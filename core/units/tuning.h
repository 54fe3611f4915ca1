// Tunings: the notes of one octave (or another period) in cents, from twelve-tone masks or Scala files.
#pragma once

#include "units/sentence.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

struct Tuning {
    std::string name;
    std::vector<double> cents{0.0}; ///< from 0 up, within one period
    double period = 1200.0;
};

/// Reads a Scala scale (.scl): comments with "!", a name, the count, then pitches in cents (with a point) or ratios.
/// Nothing if it is not one; `why` then says what is wrong and in which line.
std::optional<Tuning> readScala(std::string_view text, Sentence& why);

/// The note of the tuning that is nearest to `cents` above its root, in cents.
double nearestNote(const Tuning& tuning, double cents);

} // namespace lariat
