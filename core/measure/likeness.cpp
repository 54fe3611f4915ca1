#include "measure/likeness.h"

#include "measure/measure.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr float kFoot = -60.0f; ///< dB
constexpr float kCounts = -50.0f;
constexpr float kAboveNoise = 4.0f;
constexpr double kHighest = 16000.0;

struct Layout {
    double frame;  ///< seconds
    double lowest; ///< hertz
    double perOctave;
};
constexpr std::array<Layout, 2> kLayouts = {{{4096.0 / 96000.0, 40.0, 6.0}, {1024.0 / 96000.0, 160.0, 3.0}}};

std::size_t bandsOf(const Layout& layout) {
    return static_cast<std::size_t>(layout.perOctave * std::log2(kHighest / layout.lowest));
}

/// Power in each band, frame by frame.
std::vector<float> powersOf(std::span<const float> volts, double rate, const Layout& layout) {
    std::vector<float> out;
    const auto size = static_cast<std::size_t>(layout.frame * rate);
    if (size < 64) return out;
    for (std::size_t at = 0; at + size <= volts.size(); at += size / 2) {
        const Spectrum spectrum = measureSpectrum(volts.subspan(at, size), rate);
        for (std::size_t band = 0; band < bandsOf(layout); ++band) {
            const double low = layout.lowest * std::exp2((static_cast<double>(band) - 0.5) / layout.perOctave);
            const double high = low * std::exp2(1.0 / layout.perOctave);
            // Between the bins: a band that is narrower than one takes what a triangle over its neighbours gives.
            const double from = low / spectrum.binHertz;
            const double to = std::max(high / spectrum.binHertz, from + 1.0);
            double power = 0.0;
            for (auto b = static_cast<std::size_t>(from); b <= static_cast<std::size_t>(to) + 1; ++b) {
                if (b >= spectrum.amplitude.size()) break;
                const auto bin = static_cast<double>(b);
                const double weight = std::clamp(std::min(bin - from + 1.0, to - bin + 1.0), 0.0, 1.0);
                const auto amplitude = static_cast<double>(spectrum.amplitude[b]);
                power += weight * amplitude * amplitude;
            }
            out.push_back(static_cast<float>(power));
        }
    }
    return out;
}

float decibelsOf(float power, double loudest) {
    if (power <= 0.0f || loudest <= 0.0) return kFoot;
    return std::max(kFoot, 10.0f * std::log10(power / static_cast<float>(loudest)));
}

/// Squares of what differs in one grain, and how many places count.
std::pair<double, double> differenceOf(const Likeness::Grain& a, const Likeness::Grain& b) {
    const std::size_t size = std::min(a.levels.size(), b.levels.size());
    // One gain for all: the two are as loud as each other where they are loud.
    double shift = 0.0;
    double loud = 0.0;
    for (std::size_t i = 0; i < size; ++i)
        if (a.levels[i] > -20.0f && b.levels[i] > -20.0f) {
            shift += static_cast<double>(a.levels[i] - b.levels[i]);
            loud += 1.0;
        }
    shift = loud > 0.0 ? std::clamp(shift / loud, -6.0, 6.0) : 0.0;
    double sum = 0.0;
    double count = 0.0;
    for (std::size_t i = 0; i < size; ++i) {
        const float foot = std::max(kCounts, a.floor.empty() ? kFoot : a.floor[i % a.bands] + kAboveNoise);
        const auto other = static_cast<float>(static_cast<double>(b.levels[i]) + shift);
        if (a.levels[i] < foot && other < foot) continue;
        const auto off = static_cast<double>(std::max(foot, a.levels[i]) - std::max(foot, other));
        sum += off * off;
        count += 1.0;
    }
    return {sum, count};
}

} // namespace

Likeness likenessOf(std::span<const float> volts, double rate, std::span<const float> noise) {
    Likeness out;
    for (std::size_t g = 0; g < out.grains.size(); ++g) {
        Likeness::Grain& grain = out.grains[g];
        grain.bands = bandsOf(kLayouts[g]);
        grain.levels = powersOf(volts, rate, kLayouts[g]);
        for (const float power : grain.levels) grain.loudest = std::max(grain.loudest, static_cast<double>(power));
        for (float& power : grain.levels) power = decibelsOf(power, grain.loudest);
        const std::vector<float> quiet = powersOf(noise, rate, kLayouts[g]);
        if (quiet.empty()) continue;
        const auto frames = static_cast<float>(quiet.size() / grain.bands);
        grain.floor.assign(grain.bands, 0.0f);
        for (std::size_t i = 0; i < quiet.size(); ++i) grain.floor[i % grain.bands] += quiet[i] / frames;
        for (float& power : grain.floor) power = decibelsOf(power, grain.loudest);
    }
    return out;
}

double unlikeness(const Likeness& a, const Likeness& b) {
    double mean = 0.0;
    int grains = 0;
    for (std::size_t g = 0; g < a.grains.size(); ++g) {
        const auto [sum, count] = differenceOf(a.grains[g], b.grains[g]);
        if (count <= 0.0) continue;
        mean += sum / count;
        ++grains;
    }
    return grains > 0 ? std::sqrt(mean / grains) : 60.0;
}

} // namespace lariat
