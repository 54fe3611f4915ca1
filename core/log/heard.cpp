#include "log/heard.h"

#include "engine/render.h"
#include "measure/loudness.h"
#include "measure/pitch_track.h"
#include "units/level.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kHop = 0.005;         ///< seconds from one level to the next
constexpr int kHops = 5;               ///< that a level is taken over: a period of the lowest tones
constexpr double kHitRise = 2.0;       ///< a hit is twice as loud as 20 ms before it …
constexpr double kHitLevel = 0.25;     ///< … and a quarter of the loudest
constexpr double kDecayRatio = 0.1;    ///< -20 dB
constexpr double kTrebleFrom = 2000.0; ///< Hz
constexpr double kLowestBand = 25.0;   ///< Hz
constexpr double kSilentPeak = 1e-4;   ///< of full scale

std::vector<float> monoOf(std::span<const float> mix) {
    std::vector<float> out(mix.size() / 2);
    for (std::size_t i = 0; i < out.size(); ++i) out[i] = 0.5F * (mix[2 * i] + mix[2 * i + 1]);
    return out;
}

/// RMS over kHops, each kHop.
std::vector<double> levelsOf(std::span<const float> mono) {
    const auto hop = static_cast<std::size_t>(kHop * kTakeRate);
    std::vector<double> out;
    for (std::size_t at = 0; at + kHops * hop <= mono.size(); at += hop)
        out.push_back(measureLevel(mono.subspan(at, kHops * hop)).rms.value);
    return out;
}

std::optional<double> decayOf(std::span<const float> mono) {
    const std::vector<double> levels = levelsOf(mono);
    if (levels.empty()) return {};
    const double loudest = *std::ranges::max_element(levels);
    std::vector<std::size_t> hits;
    for (std::size_t i = 0; i < levels.size(); ++i) {
        const double before = i < 4 ? 0.0 : levels[i - 4];
        if (levels[i] < kHitLevel * loudest || levels[i] < kHitRise * before) continue;
        if (hits.empty() || i > hits.back() + 10) hits.push_back(i);
    }
    std::vector<double> times;
    for (std::size_t h = 0; h < hits.size(); ++h) {
        const std::size_t end = h + 1 < hits.size() ? hits[h + 1] : levels.size();
        const auto from = levels.begin() + static_cast<std::ptrdiff_t>(hits[h]);
        const auto to = levels.begin() + static_cast<std::ptrdiff_t>(end);
        const auto peak = std::max_element(from, to);
        const auto down = std::find_if(peak, to, [&](double level) { return level < kDecayRatio * *peak; });
        if (down != to) times.push_back(kHop * static_cast<double>(down - peak));
    }
    if (times.empty() || 2 * times.size() < hits.size()) return {}; // most of them never come to rest
    std::ranges::nth_element(times, times.begin() + static_cast<std::ptrdiff_t>(times.size() / 2));
    return times[times.size() / 2];
}

void spectrumOf(std::span<const float> mono, TakeSound& heard) {
    const Spectrum spectrum = measureSpectrum(mono, kTakeRate);
    double all = 0.0;
    double weighted = 0.0;
    double treble = 0.0;
    std::array<double, kThumbBands> bands{};
    for (std::size_t i = 1; i < spectrum.amplitude.size(); ++i) {
        const double hertz = spectrum.binHertz * static_cast<double>(i);
        if (hertz < 20.0 || hertz > 20000.0) continue;
        const double power = static_cast<double>(spectrum.amplitude[i]) * static_cast<double>(spectrum.amplitude[i]);
        all += power;
        weighted += power * hertz;
        if (hertz > kTrebleFrom) treble += power;
        const double band = std::round(3.0 * std::log2(hertz / kLowestBand));
        bands[static_cast<std::size_t>(std::clamp(band, 0.0, static_cast<double>(kThumbBands - 1)))] += power;
    }
    if (all <= 0.0) return;
    heard.figures["brightness"] = weighted / all;
    heard.figures["treble"] = toDecibels(std::sqrt(treble / all)).value;
    for (std::size_t b = 0; b < kThumbBands; ++b)
        heard.thumb.bands[b] = static_cast<std::uint8_t>(
            std::clamp(2.0 * (96.0 + toDecibels(std::sqrt(bands[b] / all)).value), 0.0, 192.0));
}

void outlineOf(std::span<const float> mono, Thumb& thumb) {
    if (mono.size() < kThumbColumns) return;
    const auto in127ths = [](float value) {
        return static_cast<std::int8_t>(std::lround(127.0F * std::clamp(value, -1.0F, 1.0F)));
    };
    for (std::size_t c = 0; c < kThumbColumns; ++c) {
        const std::size_t begin = c * mono.size() / kThumbColumns;
        const std::size_t end = (c + 1) * mono.size() / kThumbColumns;
        const auto [low, high] = std::ranges::minmax_element(mono.subspan(begin, end - begin));
        thumb.outline[c] = {in127ths(*low), in127ths(*high)};
    }
}

} // namespace

const std::vector<FigureInfo>& allFigures() {
    static const std::vector<FigureInfo> all = {
        {"level", "level at the way out", FigureKind::Loudness},
        {"peak", "peak", FigureKind::Volts},
        {"dc", "DC", FigureKind::Volts},
        {"note", "note", FigureKind::Note},
        {"tail", "tail of the hits", FigureKind::Note},
        {"brightness", "brightness", FigureKind::Hertz},
        {"treble", "above 2 kHz", FigureKind::Decibels},
        {"decay", "decay of the hits", FigureKind::Seconds},
        {"tempo", "tempo", FigureKind::Tempo},
        {"findings", "findings", FigureKind::Count},
    };
    return all;
}

const FigureInfo* figureNamed(std::string_view id) {
    for (const FigureInfo& figure : allFigures())
        if (id == figure.id) return &figure;
    return nullptr;
}

Sentence figureName(const FigureInfo& figure) {
    // One by one, so that each is found by who translates.
    static const std::vector<Sentence> names = {say("level at the way out"),
                                                say("peak"),
                                                say("DC"),
                                                say("note"),
                                                say("tail of the hits"),
                                                say("brightness"),
                                                say("above 2 kHz"),
                                                say("decay of the hits"),
                                                say("tempo"),
                                                say("findings")};
    return names[static_cast<std::size_t>(&figure - allFigures().data())];
}

std::string figureText(const FigureInfo& figure, double value) {
    switch (figure.kind) {
    case FigureKind::Loudness:
        return fmt::format("{:.1f} LUFS", value);
    case FigureKind::Volts:
        return fmt::format("{:.2f} V", value);
    case FigureKind::Note:
        return pitchText(noteToHertz(value));
    case FigureKind::Hertz:
        return value < 1000.0 ? fmt::format("{:.0f} Hz", value) : fmt::format("{:.2f} kHz", 1e-3 * value);
    case FigureKind::Decibels:
        return fmt::format("{:.1f} dB", value);
    case FigureKind::Seconds:
        return value < 1.0 ? fmt::format("{:.0f} ms", 1e3 * value) : fmt::format("{:.2f} s", value);
    case FigureKind::Tempo:
        return fmt::format("{:g} BPM", value);
    case FigureKind::Count:
        break;
    }
    return fmt::format("{:.0f}", value);
}

Sentence figureDifference(const FigureInfo& figure, double before, double after) {
    const double by = after - before;
    const double size = std::abs(by);
    switch (figure.kind) {
    case FigureKind::Loudness:
        if (size < 0.05) return {};
        return by > 0 ? say("{:.1f} dB louder", size) : say("{:.1f} dB quieter", size);
    case FigureKind::Volts:
        return size < 0.005 ? Sentence{} : say("{:+.2f} V", by);
    case FigureKind::Note: {
        const double cents = 100.0 * size;
        if (cents < 0.5) return {};
        if (cents < 1200.0 && std::abs(cents - 100.0 * std::round(size)) > 1.0)
            return by > 0 ? say("{:.0f} cents higher", cents) : say("{:.0f} cents lower", cents);
        return by > 0 ? say("{:.0f} semitones higher", size) : say("{:.0f} semitones lower", size);
    }
    case FigureKind::Hertz: {
        const double octaves = std::log2(std::max(after, 1.0) / std::max(before, 1.0));
        if (std::abs(octaves) < 0.02) return {};
        return by > 0 ? say("brighter by {:.2f} octaves", octaves) : say("duller by {:.2f} octaves", -octaves);
    }
    case FigureKind::Decibels:
        if (size < 0.1) return {};
        return by > 0 ? say("{:.1f} dB more", size) : say("{:.1f} dB less", size);
    case FigureKind::Seconds:
        if (size < 0.0025) return {};
        return by > 0 ? say("longer by {:.0f} ms", 1e3 * size) : say("shorter by {:.0f} ms", 1e3 * size);
    case FigureKind::Tempo:
        return size < 0.005 ? Sentence{} : by > 0 ? say("faster by {:g} BPM", size) : say("slower by {:g} BPM", size);
    case FigureKind::Count:
        break;
    }
    if (size < 0.5) return {};
    return by > 0 ? say("{:.0f} more", size) : say("{:.0f} fewer", size);
}

TakeSound hear(std::vector<float> mix) {
    TakeSound heard;
    heard.mix = std::move(mix);
    const std::vector<float> mono = monoOf(heard.mix);
    if (mono.empty()) return heard;
    std::vector<float> side(mono.size());
    LevelReading louder;
    for (std::size_t channel = 0; channel < 2; ++channel) {
        for (std::size_t i = 0; i < side.size(); ++i) side[i] = heard.mix[2 * i + channel];
        const LevelReading level = measureLevel(side);
        if (channel == 0 || level.rms.value > louder.rms.value) louder = level;
    }
    heard.figures["peak"] = kFullScaleVolts * louder.peak().value;
    heard.figures["dc"] = kFullScaleVolts * louder.mean.value;
    if (louder.peak().value < kSilentPeak) return heard;
    if (const auto lufs = measureLoudness(heard.mix, kTakeRate)) heard.figures["level"] = *lufs;
    std::vector<float> volts = mono; // pitch is looked for in what is loud enough in volts
    for (float& v : volts) v *= static_cast<float>(kFullScaleVolts);
    const PitchSummary pitch = pitchOf(volts, kTakeRate);
    if (pitch.steady) {
        const double note = 69.0 + 12.0 * std::log2(pitch.steady->value / 440.0);
        heard.figures[pitch.tail ? "tail" : "note"] = note;
    }
    if (const auto decay = decayOf(mono)) heard.figures["decay"] = *decay;
    spectrumOf(mono, heard);
    outlineOf(mono, heard.thumb);
    return heard;
}

Result<TakeSound> hearPatch(const Patch& patch, const Library& library, double seconds,
                            const std::function<bool(double)>& progress) {
    RenderOptions options;
    options.seconds = seconds;
    options.fileRate = kTakeRate;
    options.scenes = false;
    options.progress = progress;
    auto made = render(patch, library, options);
    if (!made) return tl::unexpected(made.error());
    TakeSound heard = hear(std::move(made->mix));
    for (const Post& post : patch.posts)
        if (const PartInfo* part = library.part(post))
            if (const KnobInfo* tempo = part->knobFor("clock", "tempo"); tempo && !heard.figures.contains("tempo"))
                heard.figures["tempo"] = knobValue(post, *tempo);
    return heard;
}

} // namespace lariat
