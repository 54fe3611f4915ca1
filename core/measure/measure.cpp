#include "measure/measure.h"

#include "measure/fourier.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <functional>

namespace lariat {
namespace {

constexpr double kTwoPi = 6.28318530717958647692;

/// Phase of a partial in a Hann-windowed piece. Window and partial are turned on from sample to sample, which costs a
/// tenth of asking for their sines and is off by less than 10⁻¹⁰ after a million.
double phaseOf(std::span<const float> x, double turnsPerSample, std::size_t start, std::size_t length) {
    const double share = 1.0 / static_cast<double>(length);
    const std::complex<double> windowStep = std::polar(1.0, kTwoPi * share);
    const std::complex<double> step = std::polar(1.0, -kTwoPi * turnsPerSample);
    std::complex<double> window = std::polar(1.0, 0.5 * kTwoPi * share);
    std::complex<double> turned = std::polar(1.0, -kTwoPi * turnsPerSample * static_cast<double>(start));
    const auto times = [](std::complex<double> a,
                          std::complex<double> b) { // without the standard's care for infinities
        return std::complex<double>(a.real() * b.real() - a.imag() * b.imag(),
                                    a.real() * b.imag() + a.imag() * b.real());
    };
    std::complex<double> sum = 0.0;
    for (std::size_t i = 0; i < length; ++i) {
        sum += (0.5 - 0.5 * window.real()) * static_cast<double>(x[start + i]) * turned;
        window = times(window, windowStep);
        turned = times(turned, step);
    }
    return std::arg(sum);
}

/// Betters a pitch by how far the fundamental's phase drifts between the two halves. The autocorrelation is right to
/// half a sample of the period; a drift beyond that comes from a changing waveform, not from the pitch.
double refine(std::span<const float> x, double rate, double hertz) {
    const double start = hertz;
    int rounds = 0;
    const double farthest = 0.5 * hertz / rate;
    // The gap between the halves starts so short that the drift stays below half a turn, and grows with what is known.
    auto length = std::min(x.size(), static_cast<std::size_t>(std::max(8.0 / hertz, 0.8 / (farthest * hertz)) * rate));
    for (;;) {
        const double period = rate / hertz;
        const auto whole = static_cast<std::size_t>(std::floor(static_cast<double>(length) / 2.0 / period) * period);
        if (whole < 16) return hertz;
        const std::size_t gap = length - whole;
        const auto part = x.last(length);
        const double turns = hertz / rate;
        const double drift = std::remainder(phaseOf(part, turns, gap, whole) - phaseOf(part, turns, 0, whole), kTwoPi);
        const double better = hertz + drift / kTwoPi * rate / static_cast<double>(gap);
        if (std::abs(better / start - 1.0) > farthest) return start;
        const bool settled = length == x.size() && std::abs(better / hertz - 1.0) < 1e-7;
        hertz = better;
        if (settled || ++rounds == 12) return hertz;
        length = std::min(x.size(), 4 * length);
    }
}

} // namespace

void LevelMeter::add(std::span<const float> volts) {
    if (volts.empty()) return;
    const auto [low, high] = std::ranges::minmax_element(volts);
    min_ = count_ == 0 ? static_cast<double>(*low) : std::min(min_, static_cast<double>(*low));
    max_ = count_ == 0 ? static_cast<double>(*high) : std::max(max_, static_cast<double>(*high));
    for (const float v : volts) {
        sum_ += static_cast<double>(v);
        squares_ += static_cast<double>(v) * static_cast<double>(v);
    }
    count_ += volts.size();
}

LevelReading LevelMeter::reading() const {
    if (count_ == 0) return {};
    const double n = static_cast<double>(count_);
    return {{min_}, {max_}, {sum_ / n}, {std::sqrt(squares_ / n)}};
}

Volts LevelReading::alternating() const {
    return {std::sqrt(std::max(0.0, rms.value * rms.value - mean.value * mean.value))};
}

LevelReading measureLevel(std::span<const float> volts) {
    LevelMeter meter;
    meter.add(volts);
    return meter.reading();
}

std::optional<PitchReading> measurePitch(std::span<const float> volts, double rate, Volts quietest) {
    const std::size_t n = volts.size();
    if (n < 64) return std::nullopt;
    const LevelReading level = measureLevel(volts);
    std::vector<float> x(fastSize(2 * n), 0.0f);
    double power = 0.0;
    for (std::size_t i = 0; i < n; ++i) {
        x[i] = volts[i] - static_cast<float>(level.mean.value);
        power += static_cast<double>(x[i]) * static_cast<double>(x[i]);
    }
    if (std::sqrt(power / static_cast<double>(n)) < quietest.value) return std::nullopt;
    const std::vector<float> centred(x.begin(), x.begin() + static_cast<std::ptrdiff_t>(n));
    auto bins = transform(x);
    for (auto& bin : bins) bin = std::norm(bin);
    const std::vector<float> correlation = inverse(std::move(bins), x.size());
    // Normalised square difference: 2 r(lag) / m(lag), 1 for a perfect repeat.
    const auto size = static_cast<double>(x.size());
    double energy = 2.0 * power;
    std::vector<double> repeat(n / 4 + 2, 0.0);
    for (std::size_t lag = 0; lag < repeat.size(); ++lag) {
        if (lag > 0) {
            const auto head = static_cast<double>(centred[lag - 1]);
            const auto tail = static_cast<double>(centred[n - lag]);
            energy -= head * head + tail * tail;
        }
        repeat[lag] = energy > 1e-12 ? 2.0 * static_cast<double>(correlation[lag]) / size / energy : 0.0;
    }
    std::size_t lag = 1;
    while (lag + 1 < repeat.size() && repeat[lag] > 0.0) ++lag; // leave the peak at lag zero
    double best = 0.0;
    for (std::size_t i = lag; i + 1 < repeat.size(); ++i) best = std::max(best, repeat[i]);
    if (best < 0.6) return std::nullopt;
    for (; lag + 1 < repeat.size(); ++lag) {
        const bool peak = repeat[lag] >= repeat[lag - 1] && repeat[lag] > repeat[lag + 1];
        if (!peak || repeat[lag] < 0.9 * best) continue;
        const double bend = repeat[lag - 1] - 2.0 * repeat[lag] + repeat[lag + 1];
        const double shift = bend < 0.0 ? 0.5 * (repeat[lag - 1] - repeat[lag + 1]) / bend : 0.0;
        return PitchReading{{refine(centred, rate, rate / (static_cast<double>(lag) + shift))}, repeat[lag]};
    }
    return std::nullopt;
}

std::vector<double> risingEdges(std::span<const float> volts, double rate, double level) {
    std::vector<double> out;
    bool high = !volts.empty() && static_cast<double>(volts[0]) > level;
    for (std::size_t i = 1; i < volts.size(); ++i) {
        const auto now = static_cast<double>(volts[i]);
        if (!high && now > level) {
            const auto before = static_cast<double>(volts[i - 1]);
            const double part = now > before ? (now - level) / (now - before) : 0.0;
            out.push_back((static_cast<double>(i) - std::min(part, 1.0)) / rate);
            high = true;
        } else if (high && now < level - 0.25) {
            high = false;
        }
    }
    return out;
}

double longestHigh(std::span<const float> volts, double rate, double level) {
    std::size_t longest = 0;
    std::size_t length = 0;
    for (const float v : volts) {
        length = static_cast<double>(v) > level ? length + 1 : 0;
        longest = std::max(longest, length);
    }
    return static_cast<double>(longest) / rate;
}

double Spectrum::at(double hertz, int width) const {
    const auto centre = static_cast<long>(std::lround(hertz / binHertz));
    double largest = 0.0;
    for (long bin = centre - width; bin <= centre + width; ++bin)
        if (bin >= 0 && bin < static_cast<long>(amplitude.size()))
            largest = std::max(largest, static_cast<double>(amplitude[static_cast<std::size_t>(bin)]));
    return largest;
}

namespace {

/// The top of the parabola through three bins, as a part of a bin and as an amplitude.
std::pair<double, double> topOf(const std::vector<float>& amplitude, std::size_t bin) {
    if (bin == 0 || bin + 1 >= amplitude.size()) return {0.0, static_cast<double>(amplitude[bin])};
    const auto log = [&](std::size_t n) { return std::log(std::max(1e-12, static_cast<double>(amplitude[n]))); };
    const double a = log(bin - 1);
    const double b = log(bin);
    const double c = log(bin + 1);
    const double bend = a - 2.0 * b + c;
    const double shift = bend < 0.0 ? std::clamp(0.5 * (a - c) / bend, -0.5, 0.5) : 0.0;
    return {shift, std::exp(b - 0.25 * (a - c) * shift)};
}

} // namespace

double Spectrum::peakNear(double hertz, int width) const {
    const auto centre = static_cast<long>(std::lround(hertz / binHertz));
    long best = -1;
    for (long bin = centre - width; bin <= centre + width; ++bin)
        if (bin >= 0 && bin < static_cast<long>(amplitude.size()) &&
            (best < 0 || amplitude[static_cast<std::size_t>(bin)] > amplitude[static_cast<std::size_t>(best)]))
            best = bin;
    return best < 0 ? 0.0 : topOf(amplitude, static_cast<std::size_t>(best)).second;
}

std::vector<Spectrum::Partial> Spectrum::strongest(std::size_t most) const {
    std::vector<Partial> peaks;
    for (std::size_t bin = 1; bin + 1 < amplitude.size(); ++bin) {
        if (!(amplitude[bin] > amplitude[bin - 1] && amplitude[bin] >= amplitude[bin + 1])) continue;
        const auto [shift, size] = topOf(amplitude, bin);
        peaks.push_back({(static_cast<double>(bin) + shift) * binHertz, size});
    }
    std::ranges::sort(peaks, std::greater{}, &Partial::amplitude);
    // What lies within the main lobe of a louder one is its skirt.
    std::vector<Partial> out;
    for (const Partial& peak : peaks) {
        if (out.size() == most || peak.amplitude < 1e-4 * peaks.front().amplitude) break;
        const bool skirt = std::ranges::any_of(
            out, [&](const Partial& louder) { return std::abs(louder.hertz - peak.hertz) < 5.0 * binHertz; });
        if (!skirt) out.push_back(peak);
    }
    return out;
}

std::optional<PitchReading> measureTone(std::span<const float> sound, double rate) {
    const LevelReading level = measureLevel(sound);
    const double alternating = level.alternating().value;
    const auto pitch = measurePitch(sound, rate, {1e-4});
    if (!pitch || pitch->hertz.value < 20.0 || pitch->clarity < 0.9) return std::nullopt;
    // Of one tone nearly all lies at multiples of its pitch, and its first ones are not all missing.
    const Spectrum spectrum = measureSpectrum(sound, rate);
    if (spectrum.binHertz * 10.0 > pitch->hertz.value) return std::nullopt; // too short to tell
    double own = 0.0;
    double low = 0.0;
    for (int n = 1; n * pitch->hertz.value < rate / 2; ++n) {
        const double size = spectrum.peakNear(n * pitch->hertz.value, 2);
        own += 0.5 * size * size;
        if (n <= 3) low += 0.5 * size * size;
    }
    const double all = alternating * alternating;
    if (own < 0.8 * all || low < 0.05 * all) return std::nullopt;
    return pitch;
}

Spectrum measureSpectrum(std::span<const float> volts, double rate) {
    Spectrum out;
    if (volts.empty()) return out;
    const auto n = static_cast<double>(volts.size());
    std::vector<float> x(volts.begin(), volts.end());
    double gain = 0.0;
    for (std::size_t i = 0; i < x.size(); ++i) {
        const double t = kTwoPi * static_cast<double>(i) / n;
        const double window =
            0.35875 - 0.48829 * std::cos(t) + 0.14128 * std::cos(2.0 * t) - 0.01168 * std::cos(3.0 * t);
        gain += window;
        x[i] *= static_cast<float>(window);
    }
    out.binHertz = rate / n;
    for (const auto& bin : transform(std::move(x)))
        out.amplitude.push_back(static_cast<float>(2.0 * static_cast<double>(std::abs(bin)) / gain));
    return out;
}

} // namespace lariat
