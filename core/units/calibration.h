// A knob calibrated by reading: what a meter says at some places of its travel becomes a law, or a curve through the
// points. x is the fraction of the travel (scale.h):
//   linear       value = a + b x
//   exponential  value = a e^(b x)            (equal turns are equal ratios)
//   logarithmic  value = a + b ln(1 + k x)    (quick at first, then ever slower)
//   points       monotone cubic through the readings (Fritsch & Carlson 1980), straight on at its ends
// Linear and exponential are least squares, of the values and of their logarithms; of the logarithmic law, k is
// searched as well (Brent). Among laws that were not asked for, the one is taken that tells best what was left out of
// it.
#pragma once

#include "units/scale.h"
#include "units/sentence.h"

#include <optional>
#include <string_view>
#include <vector>

#include <tl/expected.hpp>

namespace lariat {

enum class Law { Linear, Exponential, Logarithmic, Points };
inline constexpr int kLaws = 4;
inline constexpr std::size_t kMostReadings = 200;

struct Calibration {
    Law law = Law::Points;
    std::vector<Mark> readings; ///< in any order

    bool operator==(const Calibration&) const = default;
};

struct Calibrated {
    Law law = Law::Points;
    Scale scale;                    ///< the knob's, with marks
    std::vector<Mark> readings;     ///< in order of their places; those of one place as their mean
    std::vector<double> off;        ///< of each reading: what was read less what the law says, in the scale's unit
    std::vector<double> offMinutes; ///< … and how far the knob stands from where the law has that value, on the dial
    [[nodiscard]] double worst() const; ///< minutes
};

/// Fits a law, or finds the best one. Refused, with the readings that are to blame: fewer than two places; two values
/// at one place, or values that fall, which contradict each other; a value that the scale does not have; a law that
/// these readings cannot have; a switch.
tl::expected<Calibrated, Sentence> calibrate(const Scale& scale, const std::vector<Mark>& readings,
                                             std::optional<Law> law = {});

/// The value at a fraction of the travel along marks, and the other way round; both stop at the first and last mark.
double alongMarks(const std::vector<Mark>& marks, double fraction, bool ratios);
double backAlongMarks(const std::vector<Mark>& marks, double value, bool ratios);

/// "linear", "exponential", "logarithmic", "points".
const char* lawName(Law law);
std::optional<Law> lawNamed(std::string_view name);

} // namespace lariat
