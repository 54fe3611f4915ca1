#include "ask/parts.h"

#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {

std::string voltsText(double volts) {
    if (std::abs(volts) < 0.0005) return "0 V";
    return std::abs(volts) < 0.1 ? fmt::format("{:+.0f} mV", 1e3 * volts) : fmt::format("{:+.2f} V", volts);
}

std::string timeText(double seconds) {
    const double size = std::abs(seconds);
    if (size < 1e-3) return fmt::format("{:.0f} µs", 1e6 * seconds);
    if (size < 0.01) return fmt::format("{:.2f} ms", 1e3 * seconds);
    if (size < 0.1) return fmt::format("{:.1f} ms", 1e3 * seconds);
    return size < 1.0 ? fmt::format("{:.0f} ms", 1e3 * seconds) : fmt::format("{:.2f} s", seconds);
}

std::string hertzText(double hertz) {
    if (hertz >= 1000.0) return fmt::format("{:.2f} kHz", 1e-3 * hertz);
    if (hertz >= 20.0) return fmt::format("{:.1f} Hz", hertz);
    return fmt::format("{:.3f} Hz", hertz);
}

std::string noteText(double hertz) {
    return fmt::format("{} · {}", hertzText(hertz), pitchText({hertz}));
}

std::string decibelText(double decibels) {
    return fmt::format("{:.1f} dB", decibels);
}

std::string centsText(double cents) {
    return fmt::format("{:+.{}f} cents", cents, std::abs(cents) < 10.0 ? 1 : 0);
}

std::string percentText(double percent) {
    return fmt::format("{:.{}f} %", percent, percent < 0.1 ? 2 : percent < 10.0 ? 1 : 0);
}

void addFigure(Answer& answer, std::string id, Sentence name, std::string text, std::optional<double> value, int track,
               bool bad) {
    if (track >= 0 && answer.tracks.size() > 1) id += fmt::format("-{}", track + 1);
    answer.figures.push_back({std::move(id), std::move(name), std::move(text), value, track, bad});
}

std::vector<MinMax> columnsOf(std::span<const float> volts, std::size_t columns) {
    std::vector<MinMax> out;
    if (volts.empty()) return out;
    for (std::size_t c = 0; c < columns; ++c) {
        const std::size_t begin = c * volts.size() / columns;
        const std::size_t end = std::max(begin + 1, (c + 1) * volts.size() / columns);
        const auto [low, high] = std::ranges::minmax_element(volts.subspan(begin, std::min(end, volts.size()) - begin));
        out.push_back({*low, *high});
    }
    return out;
}

std::span<const float> samplesFrom(const Trace& track, double from) {
    const auto skip = std::min(track.volts.size(), static_cast<std::size_t>(std::max(0.0, from) * track.rate));
    return std::span<const float>(track.volts).subspan(skip);
}

PlotAxis voltAxis(double low, double high) {
    const double size = std::max({0.01, std::abs(low), std::abs(high)});
    const double unit = std::pow(10.0, std::floor(std::log10(size)));
    double end = 10.0 * unit;
    for (const double round : {1.0, 1.5, 2.0, 3.0, 4.0, 5.0, 6.0, 8.0})
        if (size <= round * unit * 1.02) {
            end = round * unit;
            break;
        }
    return {"V", low > -0.02 * end ? -0.06 * end : -end, high < 0.02 * end ? 0.06 * end : end, false};
}

} // namespace lariat
