#include "measure/relate.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace lariat {
namespace {

double cents(double ratio) {
    return 1200.0 * std::log2(ratio);
}

struct Named {
    long above;
    long below;
    Sentence name;
};
const std::vector<Named>& namedIntervals() {
    static const std::vector<Named> all = {
        {1, 1, say("unison")},        {16, 15, say("minor second")},    {10, 9, say("small whole tone")},
        {9, 8, say("whole tone")},    {7, 6, say("small minor third")}, {6, 5, say("minor third")},
        {5, 4, say("major third")},   {9, 7, say("wide major third")},  {4, 3, say("fourth")},
        {7, 5, say("small tritone")}, {10, 7, say("wide tritone")},     {3, 2, say("fifth")},
        {8, 5, say("minor sixth")},   {5, 3, say("major sixth")},       {7, 4, say("natural seventh")},
        {9, 5, say("minor seventh")}, {15, 8, say("major seventh")}};
    return all;
}

struct NamedChord {
    std::vector<long> parts;
    Sentence name;
};
const std::vector<NamedChord>& namedChords() {
    static const std::vector<NamedChord> all = {
        {{4, 5, 6}, say("major triad")},          {{10, 12, 15}, say("minor triad")},
        {{3, 4, 5}, say("major triad")},          {{5, 6, 8}, say("major triad")},
        {{4, 5, 6, 7}, say("natural seventh")},   {{4, 5, 6, 8}, say("major triad")},
        {{8, 10, 12, 15}, say("major seventh")},  {{2, 3, 4}, say("open fifth")},
        {{6, 8, 9}, say("suspended fourth")},     {{8, 9, 12}, say("suspended second")},
        {{5, 6, 7}, say("diminished triad")},     {{16, 20, 25}, say("augmented triad")},
        {{10, 12, 15, 18}, say("minor seventh")}, {{2, 3, 5}, say("open major triad")},
        {{6, 10, 15}, say("open minor triad")}};
    return all;
}

/// Period of an even train and what its times are off it, by least squares over their numbers; a missing one is passed
/// over.
struct Even {
    double period = 0.0;
    double jitter = 0.0;
};
Even evenGrid(std::span<const double> times) {
    std::vector<double> gaps;
    for (std::size_t i = 1; i < times.size(); ++i) gaps.push_back(times[i] - times[i - 1]);
    std::ranges::sort(gaps);
    const double usual = gaps[gaps.size() / 2];
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    double number = 0.0;
    std::vector<std::pair<double, double>> points;
    for (std::size_t i = 0; i < times.size(); ++i) {
        if (i > 0) number += std::max(1.0, std::round((times[i] - times[i - 1]) / usual));
        points.emplace_back(number, times[i]);
        n += 1.0;
        sx += number;
        sy += times[i];
        sxx += number * number;
        sxy += number * times[i];
    }
    const double period = (n * sxy - sx * sy) / (n * sxx - sx * sx);
    const double start = (sy - period * sx) / n;
    double off = 0.0;
    for (const auto& point : points) off += std::pow(point.second - start - period * point.first, 2);
    return {period, std::sqrt(off / n)};
}

} // namespace

std::optional<Ratio> simpleRatio(double ratio, long most, double within) {
    if (!(ratio > 0.0) || !std::isfinite(ratio)) return std::nullopt;
    std::optional<Ratio> best;
    long simplest = 0;
    for (long below = 1; below <= most; ++below)
        for (const long above : {static_cast<long>(std::floor(ratio * static_cast<double>(below))),
                                 static_cast<long>(std::ceil(ratio * static_cast<double>(below)))}) {
            if (above < 1 || (above > most && below > 1) || std::gcd(above, below) != 1) continue;
            const double off = cents(ratio * static_cast<double>(below) / static_cast<double>(above));
            // A ratio of larger numbers has to be so much nearer.
            const double worth = static_cast<double>(above + below);
            if (std::abs(off) > within * std::min(1.0, 8.0 / worth) + 0.5) continue;
            if (!best || above + below < simplest) {
                best = Ratio{above, below, off};
                simplest = above + below;
            }
        }
    return best;
}

Interval intervalName(const Ratio& ratio) {
    long above = std::max(ratio.above, ratio.below);
    long below = std::min(ratio.above, ratio.below);
    int octaves = 0;
    while (above >= 2 * below) {
        if (above % 2 == 0)
            above /= 2;
        else
            below *= 2;
        ++octaves;
    }
    const long common = std::gcd(above, below);
    for (const Named& one : namedIntervals())
        if (above / common == one.above && below / common == one.below) return {one.name, octaves};
    return {{}, octaves};
}

std::optional<Chord> chordOf(std::vector<double> hertz, long most, double within) {
    std::ranges::sort(hertz);
    hertz.erase(
        std::unique(hertz.begin(), hertz.end(), [](double a, double b) { return std::abs(cents(b / a)) < 5.0; }),
        hertz.end());
    if (hertz.size() < 2) return std::nullopt;
    for (long root = 1; root <= most; ++root) {
        Chord chord;
        for (const double one : hertz) {
            const double exact = static_cast<double>(root) * one / hertz.front();
            const long part = std::max(1L, std::lround(exact));
            chord.parts.push_back(part);
            const double off = cents(exact / static_cast<double>(part));
            if (std::abs(off) > std::abs(chord.cents)) chord.cents = off;
        }
        const bool apart = std::ranges::adjacent_find(chord.parts) == chord.parts.end();
        if (!apart || std::abs(chord.cents) > within) continue;
        for (const NamedChord& one : namedChords())
            if (one.parts == chord.parts) chord.name = one.name;
        return chord;
    }
    return std::nullopt;
}

std::optional<GateRelation> relateGates(std::span<const double> a, std::span<const double> b) {
    if (a.size() < 3 || b.size() < 3) return std::nullopt;
    const Even one = evenGrid(a);
    const Even other = evenGrid(b);
    if (one.period <= 0.0 || other.period <= 0.0) return std::nullopt;
    GateRelation out{1.0 / one.period, 1.0 / other.period, 0.0, one.jitter, other.jitter, std::nullopt};
    // Each of the slower train against the nearest of the faster one.
    const bool aSlower = one.period >= other.period;
    const auto slow = aSlower ? a : b;
    const auto fast = aSlower ? b : a;
    std::vector<double> offsets;
    for (const double at : slow) {
        const auto after = std::ranges::lower_bound(fast, at);
        double nearest = 1e9;
        if (after != fast.end()) nearest = *after - at;
        if (after != fast.begin() && std::abs(*std::prev(after) - at) < std::abs(nearest))
            nearest = *std::prev(after) - at;
        offsets.push_back(aSlower ? nearest : -nearest);
    }
    std::ranges::nth_element(offsets, offsets.begin() + static_cast<std::ptrdiff_t>(offsets.size() / 2));
    out.offset = offsets[offsets.size() / 2];
    if (const auto ratio = simpleRatio(other.period / one.period, 64, 4.0))
        out.meet = static_cast<double>(ratio->above) * one.period;
    return out;
}

} // namespace lariat
