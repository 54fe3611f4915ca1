#include "support/analysis.h"

#include "engine/resampler.h"
#include "measure/measure.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <cstdlib>
#include <fstream>
#include <map>
#include <utility>

#include <fmt/format.h>

namespace lariat::test {

std::vector<float> atFileRate(const std::vector<float>& volts) {
    std::vector<float> both;
    for (const float v : volts) both.insert(both.end(), {v, v});
    std::vector<float> out(volts.size(), 0.0f);
    Resampler resampler(96000.0, 48000.0);
    bool given = false;
    const auto frames = resampler.fill(out, [&]() -> std::span<const float> {
        if (std::exchange(given, true)) return {};
        return both;
    });
    std::vector<float> mono;
    for (std::size_t i = 4800; i < frames; ++i) mono.push_back(out[2 * i]);
    return mono;
}

double aliasFloor(const std::vector<float>& volts, double hertz, double rate) {
    const Spectrum spectrum = measureSpectrum(volts, rate);
    double fundamental = 0.0; // the strongest of the first harmonics: a synced wave may have a weak one
    for (int n = 1; n <= 8; ++n) fundamental = std::max(fundamental, spectrum.at(hertz * n));
    double loudest = 0.0;
    const double guard = 8.0 * spectrum.binHertz;
    for (std::size_t bin = 1; bin < spectrum.amplitude.size(); ++bin) {
        const double f = static_cast<double>(bin) * spectrum.binHertz;
        if (f < 20.0 || f > 18000.0) continue;
        const double off = std::abs(f - hertz * std::round(f / hertz));
        if (off > guard && f > guard) loudest = std::max(loudest, static_cast<double>(spectrum.amplitude[bin]));
    }
    return toDecibels(loudest / fundamental).value;
}

double amplitudeOf(const std::vector<float>& volts, double hertz, double rate, double lastSeconds) {
    std::complex<double> sum = 0.0;
    const auto cycles = std::floor(lastSeconds * hertz);
    const auto length = static_cast<std::size_t>(cycles / hertz * rate);
    const std::size_t start = volts.size() - length;
    double window = 0.0;
    for (std::size_t i = 0; i < length; ++i) {
        const double w = 0.5 - 0.5 * std::cos(2.0 * kPi * (static_cast<double>(i) + 0.5) / static_cast<double>(length));
        sum += w * static_cast<double>(volts[start + i]) *
               std::polar(1.0, -2.0 * kPi * hertz * static_cast<double>(start + i) / rate);
        window += w;
    }
    return 2.0 * std::abs(sum) / window;
}

std::vector<float> part(const std::vector<float>& volts, double from, double to, double rate) {
    const auto at = [&](double seconds) {
        return volts.begin() + std::min<std::ptrdiff_t>(std::ssize(volts), std::lround(seconds * rate));
    };
    return {at(from), at(to)};
}

double meanOf(std::span<const float> volts) {
    return measureLevel(volts).mean.value;
}

double peakOf(std::span<const float> volts) {
    return measureLevel(volts).peak().value;
}

double pitchOf(std::span<const float> volts, double rate) {
    const auto pitch = measurePitch(volts, rate);
    return pitch ? pitch->hertz.value : 0.0;
}

namespace {

class WorstValues {
  public:
    void see(const char* block, const char* what, double value, const char* unit) {
        auto& entry = all_[{block, what}];
        entry.first = std::max(entry.first, std::abs(value));
        entry.second = unit;
    }
    ~WorstValues() {
        for (const auto& [name, entry] : all_)
            figure(name.first.c_str(), fmt::format("{} within {:.2g} {}", name.second, entry.first, entry.second));
    }

  private:
    std::map<std::pair<std::string, std::string>, std::pair<double, std::string>> all_;
};

} // namespace

void worst(const char* block, const char* what, double value, const char* unit) {
    static WorstValues values;
    values.see(block, what, value, unit);
}

void figure(const char* block, const std::string& text) {
    if (const char* file = std::getenv("LARIAT_FIGURES"))
        std::ofstream(file, std::ios::app) << block << '\t' << text << '\n';
}

} // namespace lariat::test
