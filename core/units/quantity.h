// Strong types for the physical quantities that Lariat calculates with.
//
// A Quantity is a double that knows what it measures, so that volts cannot be handed to something that
// expects hertz. Only arithmetic that keeps the meaning is allowed: sums of equals, scaling by a number.
// The sample streams inside the engine are plain `float` volts; these types stand at its edges.
#pragma once

#include <compare>

namespace lariat {

template <class Tag> struct Quantity {
    double value = 0.0;

    friend constexpr auto operator<=>(Quantity, Quantity) = default;
    friend constexpr Quantity operator+(Quantity a, Quantity b) { return {a.value + b.value}; }
    friend constexpr Quantity operator-(Quantity a, Quantity b) { return {a.value - b.value}; }
    friend constexpr Quantity operator*(Quantity a, double k) { return {a.value * k}; }
    friend constexpr double operator/(Quantity a, Quantity b) { return a.value / b.value; }
};

using Volts = Quantity<struct VoltsTag>;
using Hertz = Quantity<struct HertzTag>;
using Seconds = Quantity<struct SecondsTag>;
using Cents = Quantity<struct CentsTag>;
using Decibels = Quantity<struct DecibelsTag>;

} // namespace lariat
