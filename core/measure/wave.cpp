#include "measure/wave.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>

namespace lariat {
namespace {

constexpr double kTwoPi = 6.28318530717958647692;
constexpr std::size_t kBins = 256;
constexpr double kStill = 1e-3;  ///< volts of swing; less is no wave
constexpr double kEven = 0.05;   ///< by which periods may differ
constexpr double kFlat = 0.02;   ///< part of the samples that a flat top or base holds in one bin
constexpr double kAtRest = 0.01; ///< of the way: a stage that comes so near has ended
constexpr double kPitchClear = 0.9;

struct BaseTop {
    double base = 0.0;
    double top = 0.0;
    bool flat = false;
};

BaseTop baseAndTop(std::span<const float> volts, const LevelReading& level) {
    std::array<std::size_t, kBins> histogram{};
    const double low = level.min.value;
    const double step = level.swing().value / kBins;
    for (const float v : volts)
        ++histogram[std::min(kBins - 1, static_cast<std::size_t>((static_cast<double>(v) - low) / step))];
    const auto lower = std::max_element(histogram.begin(), histogram.begin() + 2 * kBins / 5);
    const auto upper = std::max_element(histogram.begin() + 3 * kBins / 5, histogram.end());
    const auto volt = [&](auto bin) { return low + step * (static_cast<double>(bin - histogram.begin()) + 0.5); };
    const double all = static_cast<double>(volts.size());
    const bool flat = static_cast<double>(*lower) > kFlat * all && static_cast<double>(*upper) > kFlat * all;
    if (!flat) return {level.min.value, level.max.value, false};
    return {volt(lower), volt(upper), true};
}

/// Median of the times from one level to the other.
std::optional<double> edgeTime(std::span<const float> volts, double from, double to, double rate) {
    const bool rising = to > from;
    const double hysteresis = 0.5 * std::abs(to - from);
    const auto starts = passages(volts, from, rising, 0.02 * std::abs(to - from));
    const auto ends = passages(volts, to, rising, hysteresis);
    std::vector<double> times;
    for (const double end : ends) {
        const auto after = std::ranges::upper_bound(starts, end);
        if (after != starts.begin()) times.push_back((end - *std::prev(after)) / rate);
    }
    if (times.empty()) return std::nullopt;
    std::ranges::nth_element(times, times.begin() + static_cast<std::ptrdiff_t>(times.size() / 2));
    return times[times.size() / 2];
}

std::complex<double> partial(std::span<const float> x, double turns, std::size_t length) {
    std::complex<double> sum = 0.0;
    for (std::size_t i = 0; i < length; ++i) {
        const double at = static_cast<double>(i);
        const double window = 0.5 - 0.5 * std::cos(kTwoPi * (at + 0.5) / static_cast<double>(length));
        sum += window * static_cast<double>(x[i]) * std::polar(1.0, -kTwoPi * turns * at);
    }
    return sum;
}

/// Where a curve first comes within a part of the way to a target, between samples; from the end if it never does.
double comesWithin(std::span<const float> volts, std::size_t from, std::size_t to, double target, double distance) {
    for (std::size_t i = from; i < to; ++i) {
        const double off = std::abs(static_cast<double>(volts[i]) - target);
        if (off > distance) continue;
        if (i == from) return static_cast<double>(i);
        const double before = std::abs(static_cast<double>(volts[i - 1]) - target);
        return static_cast<double>(i) - (before > off ? std::min(1.0, (distance - off) / (before - off)) : 0.0);
    }
    return static_cast<double>(to);
}

/// When a stage that runs from one voltage to another ends: where its line meets the target, if it is one.
struct StageEnd {
    double at = 0.0; ///< samples
    bool straight = false;
};
StageEnd endOf(std::span<const float> volts, std::size_t from, std::size_t to, double start, double target) {
    const double way = std::abs(target - start);
    const double half = comesWithin(volts, from, to, target, 0.5 * way);
    const double tenth = comesWithin(volts, from, to, target, 0.1 * way);
    const double rest = comesWithin(volts, from, to, target, kAtRest * way);
    const double early = (tenth - half) / 0.4; // samples for the whole way
    const double late = (rest - tenth) / (0.1 - kAtRest);
    if (early > 0.0 && late > 0.0 && std::abs(late / early - 1.0) < 0.1)
        return {tenth + 0.1 * (tenth - half) / 0.4, true};
    return {rest, false};
}

} // namespace

std::vector<double> passages(std::span<const float> volts, double level, bool rising, double hysteresis) {
    std::vector<double> out;
    if (volts.empty()) return out;
    const double sign = rising ? 1.0 : -1.0;
    bool armed = sign * (static_cast<double>(volts[0]) - level) < -hysteresis;
    for (std::size_t i = 1; i < volts.size(); ++i) {
        const double now = sign * (static_cast<double>(volts[i]) - level);
        if (armed && now >= 0.0) {
            const double before = sign * (static_cast<double>(volts[i - 1]) - level);
            out.push_back(static_cast<double>(i) - (now > before ? std::min(1.0, now / (now - before)) : 0.0));
            armed = false;
        } else if (now < -hysteresis) {
            armed = true;
        }
    }
    return out;
}

WaveReading measureWave(std::span<const float> volts, double rate) {
    WaveReading out;
    out.level = measureLevel(volts);
    if (out.level.swing().value < kStill || volts.size() < 16) return out;
    const BaseTop levels = baseAndTop(volts, out.level);
    const double swing = levels.top - levels.base;
    const double middle = 0.5 * (levels.base + levels.top);
    const auto rises = passages(volts, middle, true, 0.1 * swing);
    // One passage a period: its periods are as even as its passages; of another shape, what repeats itself is measured.
    if (rises.size() >= 3) {
        const double mean = (rises.back() - rises.front()) / static_cast<double>(rises.size() - 1);
        bool even = true;
        for (std::size_t i = 1; i < rises.size(); ++i)
            even = even && std::abs(rises[i] - rises[i - 1] - mean) < std::max(1.0, kEven * mean);
        if (even) {
            out.hertz = rate / mean;
            const auto first = static_cast<std::size_t>(rises.front());
            const auto last = static_cast<std::size_t>(rises.back());
            const auto falls = passages(
                volts.subspan(first, last - first + 2 > volts.size() - first ? volts.size() - first : last - first + 2),
                middle, false, 0.1 * swing);
            double high = 0.0;
            std::size_t pairs = 0;
            for (std::size_t i = 0; i + 1 < rises.size(); ++i) {
                const auto fall = std::ranges::upper_bound(falls, rises[i] - static_cast<double>(first));
                if (fall == falls.end()) break;
                high += *fall + static_cast<double>(first) - rises[i];
                ++pairs;
            }
            if (pairs > 0) out.duty = high / static_cast<double>(pairs) / mean;
        }
    }
    if (!out.hertz)
        if (const auto pitch = measurePitch(volts, rate, {kStill}); pitch && pitch->clarity > kPitchClear)
            out.hertz = pitch->hertz.value;
    if (rises.size() <= 64 || levels.flat) {
        out.rise = edgeTime(volts, levels.base + 0.1 * swing, levels.base + 0.9 * swing, rate);
        out.fall = edgeTime(volts, levels.base + 0.9 * swing, levels.base + 0.1 * swing, rate);
    }
    if (levels.flat) out.overshoot = std::max(0.0, (out.level.max.value - levels.top) / swing);
    return out;
}

std::optional<double> phaseBetween(std::span<const float> a, std::span<const float> b, double rate) {
    const std::size_t n = std::min(a.size(), b.size());
    const auto hertzA = measureWave(a.first(n), rate).hertz;
    const auto hertzB = measureWave(b.first(n), rate).hertz;
    if (!hertzA || !hertzB) return std::nullopt;
    return phaseBetween(a, *hertzA, b, *hertzB, rate);
}

std::optional<double> phaseBetween(std::span<const float> a, double hertzA, std::span<const float> b, double hertzB,
                                   double rate) {
    const std::size_t n = std::min(a.size(), b.size());
    if (!(std::abs(hertzA / hertzB - 1.0) <= 0.01)) return std::nullopt;
    const double hertz = 0.5 * (hertzA + hertzB);
    const auto whole = static_cast<std::size_t>(std::floor(static_cast<double>(n) * hertz / rate) * rate / hertz);
    if (static_cast<double>(whole) * hertz / rate < 1.5) return std::nullopt;
    std::vector<float> centred[2];
    const std::span<const float> both[2] = {a.first(whole), b.first(whole)};
    for (int k = 0; k < 2; ++k) {
        const auto mean = static_cast<float>(measureLevel(both[k]).mean.value);
        for (const float v : both[k]) centred[k].push_back(v - mean);
    }
    const auto one = partial(centred[0], hertz / rate, whole);
    const auto other = partial(centred[1], hertz / rate, whole);
    if (std::abs(one) < 1e-9 || std::abs(other) < 1e-9) return std::nullopt;
    return std::remainder(std::arg(other) - std::arg(one), kTwoPi) * 360.0 / kTwoPi;
}

std::optional<Stages> measureStages(std::span<const float> volts, double rate, double close) {
    if (volts.size() < 8) return std::nullopt;
    const auto peak = std::max_element(volts.begin(), volts.end());
    const double top = static_cast<double>(*peak);
    const double start = static_cast<double>(volts.front());
    if (top - start < 0.05) return std::nullopt;
    Stages out;
    const auto at = static_cast<std::size_t>(peak - volts.begin());
    const auto gateEnd = std::min(volts.size() - 1, static_cast<std::size_t>(std::max(0.0, close)));
    const StageEnd attack = endOf(volts, 0, at + 1, start, top);
    const double summit = attack.straight ? std::min(attack.at, static_cast<double>(at)) : static_cast<double>(at);
    out.attack = summit / rate;
    out.peak = top;
    out.open = close / rate;
    out.sustain = static_cast<double>(volts[gateEnd > 0 ? gateEnd - 1 : 0]);
    if (gateEnd > at + 8) {
        const double way = top - out.sustain;
        const auto tail = at + 3 * (gateEnd - at) / 4; // what is left of the decay over the last quarter of the gate
        const double left = std::abs(static_cast<double>(volts[tail]) - out.sustain);
        if (way > 0.02 && left < 0.02 * way + 0.002) {
            const StageEnd decay = endOf(volts, at, gateEnd, top, out.sustain);
            out.decay = (decay.at - summit) / rate;
            out.straight = decay.straight;
        }
    }
    const double rest =
        static_cast<double>(*std::min_element(volts.begin() + static_cast<std::ptrdiff_t>(gateEnd), volts.end()));
    const auto from = static_cast<double>(volts[gateEnd]);
    if (from - rest > 0.02 && rest < 0.02 * top + 0.01) {
        const StageEnd release = endOf(volts, gateEnd, volts.size(), from, rest);
        if (release.at < static_cast<double>(volts.size() - 1)) out.release = (release.at - close) / rate;
    }
    return out;
}

} // namespace lariat
