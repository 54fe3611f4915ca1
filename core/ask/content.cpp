// What is in it? Spectrum, harmonics, sidebands, formants against vowels, noise, and what aliasing added.
#include "ask/parts.h"
#include "measure/formants.h"
#include "measure/partials.h"
#include "measure/pitch_track.h"
#include "measure/vowels.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kSilent = 0.002;    ///< volts RMS
constexpr double kLooked = 0.68;     ///< seconds of a spectrum, 65,536 samples at 96 kHz
constexpr std::size_t kCurve = 480;  ///< points of a curve over ten octaves
constexpr double kShallow = -90.0;   ///< dB, the foot of the picture
constexpr double kVoice = 500.0;     ///< hertz; above it, formants cannot be told from harmonics
constexpr std::ptrdiff_t kRich = 16; ///< harmonics
constexpr double kMoves = 3.0;       ///< dB that thirds of an octave move for a spectrogram to be worth it

/// The loudest stretch: what a spectrum is read of.
std::span<const float> loudestStretch(std::span<const float> volts, double rate) {
    const auto size = std::min(volts.size(), static_cast<std::size_t>(kLooked * rate));
    std::size_t best = 0;
    double loudest = -1.0;
    for (std::size_t at = 0; at + size <= volts.size(); at += std::max<std::size_t>(1, size / 2)) {
        const double level = measureLevel(volts.subspan(at, size)).rms.value;
        if (level > 1.02 * loudest) { // of equal ones the first that had time to settle
            loudest = level;
            best = at;
        }
    }
    return volts.subspan(best, size);
}

/// Of the loudest stretch, or of all there is.
Spectrum spectrumOf(const Trace& track, const AskOptions& options) {
    const auto all = samplesFrom(track, options.from);
    if (!options.averaged) return measureSpectrum(loudestStretch(all, track.rate), track.rate);
    return averagedSpectrum(all, track.rate, static_cast<std::size_t>(kLooked * track.rate));
}

/// Thinned out for a picture: the highest of what falls into each place of the axis, in dB of 1 V.
PlotCurve spectrumCurve(const Spectrum& spectrum, const PlotAxis& axis, int track, std::string name) {
    PlotCurve curve{plain(std::move(name)), track, SignalKind::Audio, {}, {}, false};
    for (std::size_t p = 0; p < kCurve; ++p) {
        const double from = axis.at(static_cast<double>(p) / kCurve);
        const double to = axis.at(static_cast<double>(p + 1) / kCurve);
        const auto begin = static_cast<std::size_t>(std::ceil(from / spectrum.binHertz));
        const auto end = std::min(spectrum.amplitude.size(),
                                  std::max(begin + 1, static_cast<std::size_t>(std::ceil(to / spectrum.binHertz))));
        if (begin >= spectrum.amplitude.size()) break;
        if (static_cast<double>(begin) * spectrum.binHertz > to) continue; // no bin of its own
        float highest = 0.0f;
        for (std::size_t b = begin; b < end; ++b) highest = std::max(highest, spectrum.amplitude[b]);
        curve.points.emplace_back(static_cast<float>(axis.at((static_cast<double>(p) + 0.5) / kCurve)),
                                  static_cast<float>(std::max(-140.0, toDecibels(static_cast<double>(highest)).value)));
    }
    return curve;
}

/// By how many dB harmonics fall from octave to octave: the line through those that are there.
std::optional<double> slopeOf(const Partials& partials) {
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    for (std::size_t h = 0; h < std::min<std::size_t>(24, partials.amplitude.size()); ++h) {
        if (partials.amplitude[h] < 1e-3 * partials.amplitude[0]) continue;
        const double x = std::log2(static_cast<double>(h + 1));
        const double y = toDecibels(partials.amplitude[h] / partials.amplitude[0]).value;
        n += 1.0;
        sx += x;
        sy += y;
        sxx += x * x;
        sxy += x * y;
    }
    if (n < 3.0) return std::nullopt;
    return (n * sxy - sx * sy) / (n * sxx - sx * sx);
}

Plot harmonicBars(const Partials& partials) {
    Plot plot;
    plot.id = "harmonics";
    double reference = partials.amplitude[0];
    plot.title = say("Harmonics against the first");
    if (const double strongest = *std::ranges::max_element(partials.amplitude); strongest > 4.0 * reference) {
        reference = strongest;
        plot.title = say("Harmonics against the strongest");
    }
    for (std::size_t n = 0; n < std::min<std::size_t>(24, partials.amplitude.size()); ++n)
        plot.bars.push_back({fmt::format("{}", n + 1),
                             std::max(-80.0, toDecibels(partials.amplitude[n] / reference).value),
                             n % 2 == 0 ? 0 : 1,
                             false,
                             {}});
    double high = 6.0;
    for (const PlotBar& bar : plot.bars) high = std::max(high, bar.value + 3.0);
    plot.y = {"dB", -80.0, high, false};
    plot.share = 0.8;
    return plot;
}

Plot sidebandBars(const std::vector<Sideband>& bands) {
    Plot plot;
    plot.id = "sidebands";
    plot.title = say("Sidebands by their order");
    double loudest = 1e-12;
    for (const Sideband& band : bands) loudest = std::max(loudest, band.amplitude);
    for (const Sideband& band : bands)
        plot.bars.push_back({band.order == 0 ? std::string("0") : fmt::format("{:+d}", band.order),
                             std::max(-80.0, toDecibels(band.amplitude / loudest).value),
                             band.order == 0 ? 0 : 1,
                             false,
                             {}});
    plot.y = {"dB", -80.0, 6.0, false};
    plot.share = 0.8;
    return plot;
}

/// Levels over time and thirds of an octave; nothing for what stands still.
std::optional<Plot> spectrogram(std::span<const float> volts, double rate, double from) {
    constexpr std::size_t kColumns = 160;
    const auto size = static_cast<std::size_t>(0.085 * rate);
    if (volts.size() < 4 * size) return std::nullopt;
    PlotField field{kColumns, 2 * kThirds, {}};
    field.levels.assign(field.columns * field.rows, 0.0f);
    std::vector<std::vector<double>> levels(kColumns, std::vector<double>(field.rows, -140.0));
    double loudest = -140.0;
    for (std::size_t c = 0; c < kColumns; ++c) {
        const auto at = (volts.size() - size) * c / (kColumns - 1);
        const Spectrum spectrum = measureSpectrum(volts.subspan(at, size), rate);
        for (std::size_t r = 0; r < field.rows; ++r) {
            const double low = 22.3 * std::exp2(static_cast<double>(r) / 6.0);
            const auto begin = static_cast<std::size_t>(low / spectrum.binHertz);
            const auto end =
                std::max(begin + 1, static_cast<std::size_t>(low * std::exp2(1.0 / 6.0) / spectrum.binHertz));
            double highest = 0.0;
            for (std::size_t b = begin; b < std::min(end, spectrum.amplitude.size()); ++b)
                highest = std::max(highest, static_cast<double>(spectrum.amplitude[b]));
            levels[c][r] = toDecibels(highest).value;
            loudest = std::max(loudest, levels[c][r]);
        }
    }
    double moved = 0.0;
    int counted = 0;
    for (std::size_t r = 0; r < field.rows; ++r) {
        double low = 0.0;
        double high = -140.0;
        for (std::size_t c = 0; c < kColumns; ++c) {
            low = std::min(low, levels[c][r]);
            high = std::max(high, levels[c][r]);
        }
        if (high < loudest - 40.0) continue;
        moved += std::min(40.0, high - low);
        ++counted;
    }
    if (counted == 0 || moved / counted < kMoves) return std::nullopt;
    for (std::size_t c = 0; c < kColumns; ++c)
        for (std::size_t r = 0; r < field.rows; ++r)
            field.levels[c * field.rows + r] =
                static_cast<float>(std::clamp(1.0 + (levels[c][r] - loudest) / 60.0, 0.0, 1.0));
    Plot plot;
    plot.id = "spectrogram";
    plot.title = say("What is in it, against time (60 dB)");
    plot.x = {"s", from, from + static_cast<double>(volts.size()) / rate, false};
    plot.y = {"Hz", 22.3, 22.3 * 1024.0, true};
    plot.field = std::move(field);
    return plot;
}

struct Aimed {
    const Vowel* vowel = nullptr;
    std::vector<double> off; ///< hertz, formant by formant
};

/// The vowel that is asked for, or the one that the first two formants come nearest to.
Aimed vowelOf(const std::vector<Formant>& formants, const std::string& wanted) {
    Aimed out;
    double nearest = 1e9;
    for (const Vowel& vowel : kVowels) {
        if (!wanted.empty() && wanted != vowel.name) continue;
        double distance = 0.0;
        for (std::size_t f = 0; f < 2 && f < formants.size(); ++f)
            distance += std::pow(std::log2(formants[f].hertz / vowel.hertz[f]), 2);
        if (distance < nearest) {
            nearest = distance;
            out.vowel = &vowel;
        }
    }
    if (out.vowel)
        for (std::size_t f = 0; f < 3 && f < formants.size(); ++f)
            out.off.push_back(formants[f].hertz - out.vowel->hertz[f]);
    return out;
}

/// What the loudness of two says about which is duller.
Sentence duller(const Asked& asked, const Spectrum& a, const Spectrum& b) {
    const double one = brightnessOf(a);
    const double other = brightnessOf(b);
    if (one <= 0.0 || other <= 0.0) return {};
    const double octaves = std::log2(other / one);
    if (std::abs(octaves) < 0.05) return say("Both are equally bright.");
    return octaves < 0.0 ? say("{} is duller by {:.2f} octaves.", asked.tracks[1].name, -octaves)
                         : say("{} is brighter by {:.2f} octaves.", asked.tracks[1].name, octaves);
}

} // namespace

Answer askContent(const Asked& asked) {
    Answer answer;
    answer.question = Question::Content;
    for (const Trace& track : asked.tracks) answer.tracks.push_back(track.name);
    const Trace& own = asked.tracks.front();
    const auto all = samplesFrom(own, asked.options.from);
    const auto volts = loudestStretch(all, own.rate);
    const LevelReading level = measureLevel(volts);
    const double sounding = level.alternating().value;
    if (sounding < kSilent || volts.size() < 256) {
        answer.verdict = sounding < kSilent ? say("{} is silent: there is nothing in it.", own.name)
                                            : say("{} is too short: {}.", own.name, timeText(own.seconds()));
        return answer;
    }
    const Spectrum spectrum = spectrumOf(own, asked.options);
    Plot plot;
    plot.id = "spectrum";
    const double frame = static_cast<double>(volts.size()) / own.rate;
    plot.title = asked.options.averaged && all.size() > volts.size()
                     ? say("Spectrum, Blackman-Harris over {} each, the mean of {}", timeText(frame),
                           timeText(static_cast<double>(all.size()) / own.rate))
                     : say("Spectrum, Blackman-Harris over {}", timeText(frame));
    plot.x = {"Hz", asked.options.linear ? 0.0 : 20.0, 20000.0, !asked.options.linear};
    plot.curves.push_back(spectrumCurve(spectrum, plot.x, 0, own.name));
    std::vector<Spectrum> others;
    for (std::size_t i = 1; i < asked.tracks.size() && !asked.options.sidebands; ++i) {
        const auto other = loudestStretch(samplesFrom(asked.tracks[i], asked.options.from), asked.tracks[i].rate);
        if (other.size() < 256) continue;
        others.push_back(spectrumOf(asked.tracks[i], asked.options));
        plot.curves.push_back(spectrumCurve(others.back(), plot.x, static_cast<int>(i), asked.tracks[i].name));
    }
    double top = -60.0;
    for (const PlotCurve& curve : plot.curves)
        for (const auto& point : curve.points) top = std::max(top, static_cast<double>(point.second));
    plot.y = {"dBV", 10.0 * std::floor((top + kShallow) / 10.0), 10.0 * std::ceil((top + 3.0) / 10.0), false};
    plot.share = 1.4;

    addFigure(answer, "rms-volts", say("level"), fmt::format("{:.3f} V RMS", sounding), sounding);
    const double brightness = brightnessOf(spectrum);
    addFigure(answer, "brightness-hertz", say("centre of it"), hertzText(brightness), brightness);
    const auto pitch = measurePitch(volts, own.rate, {1e-3});
    const bool tone = pitch && pitch->clarity > kSteadyClarity && pitch->hertz.value > 12.0 * spectrum.binHertz;
    std::optional<Partials> partials;
    std::vector<Plot> below;
    if (tone) {
        partials = measurePartials(spectrum, pitch->hertz.value);
        const double first = partials->amplitude[0] / std::sqrt(2.0);
        addFigure(answer, "pitch-hertz", say("first harmonic"), noteText(pitch->hertz.value), pitch->hertz.value);
        addFigure(answer, "first-volts", say("its amplitude"), fmt::format("{:.3f} V", partials->amplitude[0]),
                  partials->amplitude[0]);
        addFigure(answer, "even-decibels", say("even ones, in sum"),
                  decibelText(toDecibels(partials->even / first).value), toDecibels(partials->even / first).value);
        addFigure(answer, "odd-decibels", say("odd ones above it"),
                  decibelText(toDecibels(partials->odd / first).value), toDecibels(partials->odd / first).value);
        const double thd = 100.0 * std::hypot(partials->even, partials->odd) / first;
        if (thd < 1000.0) addFigure(answer, "overtones-percent", say("all overtones"), percentText(thd), thd);
        if (const auto slope = slopeOf(*partials))
            addFigure(answer, "slope-decibels", say("falls per octave"), decibelText(*slope), *slope);
        addFigure(answer, "floor-decibels", say("between them"), decibelText(toDecibels(partials->floor / first).value),
                  toDecibels(partials->floor / first).value);
        if (!asked.options.sidebands) below.push_back(harmonicBars(*partials));
    }
    if (asked.options.sidebands && asked.tracks.size() >= 3) {
        const auto of = [&](std::size_t i) {
            const auto part = loudestStretch(samplesFrom(asked.tracks[i], asked.options.from), asked.tracks[i].rate);
            return measurePitch(part, asked.tracks[i].rate, {1e-3});
        };
        const auto carrier = of(1);
        const auto modulator = of(2);
        if (carrier && modulator) {
            const auto bands = measureSidebands(spectrum, carrier->hertz.value, modulator->hertz.value);
            for (const Sideband& band : bands)
                addFigure(answer, fmt::format("sideband{:+d}-volts", band.order),
                          band.order == 0 ? say("carrier") : say("sideband {:+d}", band.order),
                          fmt::format("{:.3f} V · {}", band.amplitude, hertzText(band.hertz)), band.amplitude);
            below.push_back(sidebandBars(bands));
            answer.more =
                say("Lines stand at {} ± n · {}.", hertzText(carrier->hertz.value), hertzText(modulator->hertz.value));
        } else {
            answer.more = say("{} or {} has no steady pitch, so that sidebands cannot be told.", asked.tracks[1].name,
                              asked.tracks[2].name);
        }
    }
    const bool rich = partials && std::ranges::count_if(partials->amplitude, [&](double one) {
                                      return one > 1e-3 * *std::ranges::max_element(partials->amplitude);
                                  }) >= kRich; // a few lines have no formants
    const bool voice = !asked.options.vowel.empty() || (tone && rich && pitch->hertz.value < kVoice);
    if (voice) {
        const auto formants = measureFormants(volts, own.rate);
        const Aimed aimed = vowelOf(formants, asked.options.vowel);
        if (formants.size() >= 2 && aimed.vowel) {
            for (std::size_t f = 0; f < aimed.off.size(); ++f) {
                addFigure(answer, fmt::format("f{}-hertz", f + 1), say("formant F{}", f + 1),
                          fmt::format("{} · {:+.0f} Hz", hertzText(formants[f].hertz), aimed.off[f]),
                          formants[f].hertz);
                plot.marks.push_back({true, aimed.vowel->hertz[f], say("F{} of {}", f + 1, aimed.vowel->name), false});
            }
            if (!asked.options.vowel.empty())
                answer.more = say("F1 {:+.0f} Hz, F2 {:+.0f} Hz from {} as in {}.", aimed.off[0], aimed.off[1],
                                  aimed.vowel->name, aimed.vowel->word);
            else
                addFigure(answer, "vowel", say("nearest vowel"),
                          fmt::format("{} ({})", aimed.vowel->name, aimed.vowel->word));
        } else if (!asked.options.vowel.empty()) {
            answer.more = say("No two formants can be told in it.");
        }
    }
    if (!asked.twice.empty()) {
        // The same stretch of the same run at twice the rate: its bins are those of this one.
        const auto begin = static_cast<std::size_t>(volts.data() - own.volts.data());
        const std::span<const float> finer(asked.twice.front().volts);
        if (finer.size() >= 2 * (begin + volts.size())) {
            const Spectrum clean =
                measureSpectrum(finer.subspan(2 * begin, 2 * volts.size()), asked.twice.front().rate);
            const Spectrum same = measureSpectrum(volts, own.rate);
            const auto alias = loudestOnlyIn(same, clean, 18000.0);
            const double loudest = same.strongest(1).empty() ? 1.0 : same.strongest(1).front().amplitude;
            const double decibels = toDecibels(alias.amplitude / loudest).value;
            if (alias.amplitude <= 0.0 || decibels < -110.0)
                addFigure(answer, "alias-decibels", say("added by the rate"), "< -110 dB", -110.0);
            else
                addFigure(answer, "alias-decibels", say("added by the rate"),
                          fmt::format("{} · {}", decibelText(decibels), hertzText(alias.hertz)), decibels, -1,
                          decibels > -60.0);
        }
    }
    answer.plots.push_back(std::move(plot));
    for (Plot& one : below) answer.plots.push_back(std::move(one));
    if (auto moving = spectrogram(all, own.rate, asked.options.from)) answer.plots.push_back(std::move(*moving));

    if (partials) {
        const double rest = std::hypot(partials->even, partials->odd) / (partials->amplitude[0] / std::sqrt(2.0));
        if (rest < 0.03)
            answer.verdict = say("{} is nearly a sine at {}: its overtones are {} of it.", own.name,
                                 noteText(pitch->hertz.value), percentText(100.0 * rest));
        else if (partials->even < 0.05 * partials->odd)
            answer.verdict = say("{} stands at {} and has odd harmonics only.", own.name, noteText(pitch->hertz.value));
        else if (partials->even > 2.0 * partials->odd)
            answer.verdict = say("{} stands at {}; its even harmonics outweigh the odd ones.", own.name,
                                 noteText(pitch->hertz.value));
        else
            answer.verdict =
                say("{} stands at {} with even and odd harmonics.", own.name, noteText(pitch->hertz.value));
    } else {
        std::string lines;
        for (const auto& partial : spectrum.strongest(3)) {
            if (!lines.empty()) lines += ", ";
            lines += hertzText(partial.hertz);
        }
        const Partials floor = measurePartials(spectrum, 1e6);
        const double loudest = spectrum.strongest(1).empty() ? 0.0 : spectrum.strongest(1).front().amplitude;
        answer.verdict = loudest < 8.0 * floor.bandFloor * std::sqrt(spectrum.binHertz * 2.004) * std::sqrt(2.0)
                             ? say("{} is noise, with its centre at {}.", own.name, hertzText(brightness))
                             : say("{} is no single tone; most of it lies at {}.", own.name, lines);
    }
    if (!others.empty()) {
        const Sentence which = duller(asked, spectrum, others.front());
        if (answer.more.empty()) answer.more = which;
        const double other = brightnessOf(others.front());
        addFigure(answer, "other-brightness-hertz", say("centre of {}", asked.tracks[1].name), hertzText(other), other);
    }
    return answer;
}

} // namespace lariat
