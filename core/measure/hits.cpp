#include "measure/hits.h"

#include "measure/fourier.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Dense>

namespace lariat {
namespace {

constexpr double kTwoPi = 6.28318530717958647692;
constexpr double kCompared = 0.2;    ///< seconds
constexpr double kWindow = 0.005;    ///< seconds
constexpr double kBeginning = 0.005; ///< seconds
constexpr double kMostLate = 0.002;  ///< by which a hit may be late
constexpr double kClickFrom = 200.0;
constexpr std::size_t kFitted = 6000; ///< samples of a fit; more are thinned out

double rms(std::span<const float> volts) {
    return measureLevel(volts).rms.value;
}

/// What is above a frequency, by FFT: a fourth-order slope, without shifting anything in time.
std::vector<float> above(std::span<const float> volts, double rate, double hertz) {
    std::vector<float> padded(fastSize(2 * volts.size()), 0.0f);
    std::ranges::copy(volts, padded.begin());
    auto bins = transform(padded);
    const double step = rate / static_cast<double>(padded.size());
    for (std::size_t b = 0; b < bins.size(); ++b) {
        const double x = std::pow(step * static_cast<double>(b) / hertz, 8.0);
        bins[b] *= static_cast<float>(x / (1.0 + x) / static_cast<double>(padded.size()));
    }
    auto out = inverse(std::move(bins), padded.size());
    out.resize(volts.size());
    return out;
}

/// Seconds from the loudest place of an envelope until it stays below a part of it; nothing if it never does.
std::optional<double> downBy(std::span<const float> envelope, double rate, double part) {
    if (envelope.empty()) return std::nullopt;
    const auto loudest = std::max_element(envelope.begin(), envelope.end());
    const auto limit = static_cast<float>(part * static_cast<double>(*loudest));
    for (std::size_t i = envelope.size(); i-- > 0;)
        if (envelope[i] >= limit) {
            if (i + 1 == envelope.size()) return std::nullopt;
            return static_cast<double>(i + 1 - static_cast<std::size_t>(loudest - envelope.begin())) / rate;
        }
    return std::nullopt;
}

/// T60 from the slope of an envelope behind its loudest place: the line through its logarithm from 3 to 45 dB below, as
/// far as it goes. Its last part is left out, where the transform sees the end. Nothing below 15 dB of fall.
std::optional<double> t60BySlope(std::span<const float> envelope, double rate) {
    const auto loudest = std::max_element(envelope.begin(), envelope.end());
    const auto behind = envelope.subspan(static_cast<std::size_t>(loudest - envelope.begin()));
    double n = 0.0;
    double times = 0.0;
    double levels = 0.0;
    double square = 0.0;
    double product = 0.0;
    for (std::size_t i = 0; i < 14 * behind.size() / 15; i += 8) {
        const double decibels = 20.0 * std::log10(std::max(1e-9, static_cast<double>(behind[i] / *loudest)));
        if (decibels > -3.0) continue;
        if (decibels < -45.0) break;
        const double t = static_cast<double>(i) / rate;
        n += 1.0;
        times += t;
        levels += decibels;
        square += t * t;
        product += t * decibels;
    }
    if (n < 8.0) return std::nullopt;
    const double slope = (n * product - times * levels) / (n * square - times * times);
    if (slope >= 0.0 || -slope * static_cast<double>(behind.size()) / rate < 15.0) return std::nullopt;
    return -60.0 / slope;
}

/// The sine that a hit comes to rest in: over the last part of what is above -40 dB of its loudest.
std::optional<double> tailOf(std::span<const float> volts, std::span<const float> envelope, double rate) {
    const auto loudest = std::max_element(envelope.begin(), envelope.end());
    const auto limit = 0.01f * *loudest;
    std::size_t end = envelope.size();
    while (end > 0 && envelope[end - 1] < limit) --end;
    const auto begin = static_cast<std::size_t>(loudest - envelope.begin());
    if (end < begin + 32) return std::nullopt;
    // Passages through zero say about where it lies; their last ones, where a fallen pitch has come to rest.
    std::vector<std::size_t> zeros;
    for (std::size_t i = begin + 1; i < end; ++i)
        if (volts[i - 1] < 0.0f && volts[i] >= 0.0f) zeros.push_back(i);
    if (zeros.size() < 3) return std::nullopt;
    const std::size_t used = std::min<std::size_t>(zeros.size(), std::max<std::size_t>(4, zeros.size() / 2));
    const std::size_t first = zeros[zeros.size() - used];
    const double near = rate * static_cast<double>(used - 1) / static_cast<double>(zeros.back() - first);
    const auto fit = fitDampedSine(volts.subspan(first, end - first), rate, near);
    if (!fit || fit->unlike > 0.35 || fit->hertz < 15.0) return std::nullopt;
    return fit->hertz;
}

} // namespace

std::vector<float> envelopeOf(std::span<const float> volts) {
    const std::size_t n = volts.size();
    if (n == 0) return {};
    const auto mean = static_cast<float>(measureLevel(volts).mean.value);
    std::vector<float> padded(fastSize(n + 1024), 0.0f);
    for (std::size_t i = 0; i < n; ++i) padded[i] = volts[i] - mean;
    const std::vector<float> centred(padded.begin(), padded.begin() + static_cast<std::ptrdiff_t>(n));
    auto bins = transform(std::move(padded));
    const std::size_t size = 2 * (bins.size() - 1);
    for (auto& bin : bins) bin = std::complex<float>(bin.imag(), -bin.real()) / static_cast<float>(size);
    bins.front() = bins.back() = 0.0f;
    const auto quadrature = inverse(std::move(bins), size);
    std::vector<float> out(n);
    for (std::size_t i = 0; i < n; ++i) out[i] = std::hypot(centred[i], quadrature[i]);
    return out;
}

std::optional<DampedSine> fitDampedSine(std::span<const float> volts, double rate, double near) {
    const double seconds = static_cast<double>(volts.size()) / rate;
    if (near <= 0.0 || volts.size() < 16 || seconds * near < 1.5) return std::nullopt;
    const std::size_t step = std::max<std::size_t>(1, volts.size() / kFitted);
    if (near * static_cast<double>(step) > 0.2 * rate) return std::nullopt;
    std::vector<double> t;
    std::vector<double> x;
    double power = 0.0;
    for (std::size_t i = 0; i < volts.size(); i += step) {
        t.push_back(static_cast<double>(i) / rate);
        x.push_back(static_cast<double>(volts[i]));
        power += x.back() * x.back();
    }
    if (power < 1e-12) return std::nullopt;
    // Given frequency and fall, the rest is linear: a sine, a cosine, and DC.
    const auto count = static_cast<Eigen::Index>(t.size());
    Eigen::MatrixXd basis(count, 3);
    const Eigen::Map<const Eigen::VectorXd> wanted(x.data(), count);
    Eigen::Vector3d parts;
    Eigen::VectorXd left;
    const auto solve = [&](double hertz, double fall) {
        for (Eigen::Index i = 0; i < count; ++i) {
            const double at = t[static_cast<std::size_t>(i)];
            const double size = std::exp(-fall * at);
            basis(i, 0) = size * std::cos(kTwoPi * hertz * at);
            basis(i, 1) = size * std::sin(kTwoPi * hertz * at);
            basis(i, 2) = 1.0;
        }
        parts = (basis.transpose() * basis).ldlt().solve(basis.transpose() * wanted);
        left = wanted - basis * parts;
        return left.squaredNorm();
    };
    double hertz = near;
    double fall = 2.0 / seconds;
    double best = solve(hertz, fall);
    double damping = 1e-3;
    for (int round = 0; round < 40; ++round) {
        Eigen::MatrixXd slope(count, 5);
        for (Eigen::Index i = 0; i < count; ++i) {
            const double at = t[static_cast<std::size_t>(i)];
            const double turned = parts(1) * basis(i, 0) - parts(0) * basis(i, 1);
            slope(i, 0) = kTwoPi * at * turned;
            slope(i, 1) = -at * (parts(0) * basis(i, 0) + parts(1) * basis(i, 1));
            slope.block<1, 3>(i, 2) = basis.row(i);
        }
        Eigen::Matrix<double, 5, 5> normal = slope.transpose() * slope;
        for (Eigen::Index d = 0; d < 5; ++d) normal(d, d) *= 1.0 + damping;
        const Eigen::Matrix<double, 5, 1> move = normal.ldlt().solve(slope.transpose() * left);
        const double tryHertz = std::clamp(hertz + move(0), 0.5 * near, 2.0 * near);
        const double tryFall = std::clamp(fall + move(1), -20.0 / seconds, 200.0 / seconds);
        const double found = solve(tryHertz, tryFall);
        if (found < best) {
            const bool settled = std::abs(tryHertz / hertz - 1.0) < 1e-9 && best - found < 1e-9 * best;
            best = found;
            hertz = tryHertz;
            fall = tryFall;
            damping = std::max(1e-9, 0.1 * damping);
            if (settled) break;
        } else {
            (void)solve(hertz, fall);
            damping *= 10.0;
            if (damping > 1e6) break;
        }
    }
    const double steady = wanted.mean();
    const double alternating = power - steady * steady * static_cast<double>(count);
    return DampedSine{hertz, fall == 0.0 ? 1e9 : 1.0 / fall, std::hypot(parts(0), parts(1)),
                      std::sqrt(best / std::max(1e-12, alternating))};
}

std::vector<double> onsets(std::span<const float> volts, double rate) {
    constexpr double hopSeconds = 0.001;
    constexpr std::size_t back = 20; // hops that it is louder than
    constexpr std::size_t apart = 50;
    const auto hop = std::max<std::size_t>(1, static_cast<std::size_t>(hopSeconds * rate));
    const std::vector<float> envelope = envelopeOf(volts);
    std::vector<float> levels;
    for (std::size_t at = 0; at + hop <= envelope.size(); at += hop)
        levels.push_back(*std::max_element(envelope.begin() + static_cast<std::ptrdiff_t>(at),
                                           envelope.begin() + static_cast<std::ptrdiff_t>(at + hop)));
    std::vector<double> out;
    if (levels.empty()) return out;
    const float loudest = *std::ranges::max_element(levels);
    if (loudest < 1e-4f) return out;
    std::size_t last = 0;
    for (std::size_t i = 0; i < levels.size(); ++i) {
        const float before = i < back ? 0.0f : levels[i - back];
        if (levels[i] < 0.25f * loudest || levels[i] < 2.0f * before || (!out.empty() && i < last + apart)) continue;
        // To the sample: where it first leaves what was there before.
        const float quiet = std::max(2.0f * before, 0.05f * loudest);
        std::size_t sample = i < back ? 0 : (i - back) * hop;
        while (sample + 1 < volts.size() && sample < (i + 11) * hop && std::abs(volts[sample]) < quiet) ++sample;
        out.push_back(static_cast<double>(sample) / rate);
        last = i;
    }
    return out;
}

std::vector<HitReading> measureHits(std::span<const float> volts, double rate, std::span<const double> triggers) {
    std::vector<HitReading> out;
    const auto place = [&](double seconds) {
        return std::min(volts.size(), static_cast<std::size_t>(std::max(0.0, std::round(seconds * rate))));
    };
    double loudest = 0.0;
    for (std::size_t h = 0; h < triggers.size(); ++h) {
        HitReading hit;
        hit.at = triggers[h];
        const std::size_t begin = place(triggers[h]);
        std::size_t end = volts.size();
        if (h + 1 < triggers.size()) { // what is cut where it sounds has begun a little before
            end = place(triggers[h + 1]);
            end -= std::min(static_cast<std::size_t>(kBeginning * rate), (end - std::min(end, begin)) / 20);
        }
        end = std::min(end, begin + static_cast<std::size_t>(kLongestHit * rate));
        if (end < begin + static_cast<std::size_t>(0.02 * rate)) continue; // no room
        hit.volts = volts.subspan(begin, end - begin);
        hit.peak = measureLevel(hit.volts).peak().value;
        loudest = std::max(loudest, hit.peak);
        out.push_back(hit);
    }
    std::erase_if(out, [&](const HitReading& hit) { return hit.peak < 0.001 * loudest || hit.peak < 1e-4; });
    if (out.empty()) return out;
    std::size_t compared = static_cast<std::size_t>(kCompared * rate);
    for (const HitReading& hit : out) compared = std::min(compared, hit.volts.size());
    const std::span<const float> first = out.front().volts.first(compared);
    const double whole = std::max(1e-9, rms(first));
    for (HitReading& hit : out) {
        const auto part = hit.volts.first(std::min(hit.volts.size(), static_cast<std::size_t>(0.1 * rate)));
        hit.level = rms(part);
        const std::vector<float> envelope = envelopeOf(hit.volts);
        const auto top = std::max_element(envelope.begin(), envelope.end());
        hit.attack = static_cast<double>(top - envelope.begin()) / rate;
        hit.t20 = downBy(envelope, rate, 0.1);
        hit.t60 = downBy(envelope, rate, 0.001);
        hit.t60Reached = hit.t60.has_value();
        if (!hit.t60) hit.t60 = t60BySlope(envelope, rate);
        if (rate > 4.0 * kClickFrom) {
            const std::vector<float> high = above(hit.volts, rate, kClickFrom);
            const std::vector<float> hull = envelopeOf(high);
            if (const auto time = downBy(hull, rate, 0.1))
                hit.click = *time + static_cast<double>(std::ranges::max_element(hull) - hull.begin()) / rate;
        }
        hit.tail = tailOf(hit.volts, envelope, rate);
        // Against the first: as it comes, and where it would have to be put to be most like it.
        const std::span<const float> own = hit.volts.first(compared);
        double sum = 0.0;
        double most = 0.0;
        const auto window = std::max<std::size_t>(1, static_cast<std::size_t>(kWindow * rate));
        for (std::size_t at = 0; at < compared; at += window) {
            double here = 0.0;
            for (std::size_t i = at; i < std::min(compared, at + window); ++i)
                here += std::pow(static_cast<double>(own[i] - first[i]), 2);
            sum += here;
            if (here > most) {
                most = here;
                hit.differsAt = static_cast<double>(at) / rate;
            }
        }
        hit.differs = 100.0 * std::sqrt(sum / static_cast<double>(compared)) / whole;
        hit.louder = 20.0 * std::log10(std::max(1e-6, rms(own) / whole));
        // Where it would have to be put to be most like the first.
        const auto farthest = static_cast<long>(kMostLate * rate);
        double best = -1.0;
        for (long shift = -farthest; shift <= farthest; ++shift) {
            double product = 0.0;
            double power = 1e-12;
            for (long i = std::max(0L, -shift); i < static_cast<long>(compared) - std::max(0L, shift); i += 2) {
                const auto there = static_cast<double>(own[static_cast<std::size_t>(i + shift)]);
                product += static_cast<double>(first[static_cast<std::size_t>(i)]) * there;
                power += there * there;
            }
            if (product / std::sqrt(power) > best) {
                best = product / std::sqrt(power);
                hit.late = static_cast<double>(shift) / rate;
            }
        }
    }
    return out;
}

} // namespace lariat
