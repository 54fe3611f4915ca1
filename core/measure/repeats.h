// What a sound without a pitch repeats of itself: the comb of an echo.
#pragma once

#include <optional>
#include <span>

namespace lariat {

struct Repeat {
    double seconds = 0.0;
    double alike = 0.0; ///< correlation with itself so much later, 0…1
};
/// The strongest likeness between 0.5 ms and half a second later, if it stands out from the rest of them; from a second
/// of the middle of the sound.
std::optional<Repeat> repeatOf(std::span<const float> volts, double rate);

} // namespace lariat
