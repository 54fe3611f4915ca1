#include "measure/formants.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>

#include <samplerate.h>

namespace lariat {
namespace {

constexpr double kRate = 10000.0;
constexpr std::size_t kOrder = 12;
constexpr double kPi = 3.14159265358979323846;

std::vector<double> broughtDown(std::span<const float> volts, double rate) {
    std::vector<float> out(static_cast<std::size_t>(static_cast<double>(volts.size()) * kRate / rate) + 64);
    SRC_DATA data{};
    data.data_in = volts.data();
    data.input_frames = static_cast<long>(volts.size());
    data.data_out = out.data();
    data.output_frames = static_cast<long>(out.size());
    data.src_ratio = kRate / rate;
    if (src_simple(&data, SRC_SINC_MEDIUM_QUALITY, 1) != 0) return {};
    out.resize(static_cast<std::size_t>(data.output_frames_gen));
    std::vector<double> raised(out.size());
    for (std::size_t i = 1; i < out.size(); ++i)
        raised[i] = static_cast<double>(out[i]) - 0.97 * static_cast<double>(out[i - 1]);
    for (std::size_t i = 0; i < raised.size(); ++i)
        raised[i] *=
            0.54 - 0.46 * std::cos(2.0 * kPi * static_cast<double>(i) / static_cast<double>(raised.size() - 1));
    return raised;
}

/// Coefficients a of the predictor 1 + Σ a(k) z^-k.
std::array<double, kOrder + 1> predictor(const std::vector<double>& x) {
    std::array<double, kOrder + 1> r{};
    for (std::size_t lag = 0; lag <= kOrder; ++lag)
        for (std::size_t i = lag; i < x.size(); ++i) r[lag] += x[i] * x[i - lag];
    std::array<double, kOrder + 1> a{};
    a[0] = 1.0;
    double error = r[0] * (1.0 + 1e-9);
    for (std::size_t m = 1; m <= kOrder && error > 0.0; ++m) {
        double sum = r[m];
        for (std::size_t k = 1; k < m; ++k) sum += a[k] * r[m - k];
        const double reflection = -sum / error;
        const auto before = a;
        for (std::size_t k = 1; k < m; ++k) a[k] = before[k] + reflection * before[m - k];
        a[m] = reflection;
        error *= 1.0 - reflection * reflection;
    }
    return a;
}

} // namespace

std::vector<Formant> measureFormants(std::span<const float> volts, double rate) {
    if (static_cast<double>(volts.size()) < 0.05 * rate) return {};
    const auto x = broughtDown(volts, rate);
    if (x.size() < 4 * kOrder) return {};
    const auto a = predictor(x);
    constexpr double step = 5.0;
    std::vector<double> envelope;
    for (double f = 150.0; f <= 4050.0; f += step) {
        std::complex<double> sum = 0.0;
        for (std::size_t k = 0; k <= kOrder; ++k)
            sum += a[k] * std::polar(1.0, -2.0 * kPi * f / kRate * static_cast<double>(k));
        envelope.push_back(-20.0 * std::log10(std::abs(sum) + 1e-12));
    }
    const double highest = *std::ranges::max_element(envelope);
    std::vector<Formant> formants;
    for (std::size_t i = 1; i + 1 < envelope.size(); ++i) {
        if (!(envelope[i] > envelope[i - 1] && envelope[i] >= envelope[i + 1])) continue;
        const double bend = envelope[i - 1] - 2.0 * envelope[i] + envelope[i + 1];
        const double shift = bend != 0.0 ? 0.5 * (envelope[i - 1] - envelope[i + 1]) / bend : 0.0;
        formants.push_back({150.0 + step * (static_cast<double>(i) + shift), envelope[i] - highest});
    }
    return formants;
}

} // namespace lariat
