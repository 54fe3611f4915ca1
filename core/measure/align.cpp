#include "measure/align.h"

#include "measure/fourier.h"
#include "measure/measure.h"

#include <algorithm>
#include <cmath>

#include <samplerate.h>

namespace lariat {
namespace {

constexpr double kLeastAlike = 0.1;
constexpr double kNearlyAll = 0.97; ///< of the highest peak
constexpr double kPiece = 1.0;      ///< seconds of a piece that the drift is read from

struct Peak {
    double lag = 0.0;   ///< samples by which b comes later
    double value = 0.0; ///< correlation, with its sign
};

/// Cross-correlation of a and b without their DC, against the power of what lies over each other, and its largest place
/// with |lag| <= most where at least a third of the shorter one does; between samples by a parabola.
std::optional<Peak> crossPeak(std::span<const float> a, std::span<const float> b, std::size_t most,
                              bool mayInvert = true, long centre = 0) {
    const std::size_t size = fastSize(a.size() + b.size());
    const auto centred = [size](std::span<const float> in, std::vector<double>& power) {
        std::vector<float> out(size, 0.0f);
        const auto mean = static_cast<float>(measureLevel(in).mean.value);
        power.assign(in.size() + 1, 0.0);
        for (std::size_t i = 0; i < in.size(); ++i) {
            out[i] = in[i] - mean;
            power[i + 1] = power[i] + static_cast<double>(out[i]) * static_cast<double>(out[i]);
        }
        return out;
    };
    std::vector<double> powerA;
    std::vector<double> powerB;
    auto one = transform(centred(a, powerA));
    const auto other = transform(centred(b, powerB));
    if (powerA.back() < 1e-9 || powerB.back() < 1e-9) return std::nullopt;
    for (std::size_t i = 0; i < one.size(); ++i) one[i] = std::conj(one[i]) * other[i];
    const std::vector<float> product = inverse(std::move(one), size);
    const auto lengthA = static_cast<long>(a.size());
    const auto lengthB = static_cast<long>(b.size());
    const long least = std::min(lengthA, lengthB) / 3;
    const auto at = [&](long lag) {
        const long from = std::max(0L, -lag); // in a
        const long to = std::min(lengthA, lengthB - lag);
        if (to - from < std::max(8L, least)) return 0.0;
        const double under =
            (powerA[static_cast<std::size_t>(to)] - powerA[static_cast<std::size_t>(from)]) *
            (powerB[static_cast<std::size_t>(to + lag)] - powerB[static_cast<std::size_t>(from + lag)]);
        // Where hardly anything of one is left, likeness says nothing.
        if (under < 1e-4 * powerA.back() * powerB.back()) return 0.0;
        const auto sum =
            static_cast<double>(product[static_cast<std::size_t>(lag < 0 ? lag + static_cast<long>(size) : lag)]);
        return sum / static_cast<double>(size) / std::sqrt(under);
    };
    const auto reach = static_cast<long>(std::min(most, size / 2 - 2));
    // Of what lies over each other only in part, the less counts the shorter that is.
    const auto sizeOf = [&](long lag) {
        const auto over = static_cast<double>(std::min(lengthA, lengthB - lag) - std::max(0L, -lag));
        const double share = std::sqrt(std::max(0.0, over) / static_cast<double>(std::min(lengthA, lengthB)));
        return share * (mayInvert ? std::abs(at(lag)) : at(lag));
    };
    long best = centre;
    double largest = sizeOf(centre);
    for (long lag = centre - reach; lag <= centre + reach; ++lag)
        if (const double here = sizeOf(lag); here > largest) {
            largest = here;
            best = lag;
        }
    // What repeats itself is as like itself a period later: of peaks that are nearly as high the nearest one counts.
    long near = best;
    for (long away = 0; away < std::abs(best - centre); ++away)
        if (sizeOf(centre + away) > kNearlyAll * largest || sizeOf(centre - away) > kNearlyAll * largest) {
            near = sizeOf(centre + away) > sizeOf(centre - away) ? centre + away : centre - away;
            break;
        }
    const auto climb = [&](long lag) { // to the top, where it counts in full
        const double turn = at(lag) < 0.0 ? -1.0 : 1.0;
        while (std::abs(lag - centre) < reach && turn * at(lag + 1) > turn * at(lag)) ++lag;
        while (std::abs(lag - centre) < reach && turn * at(lag - 1) > turn * at(lag)) --lag;
        return lag;
    };
    near = climb(near);
    best = sizeOf(near) > kNearlyAll * largest ? near : climb(best);
    const double sign = at(best) < 0.0 ? -1.0 : 1.0;
    const double before = sign * at(best - 1);
    const double here = sign * at(best);
    const double after = sign * at(best + 1);
    const double bend = before - 2.0 * here + after;
    const double shift = bend < 0.0 ? std::clamp(0.5 * (before - after) / bend, -0.5, 0.5) : 0.0;
    return Peak{static_cast<double>(best) + shift, sign * here};
}

std::span<const float> piece(std::span<const float> x, double from, std::size_t length) {
    if (from < 0.0 || from + static_cast<double>(length) > static_cast<double>(x.size())) return {};
    return x.subspan(static_cast<std::size_t>(from), length);
}

/// Between samples, by a cubic through four.
float between(std::span<const float> x, double at) {
    const double whole = std::floor(at);
    const auto i = static_cast<long>(whole);
    const auto t = static_cast<float>(at - whole);
    const auto get = [&](long n) {
        return n < 0 || n >= static_cast<long>(x.size()) ? 0.0f : x[static_cast<std::size_t>(n)];
    };
    const float a = get(i - 1);
    const float b = get(i);
    const float c = get(i + 1);
    const float d = get(i + 2);
    return b + 0.5f * t * (c - a + t * (2.0f * a - 5.0f * b + 4.0f * c - d + t * (3.0f * (b - c) + d - a)));
}

} // namespace

std::optional<Alignment> align(std::span<const float> a, std::span<const float> b, double rate,
                               const AlignOptions& options) {
    if (a.size() < 64 || b.size() < 64) return std::nullopt;
    // What drifts is not alike for long: a start that holds for the first seconds, then piece by piece.
    const auto head = std::min(a.size(), static_cast<std::size_t>(4.0 * kPiece * rate));
    const auto found = crossPeak(
        a.first(head), b, static_cast<std::size_t>(std::min(options.reach * rate, static_cast<double>(b.size()))),
        options.mayInvert, std::lround(options.around * rate));
    if (!found || std::abs(found->value) < 1e-3 || (!options.mayInvert && found->value < 0.0)) return std::nullopt;
    Alignment out;
    out.inverted = found->value < 0.0;
    const auto length = static_cast<std::size_t>(kPiece * rate);
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    double lag = found->lag;
    double slope = 0.0;
    for (std::size_t at = 0; at + length <= a.size(); at += length / 2) {
        const double x = static_cast<double>(at) + 0.5 * static_cast<double>(length); // a piece speaks for its middle
        const double expected = n > 2.0 ? (sy + slope * (n * x - sx)) / n : lag;
        const double start = static_cast<double>(at) + std::round(expected);
        const auto other = piece(b, start, length);
        if (other.empty()) continue;
        const auto peak = crossPeak(a.subspan(at, length), other, static_cast<std::size_t>(0.01 * rate));
        if (!peak || std::abs(peak->value) < 0.5 || (peak->value < 0.0) != out.inverted) continue;
        const double own = std::round(expected) + peak->lag;
        if (n > 2.0 && std::abs(own - expected) > 0.002 * rate) continue; // another period of it
        n += 1.0;
        sx += x;
        sy += own;
        sxx += x * x;
        sxy += x * own;
        const double spread = n * sxx - sx * sx;
        slope = n > 1.0 && spread > 0.0 ? (n * sxy - sx * sy) / spread : 0.0;
    }
    if (n >= 3.0) {
        out.drift = 1e6 * slope;
        lag = (sy - slope * sx) / n;
        if (std::abs(out.drift) < 0.05) out.drift = 0.0;
    }
    out.offset = lag / rate;
    const std::vector<float> laid = aligned(b, rate, {out.offset, out.inverted, 1.0, out.drift, 1.0}, a.size());
    double product = 0.0;
    double powerA = 0.0;
    double powerB = 0.0;
    for (std::size_t i = 0; i < a.size(); ++i) {
        const auto x = static_cast<double>(a[i]);
        const auto y = static_cast<double>(laid[i]);
        product += x * y;
        powerA += x * x;
        powerB += y * y;
    }
    if (powerA <= 0.0 || powerB <= 0.0) return std::nullopt;
    out.likeness = std::max(0.0, product / std::sqrt(powerA * powerB));
    out.gain = out.likeness > 0.5 ? product / powerA : std::sqrt(powerB / powerA);
    if (out.likeness < kLeastAlike) return std::nullopt;
    return out;
}

std::vector<float> aligned(std::span<const float> b, double rate, const Alignment& alignment, std::size_t length) {
    std::vector<float> out(length);
    const double stretch = 1.0 + 1e-6 * alignment.drift;
    const double start = alignment.offset * rate;
    const auto gain = static_cast<float>((alignment.inverted ? -1.0 : 1.0) / std::max(1e-9, alignment.gain));
    for (std::size_t i = 0; i < length; ++i) out[i] = gain * between(b, start + stretch * static_cast<double>(i));
    return out;
}

std::optional<Correlation> correlate(std::span<const float> a, std::span<const float> b, double rate, double most) {
    const std::size_t n = std::min(a.size(), b.size());
    if (n < 16) return std::nullopt;
    const auto now = crossPeak(a.first(n), b.first(n), 0);
    const auto best = crossPeak(a.first(n), b.first(n), static_cast<std::size_t>(most * rate));
    if (!now || !best) return std::nullopt;
    return Correlation{std::clamp(now->value, -1.0, 1.0), std::clamp(best->value, -1.0, 1.0), best->lag / rate};
}

std::vector<float> resampled(std::span<const float> volts, double from, double to) {
    if (from == to) return {volts.begin(), volts.end()};
    const double ratio = to / from;
    std::vector<float> out(static_cast<std::size_t>(std::ceil(static_cast<double>(volts.size()) * ratio)) + 64);
    SRC_DATA data{};
    data.data_in = volts.data();
    data.input_frames = static_cast<long>(volts.size());
    data.data_out = out.data();
    data.output_frames = static_cast<long>(out.size());
    data.src_ratio = ratio;
    if (src_simple(&data, SRC_SINC_MEDIUM_QUALITY, 1) != 0) return {};
    out.resize(static_cast<std::size_t>(data.output_frames_gen));
    return out;
}

} // namespace lariat
