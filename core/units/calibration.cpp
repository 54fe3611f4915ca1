#include "units/calibration.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <limits>
#include <numeric>

#include <boost/math/tools/minima.hpp>

namespace lariat {
namespace {

constexpr double kSamePlace = 0.5 / 600.0; // half a minute of the dial
constexpr double kSameValue = 0.01;        // of the larger one
constexpr int kSampled = 241;              // marks that stand for a law

using Curve = std::function<double(double)>;

/// Least squares of a + b u.
struct Line {
    double a = 0.0;
    double b = 0.0;
    double rest = 0.0; ///< sum of squares that is left
};
Line fitLine(const std::vector<double>& u, const std::vector<double>& v) {
    const auto n = static_cast<double>(u.size());
    const double meanU = std::accumulate(u.begin(), u.end(), 0.0) / n;
    const double meanV = std::accumulate(v.begin(), v.end(), 0.0) / n;
    double uu = 0.0;
    double uv = 0.0;
    for (std::size_t i = 0; i < u.size(); ++i) {
        uu += (u[i] - meanU) * (u[i] - meanU);
        uv += (u[i] - meanU) * (v[i] - meanV);
    }
    Line line;
    line.b = uv / uu;
    line.a = meanV - line.b * meanU;
    for (std::size_t i = 0; i < u.size(); ++i) {
        const double off = v[i] - line.a - line.b * u[i];
        line.rest += off * off;
    }
    return line;
}

bool allPositive(const std::vector<Mark>& marks) {
    return std::ranges::all_of(marks, [](const Mark& mark) { return mark.value > 0.0; });
}

/// Slopes of a monotone cubic at its marks (Fritsch & Carlson; Butland's harmonic mean), straight at its ends.
double slopeAt(const std::vector<Mark>& marks, std::size_t i, const Curve& shaped) {
    const auto secant = [&](std::size_t k) {
        return (shaped(marks[k + 1].value) - shaped(marks[k].value)) / (marks[k + 1].fraction - marks[k].fraction);
    };
    if (i == 0) return secant(0);
    if (i + 1 == marks.size()) return secant(i - 1);
    const double before = secant(i - 1);
    const double after = secant(i);
    return before * after <= 0.0 ? 0.0 : 2.0 * before * after / (before + after);
}

/// The law as a curve over the travel; nothing if these readings cannot have it.
std::optional<Curve> fitted(Law law, const std::vector<Mark>& readings, bool ratios) {
    std::vector<double> x;
    std::vector<double> y;
    for (const Mark& mark : readings) {
        x.push_back(mark.fraction);
        y.push_back(mark.value);
    }
    if (x.size() < 2) return std::nullopt;
    switch (law) {
    case Law::Linear: {
        const Line line = fitLine(x, y);
        if (!(line.b > 0.0)) return std::nullopt;
        return [line](double at) { return line.a + line.b * at; };
    }
    case Law::Exponential: {
        if (!allPositive(readings)) return std::nullopt;
        for (double& value : y) value = std::log(value);
        const Line line = fitLine(x, y);
        if (!(line.b > 0.0)) return std::nullopt;
        return [line](double at) { return std::exp(line.a + line.b * at); };
    }
    case Law::Logarithmic: {
        if (x.size() < 3) return std::nullopt;
        const auto bent = [&](double k) {
            std::vector<double> u;
            for (const double at : x) u.push_back(std::log1p(k * at));
            return fitLine(u, y);
        };
        const double k = std::exp(
            boost::math::tools::brent_find_minima([&](double lnK) { return bent(std::exp(lnK)).rest; }, -5.0, 9.0, 40)
                .first);
        const Line line = bent(k);
        if (!(line.b > 0.0)) return std::nullopt;
        return [line, k](double at) { return line.a + line.b * std::log1p(k * at); };
    }
    case Law::Points:
        return [readings, ratios](double at) {
            // Straight on beyond the readings.
            const bool low = at < readings.front().fraction;
            const std::size_t end = low ? 0 : readings.size() - 1;
            if (!low && at <= readings.back().fraction) return alongMarks(readings, at, ratios);
            const Mark& edge = readings[end];
            const auto shaped = [ratios](double v) { return ratios ? std::log(v) : v; };
            const double on = slopeAt(readings, end, shaped) * (at - edge.fraction);
            return ratios ? edge.value * std::exp(on) : edge.value + on;
        };
    }
    return std::nullopt;
}

/// How badly a law tells each reading from the others.
double leftOut(Law law, const std::vector<Mark>& readings, bool ratios) {
    double sum = 0.0;
    for (std::size_t i = 0; i < readings.size(); ++i) {
        std::vector<Mark> others = readings;
        others.erase(others.begin() + static_cast<std::ptrdiff_t>(i));
        const auto curve = fitted(law, others, ratios);
        if (!curve) return std::numeric_limits<double>::infinity();
        const double told = (*curve)(readings[i].fraction);
        if (ratios && told <= 0.0) return std::numeric_limits<double>::infinity();
        const double off = ratios ? std::log(told / readings[i].value) : told - readings[i].value;
        sum += off * off;
    }
    return sum;
}

/// The simplest law that tells about as well as the best one.
Law bestLaw(const std::vector<Mark>& readings, bool ratios) {
    if (readings.size() == 2) return ratios ? Law::Exponential : Law::Linear;
    const std::array<Law, kLaws> simplestFirst = {ratios ? Law::Exponential : Law::Linear,
                                                  ratios ? Law::Linear : Law::Exponential, Law::Logarithmic,
                                                  Law::Points};
    Law best = Law::Points;
    double least = std::numeric_limits<double>::infinity();
    for (const Law law : simplestFirst)
        if (const double rest = leftOut(law, readings, ratios); rest < 0.5 * least) {
            least = rest;
            best = law;
        }
    return best;
}

/// In order, those of one place as one; or what contradicts what.
tl::expected<std::vector<Mark>, Sentence> inOrder(const Scale& scale, std::vector<Mark> readings) {
    for (const Mark& mark : readings) {
        if (!(mark.fraction >= 0.0 && mark.fraction <= 1.0)) return tl::unexpected(say("a reading lies off the dial"));
        if (!(mark.value >= scale.min && mark.value <= scale.max))
            return tl::unexpected(say("{} at {} is nothing this knob can be; it goes from {} to {}",
                                      scale.text(mark.value), clockHand(mark.fraction), scale.text(scale.min),
                                      scale.text(scale.max)));
    }
    std::ranges::stable_sort(readings, {}, &Mark::fraction);
    std::vector<Mark> out;
    for (std::size_t i = 0; i < readings.size();) {
        std::size_t end = i;
        double sum = 0.0;
        while (end < readings.size() && readings[end].fraction - readings[i].fraction < kSamePlace)
            sum += readings[end++].value;
        const auto [low, high] = std::minmax_element(readings.begin() + static_cast<std::ptrdiff_t>(i),
                                                     readings.begin() + static_cast<std::ptrdiff_t>(end),
                                                     [](const Mark& a, const Mark& b) { return a.value < b.value; });
        if (high->value - low->value > kSameValue * std::max(std::abs(high->value), std::abs(low->value)))
            return tl::unexpected(say("two readings contradict each other: at {} both {} and {}; take one out",
                                      clockHand(readings[i].fraction), scale.text(low->value),
                                      scale.text(high->value)));
        out.push_back({readings[i].fraction, sum / static_cast<double>(end - i)});
        i = end;
    }
    for (std::size_t i = 1; i < out.size(); ++i)
        if (out[i].value < out[i - 1].value)
            return tl::unexpected(say("two readings contradict each other: {} at {} and less, {}, further on at {}; a "
                                      "knob's value rises as it is turned",
                                      scale.text(out[i - 1].value), clockHand(out[i - 1].fraction),
                                      scale.text(out[i].value), clockHand(out[i].fraction)));
    if (out.size() < 2 || out.back().value <= out.front().value)
        return tl::unexpected(say("it takes readings of two places at least, with two values"));
    return out;
}

} // namespace

double alongMarks(const std::vector<Mark>& marks, double fraction, bool ratios) {
    if (fraction <= marks.front().fraction) return marks.front().value;
    if (fraction >= marks.back().fraction) return marks.back().value;
    const auto next = std::ranges::upper_bound(marks, fraction, {}, &Mark::fraction);
    const auto i = static_cast<std::size_t>(next - marks.begin()) - 1;
    const auto shaped = [ratios](double v) { return ratios ? std::log(v) : v; };
    const double width = marks[i + 1].fraction - marks[i].fraction;
    const double t = (fraction - marks[i].fraction) / width;
    const double u = 1.0 - t;
    const double value = u * u * (1.0 + 2.0 * t) * shaped(marks[i].value) +
                         t * t * (3.0 - 2.0 * t) * shaped(marks[i + 1].value) +
                         width * (t * u * u * slopeAt(marks, i, shaped) - t * t * u * slopeAt(marks, i + 1, shaped));
    return ratios ? std::exp(value) : value;
}

double backAlongMarks(const std::vector<Mark>& marks, double value, bool ratios) {
    if (value <= marks.front().value) return marks.front().fraction;
    if (value >= marks.back().value) return marks.back().fraction;
    double low = marks.front().fraction;
    double high = marks.back().fraction;
    for (int i = 0; i < 60; ++i) {
        const double middle = 0.5 * (low + high);
        (alongMarks(marks, middle, ratios) < value ? low : high) = middle;
    }
    return 0.5 * (low + high);
}

double Calibrated::worst() const {
    double out = 0.0;
    for (const double minutes : offMinutes) out = std::max(out, std::abs(minutes));
    return out;
}

tl::expected<Calibrated, Sentence> calibrate(const Scale& scale, const std::vector<Mark>& readings,
                                             std::optional<Law> law) {
    if (scale.taper == Taper::Switch || !scale.words.empty())
        return tl::unexpected(say("a switch has positions, not a scale"));
    if (readings.size() > kMostReadings) return tl::unexpected(say("{} readings are the most", kMostReadings));
    auto sorted = inOrder(scale, readings);
    if (!sorted) return tl::unexpected(sorted.error());
    const bool ratios = scale.taper == Taper::Log && allPositive(*sorted);
    Calibrated out;
    out.readings = std::move(*sorted);
    out.law = law.value_or(bestLaw(out.readings, ratios));
    const auto curve = fitted(out.law, out.readings, ratios);
    if (!curve)
        return tl::unexpected(
            out.law == Law::Logarithmic
                ? say("these readings have no logarithmic law; it takes three places at least")
                : say("these readings have no such law; values that are not above zero have no ratios"));
    out.scale = scale;
    out.scale.marks.clear();
    const auto add = [&](double at) {
        const double value = std::clamp((*curve)(at), scale.min, scale.max);
        if (out.scale.marks.empty() || at > out.scale.marks.back().fraction) out.scale.marks.push_back({at, value});
    };
    if (out.law == Law::Points) {
        add(0.0);
        for (const Mark& mark : out.readings) add(mark.fraction);
        add(1.0);
    } else {
        for (int i = 0; i < kSampled; ++i) add(static_cast<double>(i) / (kSampled - 1));
    }
    for (const Mark& mark : out.readings) {
        out.off.push_back(mark.value - out.scale.toValue(mark.fraction));
        out.offMinutes.push_back(600.0 * (mark.fraction - out.scale.toFraction(mark.value)));
    }
    return out;
}

const char* lawName(Law law) {
    constexpr std::array<const char*, kLaws> kNames = {"linear", "exponential", "logarithmic", "points"};
    return kNames[static_cast<std::size_t>(law)];
}

std::optional<Law> lawNamed(std::string_view name) {
    for (int i = 0; i < kLaws; ++i)
        if (name == lawName(static_cast<Law>(i))) return static_cast<Law>(i);
    return std::nullopt;
}

} // namespace lariat
