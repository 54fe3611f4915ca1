#include "measure/partials.h"

#include "units/level.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace lariat {
namespace {

constexpr std::size_t kMostHarmonics = 40;
constexpr int kLobe = 5;              ///< bins to either side that a line takes in a Blackman-Harris window
constexpr double kNoiseWidth = 2.004; ///< bins of noise that such a bin takes in (Harris 1978)
constexpr double kLowest = 20.0;
constexpr double kHighest = 20000.0;

} // namespace

Partials measurePartials(const Spectrum& spectrum, double hertz) {
    Partials out;
    out.hertz = hertz;
    const double top = spectrum.binHertz * static_cast<double>(spectrum.amplitude.size() - 1);
    const int width = std::max(1, std::min(3, static_cast<int>(0.3 * hertz / spectrum.binHertz)));
    for (std::size_t n = 1; n <= kMostHarmonics && static_cast<double>(n) * hertz < top; ++n)
        out.amplitude.push_back(spectrum.peakNear(static_cast<double>(n) * hertz, width));
    for (std::size_t n = 2; n <= out.amplitude.size(); ++n) {
        const double power = 0.5 * out.amplitude[n - 1] * out.amplitude[n - 1];
        (n % 2 == 0 ? out.even : out.odd) += power;
    }
    out.even = std::sqrt(out.even);
    out.odd = std::sqrt(out.odd);
    std::vector<double> between;
    for (std::size_t bin = 1; bin < spectrum.amplitude.size(); ++bin) {
        const double at = spectrum.binHertz * static_cast<double>(bin);
        if (at < kLowest || at > kHighest) continue;
        const double away = std::abs(at - hertz * std::round(at / hertz)) / spectrum.binHertz;
        if (away <= kLobe) continue;
        const auto amplitude = static_cast<double>(spectrum.amplitude[bin]);
        between.push_back(0.5 * amplitude * amplitude / kNoiseWidth);
    }
    if (between.empty()) return out;
    double sum = 0.0;
    for (const double power : between) sum += power;
    const double whole = (std::min(kHighest, top) - kLowest) / spectrum.binHertz;
    out.floor = std::sqrt(sum / static_cast<double>(between.size()) * whole);
    std::ranges::nth_element(between, between.begin() + static_cast<std::ptrdiff_t>(between.size() / 2));
    // The median of a power that is spread exponentially is ln 2 of its mean.
    out.bandFloor = std::sqrt(between[between.size() / 2] / std::log(2.0) / spectrum.binHertz);
    return out;
}

std::vector<Sideband> measureSidebands(const Spectrum& spectrum, double carrier, double modulator, int most) {
    std::vector<Sideband> out;
    double loudest = 0.0;
    const double top = spectrum.binHertz * static_cast<double>(spectrum.amplitude.size() - 1);
    const int width = std::max(1, std::min(3, static_cast<int>(0.3 * modulator / spectrum.binHertz)));
    for (int order = -most; order <= most; ++order) {
        const double hertz = std::abs(carrier + order * modulator);
        if (hertz >= top) continue;
        out.push_back({order, hertz, spectrum.peakNear(hertz, width)});
        loudest = std::max(loudest, out.back().amplitude);
    }
    std::erase_if(out, [&](const Sideband& one) { return one.amplitude < 1e-4 * loudest; });
    return out;
}

Spectrum::Partial loudestOnlyIn(const Spectrum& spectrum, const Spectrum& other, double upTo, int near) {
    Spectrum::Partial out;
    for (std::size_t bin = 2; bin + 1 < spectrum.amplitude.size(); ++bin) {
        const double hertz = spectrum.binHertz * static_cast<double>(bin);
        if (hertz < kLowest || hertz > upTo) continue;
        const auto amplitude = static_cast<double>(spectrum.amplitude[bin]);
        if (amplitude <= out.amplitude || amplitude < static_cast<double>(spectrum.amplitude[bin - 1]) ||
            amplitude < static_cast<double>(spectrum.amplitude[bin + 1]))
            continue;
        if (other.at(hertz, near) < 0.5 * amplitude) out = {hertz, amplitude};
    }
    return out;
}

std::vector<double> thirdsOf(const Spectrum& spectrum) {
    std::vector<double> power(kThirds, 0.0);
    double all = 0.0;
    for (std::size_t bin = 1; bin < spectrum.amplitude.size(); ++bin) {
        const double hertz = spectrum.binHertz * static_cast<double>(bin);
        if (hertz < kLowest || hertz > kHighest) continue;
        const double one = static_cast<double>(spectrum.amplitude[bin]) * static_cast<double>(spectrum.amplitude[bin]);
        const double band = std::round(3.0 * std::log2(hertz / 25.0));
        power[static_cast<std::size_t>(std::clamp(band, 0.0, static_cast<double>(kThirds - 1)))] += one;
        all += one;
    }
    for (double& one : power)
        one = all > 0.0 ? std::max(-120.0, 10.0 * std::log10(std::max(1e-12, one / all))) : -120.0;
    return power;
}

double thirdHertz(std::size_t band) {
    return 25.0 * std::exp2(static_cast<double>(band) / 3.0);
}

double brightnessOf(const Spectrum& spectrum) {
    double weighted = 0.0;
    double power = 0.0;
    for (std::size_t bin = 1; bin < spectrum.amplitude.size(); ++bin) {
        const double hertz = spectrum.binHertz * static_cast<double>(bin);
        if (hertz < kLowest || hertz > kHighest) continue;
        const auto one = static_cast<double>(spectrum.amplitude[bin]);
        weighted += hertz * one * one;
        power += one * one;
    }
    return power > 0.0 ? weighted / power : 0.0;
}

Spectrum averagedSpectrum(std::span<const float> volts, double rate, std::size_t size) {
    if (volts.size() <= size) return measureSpectrum(volts, rate);
    // With half a frame of silence at either end, so that what begins at once is not faded out.
    std::vector<float> padded(volts.size() + size, 0.0f);
    std::ranges::copy(volts, padded.begin() + static_cast<std::ptrdiff_t>(size / 2));
    Spectrum out;
    int count = 0;
    for (std::size_t at = 0; at + size <= padded.size(); at += size / 2) {
        const Spectrum one = measureSpectrum(std::span<const float>(padded).subspan(at, size), rate);
        out.binHertz = one.binHertz;
        out.amplitude.resize(one.amplitude.size(), 0.0f);
        for (std::size_t b = 0; b < one.amplitude.size(); ++b) out.amplitude[b] += one.amplitude[b] * one.amplitude[b];
        ++count;
    }
    for (float& amplitude : out.amplitude) amplitude = std::sqrt(amplitude / static_cast<float>(count));
    return out;
}

} // namespace lariat
