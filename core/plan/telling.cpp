#include "plan/telling.h"

#include "engine/render.h"
#include "measure/measure.h"
#include "model/edit.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace lariat {
namespace {

constexpr double kFloor = -60.0; ///< dB below the loudest
constexpr double kSlice = 0.1;   ///< seconds
constexpr int kBands = 29;       ///< third octaves, 25 Hz to 16 kHz

double inDecibels(double level) {
    return 20.0 * std::log10(std::max(level, 1e-9));
}

/// Levels of the bands, and of each slice.
std::pair<std::array<double, kBands>, std::vector<double>> levelsOf(std::span<const float> volts, double rate) {
    std::array<double, kBands> bands{};
    const Spectrum spectrum = measureSpectrum(volts, rate);
    for (int b = 0; b < kBands; ++b) {
        const double centre = 25.0 * std::exp2(b / 3.0);
        const auto bin = [&](double hertz) { return static_cast<std::size_t>(hertz / spectrum.binHertz); };
        double power = 0.0;
        for (std::size_t i = bin(centre * std::exp2(-1.0 / 6)); i < bin(centre * std::exp2(1.0 / 6)); ++i)
            if (i < spectrum.amplitude.size()) power += std::pow(static_cast<double>(spectrum.amplitude[i]), 2);
        bands[static_cast<std::size_t>(b)] = inDecibels(std::sqrt(power));
    }
    std::vector<double> slices;
    const auto length = static_cast<std::size_t>(kSlice * rate);
    for (std::size_t i = 0; i + length <= volts.size(); i += length)
        slices.push_back(inDecibels(measureLevel(volts.subspan(i, length)).rms.value));
    return {bands, slices};
}

/// Root mean square of the differences, with what is far below the loudest of both as silence.
template <class List> double apart(const List& a, const List& b) {
    const double floor = std::max(*std::ranges::max_element(a), *std::ranges::max_element(b)) + kFloor;
    double sum = 0.0;
    for (std::size_t i = 0; i < a.size(); ++i) sum += std::pow(std::max(a[i], floor) - std::max(b[i], floor), 2);
    return std::sqrt(sum / static_cast<double>(a.size()));
}

} // namespace

double soundDistance(std::span<const float> a, std::span<const float> b, double rate) {
    const std::size_t length = std::min(a.size(), b.size());
    if (static_cast<double>(length) < kSlice * rate) return 0.0;
    const auto one = levelsOf(a.first(length), rate);
    const auto other = levelsOf(b.first(length), rate);
    return std::hypot(apart(one.first, other.first), apart(one.second, other.second));
}

Result<std::vector<Telling>> whatTellsMost(const Patch& patch, const Library& library, double seconds,
                                           const std::function<bool(double)>& goesOn) {
    std::vector<Telling> out;
    const std::vector<UnknownKnob> all = unknownsOf(patch, library);
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (goesOn && !goesOn(static_cast<double>(i) / static_cast<double>(all.size())))
            return failure(say("looking was cancelled"));
        std::array<Rendering, 2> ends;
        for (std::size_t end = 0; end < 2; ++end) {
            Patch tried = patch;
            const auto post = std::ranges::find(tried.posts, all[i].post, &Post::id);
            post->locked.erase(all[i].knob);
            post->knobs[all[i].knob] = end == 0 ? all[i].low : all[i].high;
            RenderOptions options;
            options.seconds = seconds;
            auto made = render(tried, library, options);
            if (!made) return tl::unexpected(made.error());
            ends[end] = std::move(*made);
        }
        const double rate = ends[0].engineRate;
        out.push_back({all[i], std::max(soundDistance(ends[0].left, ends[1].left, rate),
                                        soundDistance(ends[0].right, ends[1].right, rate))});
    }
    std::ranges::stable_sort(out, std::ranges::greater{}, &Telling::decibels);
    return out;
}

} // namespace lariat
