#include "blocks/parts/blep.h"

#include "blocks/parts/maths.h"

namespace lariat {
namespace {

/// Modified Bessel function of the first kind, order zero, by its power series.
double besselI0(double x) {
    double sum = 1.0;
    double term = 1.0;
    for (int k = 1; k < 40; ++k) {
        term *= (x / 2.0) / k;
        sum += term * term;
    }
    return sum;
}

constexpr double kBeta = 6.76; // 70 dB

double kernel(double x) {
    const double half = BlepTable::kHalf;
    if (std::abs(x) >= half) return 0.0;
    const double sinc = x == 0.0 ? 1.0 : std::sin(kPi * x) / (kPi * x); // cut-off at half the sampling rate
    const double r = x / half;
    return sinc * besselI0(kBeta * std::sqrt(1.0 - r * r)) / besselI0(kBeta);
}

} // namespace

BlepTable::BlepTable() {
    // Integrate on a grid fine enough that the trapezoidal rule's error lies below -140 dB.
    constexpr int fine = 8;
    constexpr int steps = kTaps * kRows * fine;
    constexpr double dx = 1.0 / (kRows * fine);
    std::vector<double> step(steps + 1);
    std::vector<double> ramp(steps + 1);
    for (int i = 1; i <= steps; ++i) {
        const double x = -kHalf + i * dx;
        step[idx(i)] = step[idx(i - 1)] + 0.5 * dx * (kernel(x - dx) + kernel(x));
    }
    const double area = step.back();
    for (double& s : step) s /= area;
    for (int i = 1; i <= steps; ++i) ramp[idx(i)] = ramp[idx(i - 1)] + 0.5 * dx * (step[idx(i - 1)] + step[idx(i)]);
    for (int row = 0; row <= kRows; ++row)
        for (int tap = 0; tap < kTaps; ++tap) {
            const int index = (tap * kRows + row) * fine;
            const double x = -kHalf + index * dx;
            const auto r = idx(row);
            const auto t = idx(tap);
            // At x = 0 the row decides on which side the sample lies: taps up to kHalf - 1 lie before the
            // edge, later ones behind it.
            const bool behind = tap >= kHalf;
            jump[r][t] = static_cast<float>(step[idx(index)] - (behind ? 1.0 : 0.0));
            bend[r][t] = static_cast<float>(ramp[idx(index)] - (behind ? x : 0.0));
        }
}

const BlepTable& blepTable() {
    static const BlepTable table;
    return table;
}

} // namespace lariat
