#include "measure/pitch_line.h"

#include <algorithm>
#include <cmath>
#include <complex>

namespace lariat {
namespace {

constexpr double kFrame = 0.04; ///< seconds
constexpr double kEnoughRate = 24000.0;
constexpr double kHeld = 15.0; ///< cents from one point to the next; less is a held pitch
constexpr double kShortestGlide = 0.03;
constexpr double kLeastVibrato = 2.0; ///< cents
constexpr double kTwoPi = 6.28318530717958647692;

double centsBetween(double a, double b) {
    return 1200.0 * std::log2(b / a);
}

/// Every second sample, each smoothed with its neighbours (1 2 1).
std::vector<float> halved(std::span<const float> volts) {
    std::vector<float> out(volts.size() / 2);
    for (std::size_t i = 0; i < out.size(); ++i) {
        const float before = i > 0 ? volts[2 * i - 1] : volts[0];
        out[i] = 0.25f * (before + 2.0f * volts[2 * i] + volts[2 * i + 1]);
    }
    return out;
}

} // namespace

std::vector<PitchPoint> pitchLine(std::span<const float> whole, double rate, const PitchLineOptions& options,
                                  const std::function<bool(double)>& goesOn) {
    std::vector<PitchPoint> out;
    // Pitches end far below what a high rate holds; a quarter of the samples costs a quarter of the time.
    std::vector<float> thinned;
    std::span<const float> volts = whole;
    while (rate >= 2.0 * kEnoughRate) {
        thinned = halved(volts);
        volts = thinned;
        rate *= 0.5;
    }
    const double seconds = static_cast<double>(volts.size()) / rate;
    const double hop = std::max(options.hop, seconds / static_cast<double>(options.most));
    const auto samples = [&](double time) { return static_cast<std::size_t>(time * rate); };
    const std::size_t usual = std::max<std::size_t>(64, samples(kFrame));
    const std::size_t longest = std::max(usual, samples(4.5 / options.lowest));
    for (double at = 0.5 * kFrame; at < seconds; at += hop) {
        const auto around = [&](std::size_t size) {
            const std::size_t middle = samples(at);
            const std::size_t begin = middle > size / 2 ? middle - size / 2 : 0;
            return volts.subspan(begin, std::min(size, volts.size() - begin));
        };
        PitchPoint point{at, 0.0, 0.0, 0.0};
        const auto frame = around(usual);
        const LevelReading level = measureLevel(frame);
        point.level = level.alternating().value;
        auto pitch = measurePitch(frame, rate, {1e-3});
        if ((!pitch || pitch->clarity < 0.9) && longest > usual)
            if (const auto wider = measurePitch(around(longest), rate, {1e-3});
                wider && (!pitch || wider->clarity > pitch->clarity))
                pitch = wider;
        if (pitch && pitch->hertz.value >= options.lowest) {
            point.hertz = pitch->hertz.value;
            point.clarity = pitch->clarity;
        }
        out.push_back(point);
        if (goesOn && !goesOn(at / seconds)) return {};
    }
    return out;
}

std::optional<Vibrato> vibratoOf(std::span<const PitchPoint> line) {
    std::vector<double> cents;
    std::vector<double> times;
    for (const PitchPoint& point : line)
        if (point.clear()) {
            cents.push_back(1200.0 * std::log2(point.hertz));
            times.push_back(point.at);
        }
    if (cents.size() < 20) return std::nullopt;
    std::vector<double> sorted = cents;
    std::ranges::sort(sorted);
    const double middle = sorted[sorted.size() / 2];
    if (sorted[sorted.size() * 19 / 20] - sorted[sorted.size() / 20] > 200.0) return std::nullopt;
    double mean = 0.0;
    for (double& c : cents) {
        c = std::clamp(c - middle, -150.0, 150.0);
        mean += c / static_cast<double>(cents.size());
    }
    Vibrato best;
    const double hop = (times.back() - times.front()) / static_cast<double>(times.size() - 1);
    double whole = 0.0;
    for (const double c : cents) whole += (c - mean) * (c - mean) / static_cast<double>(cents.size());
    for (double hertz = 2.0; hertz <= std::min(12.0, 0.4 / hop); hertz += 0.05) {
        std::complex<double> sum = 0.0;
        double weights = 0.0;
        for (std::size_t i = 0; i < cents.size(); ++i) {
            const double window =
                0.5 - 0.5 * std::cos(kTwoPi * (times[i] - times.front()) / (times.back() - times.front() + hop));
            sum += window * (cents[i] - mean) * std::polar(1.0, -kTwoPi * hertz * times[i]);
            weights += window;
        }
        const double size = 2.0 * std::abs(sum) / weights;
        // A frame of 40 ms evens out what sways within it.
        const double x = kTwoPi / 2.0 * hertz * kFrame;
        const double cents2 = size / std::max(0.3, std::sin(x) / x);
        if (cents2 > best.cents) best = {hertz, cents2};
    }
    // Most of what moves is this sway.
    if (best.cents < kLeastVibrato || 0.5 * best.cents * best.cents < 0.4 * whole) return std::nullopt;
    return best;
}

std::vector<Glide> glidesOf(std::span<const PitchPoint> line) {
    std::vector<Glide> out;
    std::size_t i = 1;
    while (i < line.size()) {
        const auto moves = [&](std::size_t n) {
            return n < line.size() && line[n].hertz > 0.0 && line[n - 1].hertz > 0.0 &&
                   std::abs(centsBetween(line[n - 1].hertz, line[n].hertz)) > kHeld;
        };
        if (!moves(i)) {
            ++i;
            continue;
        }
        const std::size_t begin = i - 1;
        const bool up = line[i].hertz > line[begin].hertz;
        while (moves(i) && (line[i].hertz > line[i - 1].hertz) == up) ++i;
        const std::size_t end = i - 1;
        const double seconds = line[end].at - line[begin].at;
        const bool held = begin >= 2 && !moves(begin) && !moves(begin - 1) && end + 2 < line.size() &&
                          !moves(end + 1) && !moves(end + 2);
        // A frame that a step falls into is read halfway: what is over within one frame is a step.
        if (held && seconds > kFrame + kShortestGlide &&
            std::abs(centsBetween(line[begin].hertz, line[end].hertz)) > 40.0)
            out.push_back({line[begin].hertz, line[end].hertz, line[begin].at, seconds});
    }
    return out;
}

} // namespace lariat
