#include "measure/repeats.h"

#include "measure/fourier.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace lariat {
namespace {

constexpr double kShortest = 0.0005; ///< seconds
constexpr double kLongest = 0.5;
constexpr double kLeast = 0.15;    ///< of likeness
constexpr double kStandsOut = 6.0; ///< times the usual size of the others

} // namespace

std::optional<Repeat> repeatOf(std::span<const float> volts, double rate) {
    const auto whole = std::min(volts.size(), static_cast<std::size_t>(2.0 * rate));
    const auto part = volts.subspan((volts.size() - whole) / 2, whole);
    const auto most = std::min(static_cast<std::size_t>(kLongest * rate), whole / 3);
    const auto least = static_cast<std::size_t>(kShortest * rate) + 2;
    if (most < least + 64) return std::nullopt;
    std::vector<float> x(fastSize(2 * whole), 0.0f);
    const auto mean = static_cast<float>(measureLevel(part).mean.value);
    for (std::size_t i = 0; i < whole; ++i) x[i] = part[i] - mean;
    const std::size_t size = x.size();
    auto bins = transform(std::move(x));
    // Whitened by half, so that the colour of the noise is no repeat.
    for (auto& bin : bins) bin = std::abs(bin);
    const auto correlation = inverse(std::move(bins), size);
    if (correlation[0] <= 0.0f) return std::nullopt;
    std::size_t best = least;
    double sum = 0.0;
    for (std::size_t lag = least; lag < most; ++lag) {
        if (correlation[lag] > correlation[best]) best = lag;
        sum += std::abs(static_cast<double>(correlation[lag]));
    }
    const double alike = static_cast<double>(correlation[best] / correlation[0]);
    const double usual = sum / static_cast<double>(most - least) / static_cast<double>(correlation[0]);
    if (best == least || alike < kLeast || alike < kStandsOut * usual) return std::nullopt;
    // Of an echo that comes again and again the first one counts.
    for (std::size_t n = 8; n >= 2; --n) {
        const std::size_t lag = best / n;
        if (lag > least && static_cast<double>(correlation[lag]) > 0.8 * static_cast<double>(correlation[best])) {
            best = lag;
            break;
        }
    }
    return Repeat{static_cast<double>(best) / rate, std::min(1.0, alike)};
}

} // namespace lariat
