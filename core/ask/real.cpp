#include "ask/real.h"

#include "ask/parts.h"
#include "engine/render.h"
#include "library/unknowns.h"
#include "measure/align.h"
#include "measure/hits.h"
#include "measure/likeness.h"
#include "measure/partials.h"
#include "measure/pitch_line.h"
#include "units/level.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>

namespace lariat {
namespace {

constexpr double kRate = 48000.0;    ///< both are compared at
constexpr double kHullRate = 1000.0; ///< of loudness over time
constexpr double kByWave = 0.3;      ///< of likeness
constexpr double kPitchOff = 5.0;    ///< cents worth a word
constexpr double kLevelOff = 1.0;    ///< dB
constexpr double kTimeOff = 0.1;     ///< part
constexpr double kNoiseOff = 6.0;    ///< dB
constexpr double kHeldClarity = 0.97;
constexpr double kHeldCents = 12.0; ///< from one point of a line to the next
constexpr std::size_t kEnoughPoints = 3;
constexpr double kFootDecibels = -50.0; ///< of a band; what is less counts as nothing
constexpr double kSilence = 0.015;      ///< seconds at the start
constexpr double kNearHull = 0.05;      ///< seconds
constexpr double kSure = 0.9;           ///< of likeness
constexpr double kNearOnset = 0.03;     ///< seconds
constexpr double kTogether = 0.02;      ///< seconds within which two hits are one

/// How much louder it becomes from moment to moment, so that what has another phase each time, or dies away sooner, can
/// be laid over itself by where it begins.
std::vector<float> beginningsOf(std::span<const float> volts, double rate) {
    constexpr std::size_t back = 8;
    const auto step = static_cast<std::size_t>(rate / kHullRate);
    constexpr std::size_t window = 25; // hops: what is shorter would follow the waves of a low tone
    std::vector<double> power{0.0};
    for (std::size_t at = 0; at + step <= volts.size(); at += step) {
        const double rms = measureLevel(volts.subspan(at, step)).rms.value;
        power.push_back(power.back() + rms * rms);
    }
    std::vector<float> levels;
    for (std::size_t i = 0; i + window < power.size(); ++i)
        levels.push_back(static_cast<float>(std::sqrt(std::max(0.0, power[i + window] - power[i]))));
    std::vector<float> rises(levels.size(), 0.0f);
    for (std::size_t i = 0; i < levels.size(); ++i)
        rises[i] = std::max(0.0f, levels[i] - (i < back ? 0.0f : levels[i - back]));
    // Some milliseconds wide, so that what comes a little earlier or later is still the same.
    std::vector<float> out(rises.size(), 0.0f);
    for (std::size_t i = 0; i < rises.size(); ++i)
        for (std::size_t n = i < back ? 0 : i - back; n < std::min(rises.size(), i + back + 1); ++n)
            out[i] += rises[n] * static_cast<float>(back + 1 - (n < i ? i - n : n - i));
    return out;
}

/// When a recording that begins in silence begins to sound: a tenth of its loudest. Nothing if it sounds from the
/// start.
std::optional<double> startOf(std::span<const float> volts, double rate) {
    const float loud = 0.1f * static_cast<float>(measureLevel(volts).peak().value);
    const auto first = std::ranges::find_if(volts, [&](float v) { return std::abs(v) > loud; });
    const double at = static_cast<double>(first - volts.begin()) / rate;
    return first == volts.end() || at < kSilence ? std::nullopt : std::optional(at);
}

double floorOf(std::span<const float> volts, double rate) {
    const auto window = static_cast<std::size_t>(0.05 * rate);
    std::vector<double> levels;
    for (std::size_t at = 0; at + window <= volts.size(); at += window) {
        const LevelReading level = measureLevel(volts.subspan(at, window));
        levels.push_back(level.alternating().value);
    }
    if (levels.empty()) return 0.0;
    std::ranges::sort(levels);
    return levels[levels.size() / 20];
}

struct Deviation {
    double hertz = 0.0; ///< of the simulation
    double cents = 0.0; ///< of the real one above it
    double at = 0.0;
};

double medianOf(std::vector<double> values) {
    std::ranges::nth_element(values, values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2));
    return values[values.size() / 2];
}

/// Note by note, where both hold a clear pitch within a semitone and a half of each other: the middle of what it is
/// off.
std::vector<Deviation> pitchDeviations(std::span<const float> one, std::span<const float> other, double rate) {
    PitchLineOptions options;
    options.most = 250;
    const auto a = pitchLine(one, rate, options);
    const auto b = pitchLine(other, rate, options);
    const auto held = [](const std::vector<PitchPoint>& line, std::size_t i) { // and not on its way somewhere
        return i > 0 && line[i].clear() && line[i - 1].clear() && line[i].clarity > kHeldClarity &&
               std::abs(1200.0 * std::log2(line[i].hertz / line[i - 1].hertz)) < kHeldCents;
    };
    std::map<int, std::vector<Deviation>> notes;
    for (std::size_t i = 0; i < std::min(a.size(), b.size()); ++i) {
        if (!held(a, i) || !held(b, i)) continue;
        const double cents = 1200.0 * std::log2(b[i].hertz / a[i].hertz);
        if (std::abs(cents) < 150.0) notes[nearestNote(Hertz{a[i].hertz}).note].push_back({a[i].hertz, cents, a[i].at});
    }
    std::vector<Deviation> out;
    for (const auto& note : notes) {
        if (note.second.size() < kEnoughPoints) continue;
        std::vector<double> cents;
        for (const Deviation& deviation : note.second) cents.push_back(deviation.cents);
        out.push_back({note.second.front().hertz, medianOf(std::move(cents)), note.second.front().at});
    }
    return out;
}

/// Cents that the deviation grows by from octave to octave; 0 if the notes span less than half of one.
double growth(const std::vector<Deviation>& all) {
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    double low = 1e9;
    double high = 0.0;
    for (const Deviation& one : all) {
        const double x = std::log2(one.hertz);
        low = std::min(low, one.hertz);
        high = std::max(high, one.hertz);
        n += 1.0;
        sx += x;
        sy += one.cents;
        sxx += x * x;
        sxy += x * one.cents;
    }
    if (n < 3.0 || high < 1.4 * low) return 0.0; // two may be two drums
    const double spread = n * sxx - sx * sx;
    return spread > 1e-9 ? (n * sxy - sx * sy) / spread : 0.0;
}

Trace simulate(const Trace& from) {
    Trace out = from;
    out.volts = resampled(from.volts, from.rate, kRate);
    out.rate = kRate;
    return out;
}

} // namespace

Result<RealPair> pairUp(const Patch& patch, const Library& library, const Trace& recording,
                        const RealOptions& options) {
    RealPair out;
    out.recorded = recording;
    out.recorded.volts = resampled(recording.volts, recording.rate, kRate);
    out.recorded.rate = kRate;
    const LevelReading level = measureLevel(out.recorded.volts);
    if (level.swing().value < 1e-4)
        return failure(say("{} is silent: record what leaves the case, with the patch playing", recording.name));
    ListenOptions how;
    how.seconds = std::min(options.seconds, recording.seconds());
    how.realCase = true;
    how.progress = options.progress;
    auto heard = listen(patch, library, {options.at}, how);
    if (!heard) return tl::unexpected(heard.error());
    out.simulated = simulate(heard->front());
    if (measureLevel(out.simulated.volts).swing().value < 1e-4)
        return failure(
            say("the simulation is silent at {}: mend the patch first, or choose another jack", out.simulated.name));
    const auto hullA = beginningsOf(out.simulated.volts, kRate);
    const auto hullB = beginningsOf(out.recorded.volts, kRate);
    // First by where they become louder, which is hardly ever ambiguous, then by their waves near there.
    const auto byHull = align(hullA, hullB, kHullRate, {.mayInvert = false});
    AlignOptions near;
    const auto begins = startOf(out.recorded.volts, kRate);
    if (begins) { // whoever let the recorder run before it began has said where
        const float loud = 0.1f * static_cast<float>(measureLevel(out.simulated.volts).peak().value);
        const auto first = std::ranges::find_if(out.simulated.volts, [&](float v) { return std::abs(v) > loud; });
        near.around = *begins - static_cast<double>(first - out.simulated.volts.begin()) / kRate;
        near.reach = kNearHull;
    } else if (byHull && byHull->likeness > kByWave) {
        near.around = byHull->offset;
        near.reach = kNearHull;
    }
    const auto byWave = align(out.simulated.volts, out.recorded.volts, kRate, near);
    if (byWave && byWave->likeness > kByWave) {
        out.offset = byWave->offset;
        out.drift = byWave->drift;
        out.gain = byWave->gain;
        out.inverted = byWave->inverted;
        out.likeness = byWave->likeness;
    } else if (begins || (byHull && byHull->likeness > kByWave)) {
        out.byWave = false;
        out.offset = near.around;
        out.likeness = byWave ? byWave->likeness : 0.0;
        const auto laid =
            aligned(out.recorded.volts, kRate, {out.offset, false, 1.0, 0.0, 1.0}, out.simulated.volts.size());
        out.gain = measureLevel(laid).rms.value / std::max(1e-9, measureLevel(out.simulated.volts).rms.value);
    } else {
        return failure(
            say("{} and the simulation have nothing in common: is it a recording of this patch, from its start?",
                recording.name));
    }
    // Where each begins by itself says more than waves that are not yet alike.
    if (out.likeness < kSure) {
        const auto simulated = onsets(out.simulated.volts, kRate);
        const auto real = onsets(out.recorded.volts, kRate);
        std::vector<double> offsets;
        for (const double a : simulated)
            for (const double b : real)
                if (std::abs(b - a - out.offset) < kNearOnset) offsets.push_back(b - a);
        const bool enough = !offsets.empty() && 2 * offsets.size() >= simulated.size();
        if (enough) out.offset = medianOf(std::move(offsets));
        if (!enough && begins) out.offset = near.around;
        if (enough || begins) out.drift = 0.0;
    }
    return out;
}

Answer askReal(const RealPair& pair, const RealOptions& options) {
    Answer answer;
    answer.question = Question::Real;
    answer.tracks = {pair.simulated.name, pair.recorded.name};
    const Alignment at{pair.offset, pair.inverted, 1.0, pair.drift, pair.likeness};
    const std::span<const float> one(pair.simulated.volts);
    std::vector<float> laid = aligned(pair.recorded.volts, kRate, at, one.size());
    // What lies behind the end of the recording is not compared.
    const double end = static_cast<double>(pair.recorded.volts.size()) / kRate - std::max(0.0, pair.offset);
    const auto size = std::min(one.size(), static_cast<std::size_t>(std::max(0.1, end) * kRate));
    laid.resize(size);
    const auto sim = one.first(size);
    const std::span<const float> real(laid);
    std::vector<Sentence> said;

    addFigure(answer, "offset-seconds", say("begins at"), timeText(pair.offset), pair.offset);
    if (pair.byWave) {
        addFigure(answer, "drift-ppm", say("its clock runs longer by"), fmt::format("{:+.1f} ppm", pair.drift),
                  pair.drift);
        addFigure(answer, "polarity", say("polarity"), pair.inverted ? "−" : "+", pair.inverted ? -1.0 : 1.0, -1,
                  pair.inverted);
    }
    addFigure(answer, "likeness-percent", say("waves alike by"), percentText(100.0 * pair.likeness),
              100.0 * pair.likeness);
    const double gain = toDecibels(pair.gain).value;
    addFigure(answer, "gain-decibels", say("recorded louder by"), fmt::format("{:+.1f} dB", gain), gain);

    // Pitch, note by note.
    const auto off = pitchDeviations(sim, real, kRate);
    if (!off.empty()) {
        std::vector<double> cents;
        for (const Deviation& deviation : off) cents.push_back(deviation.cents);
        const double middle = medianOf(cents);
        const double grows = growth(off);
        const auto highest = std::ranges::max_element(off, {}, &Deviation::hertz);
        addFigure(answer, "pitch-cents", say("pitch off by, as a rule"), centsText(middle), middle, -1,
                  std::abs(middle) > kPitchOff);
        addFigure(answer, "tracking-cents", say("more in each octave"), centsText(grows), grows, -1,
                  std::abs(grows) > kPitchOff);
        addFigure(answer, "top-cents", say("at {}", noteName(nearestNote(Hertz{highest->hertz}).note)),
                  centsText(highest->cents), highest->cents);
        if (std::abs(middle) > kPitchOff)
            said.push_back(middle < 0.0 ? say("{:.0f} cents flat", -middle) : say("{:.0f} cents sharp", middle));
        if (std::abs(grows) > kPitchOff) said.push_back(say("its octaves are off by {:+.0f} cents each", grows));
        Plot plot;
        plot.id = "pitch";
        plot.title = say("Cents that the real one stands above the simulation, by note");
        PlotCurve curve{{}, 1, SignalKind::Pitch, {}, {}, false};
        std::vector<Deviation> sorted = off;
        std::ranges::sort(sorted, {}, &Deviation::hertz);
        double most = 10.0;
        for (const Deviation& d : sorted) {
            curve.points.emplace_back(static_cast<float>(d.hertz), static_cast<float>(d.cents));
            most = std::max(most, std::abs(d.cents));
        }
        plot.x = {"Hz", 0.9 * sorted.front().hertz, 1.1 * sorted.back().hertz, true};
        plot.y = {"cents", -1.1 * most, 1.1 * most, false};
        plot.curves.push_back(std::move(curve));
        plot.marks.push_back({false, 0.0, say("as simulated"), false});
        plot.share = 0.7;
        answer.plots.push_back(std::move(plot));
    }
    // Hits: their times, tails and levels.
    const auto hitsA = measureHits(sim, kRate, onsets(sim, kRate));
    const auto hitsB = measureHits(real, kRate, onsets(real, kRate));
    if (hitsA.size() >= 2 && hitsB.size() >= 2) {
        addFigure(answer, "hits", say("hits, simulated · real"), fmt::format("{} · {}", hitsA.size(), hitsB.size()));
        // Hit against hit, those that come at the same time: a pattern may hold several drums.
        std::vector<std::pair<const HitReading*, const HitReading*>> pairs;
        for (const HitReading& a : hitsA)
            for (const HitReading& b : hitsB)
                if (std::abs(a.at - b.at) < kTogether) {
                    pairs.emplace_back(&a, &b);
                    break;
                }
        const auto ratioOf = [&](auto get) -> std::optional<double> {
            std::vector<double> ratios;
            for (const auto& pair_ : pairs) {
                const std::optional<double> a = get(*pair_.first);
                const std::optional<double> b = get(*pair_.second);
                if (a && b && *a > 0.0 && *b > 0.0) ratios.push_back(*b / *a);
            }
            if (ratios.empty()) return std::nullopt;
            return medianOf(std::move(ratios));
        };
        const auto compare = [&](const char* id, Sentence name, auto get) -> std::optional<double> {
            const auto ratio = ratioOf(get);
            if (!ratio) return std::nullopt;
            const double percent = 100.0 * (*ratio - 1.0);
            addFigure(answer, id, std::move(name), fmt::format("{:+.0f} %", percent), percent, -1,
                      std::abs(*ratio - 1.0) > kTimeOff);
            return ratio;
        };
        const auto decay =
            compare("decay-percent", say("time down by 20 dB"), [](const HitReading& hit) { return hit.t20; });
        if (decay && std::abs(*decay - 1.0) > kTimeOff)
            said.push_back(*decay < 1.0 ? say("decay {:.0f} % shorter", 100.0 - 100.0 * *decay)
                                        : say("decay {:.0f} % longer", 100.0 * *decay - 100.0));
        (void)compare("click-percent", say("click, above 200 Hz"), [](const HitReading& hit) { return hit.click; });
        if (const auto tail = ratioOf([](const HitReading& hit) { return hit.tail; })) {
            const double cents = 1200.0 * std::log2(*tail);
            addFigure(answer, "tail-cents", say("tail off by"), centsText(cents), cents, -1,
                      std::abs(cents) > kPitchOff);
            if (std::abs(cents) > kPitchOff)
                said.push_back(cents < 0.0 ? say("tail {:.0f} cents flat", -cents)
                                           : say("tail {:.0f} cents sharp", cents));
        }
    }
    // Bands, at one loudness.
    const auto thirdsA = thirdsOf(averagedSpectrum(sim, kRate, 16384));
    const auto thirdsB = thirdsOf(averagedSpectrum(real, kRate, 16384));
    Plot bands;
    bands.id = "spectrum";
    bands.title = say("Both in thirds of an octave, at one loudness");
    bands.x = {"Hz", 25.0, 20000.0, true};
    bands.y = {"dB", -60.0, 3.0, false};
    double worst = 0.0;
    std::size_t worstBand = 0;
    for (int i = 0; i < 2; ++i) {
        PlotCurve curve{plain(answer.tracks[static_cast<std::size_t>(i)]), i, SignalKind::Audio, {}, {}, false};
        for (std::size_t b = 0; b < kThirds; ++b)
            curve.points.emplace_back(static_cast<float>(thirdHertz(b)),
                                      static_cast<float>(i == 0 ? thirdsA[b] : thirdsB[b]));
        bands.curves.push_back(std::move(curve));
    }
    for (std::size_t b = 0; b < kThirds; ++b) {
        if (std::max(thirdsA[b], thirdsB[b]) < -30.0) continue;
        const double differs = std::max(kFootDecibels, thirdsB[b]) - std::max(kFootDecibels, thirdsA[b]);
        if (std::abs(differs) > std::abs(worst)) {
            worst = differs;
            worstBand = b;
        }
    }
    addFigure(answer, "band-decibels", say("largest band difference"),
              fmt::format("{:+.1f} dB · {}", worst, hertzText(thirdHertz(worstBand))), worst, -1,
              std::abs(worst) > 6.0);
    if (std::abs(worst) > 6.0)
        said.push_back(worst < 0.0 ? say("{:.0f} dB less around {}", -worst, hertzText(thirdHertz(worstBand)))
                                   : say("{:.0f} dB more around {}", worst, hertzText(thirdHertz(worstBand))));
    // Noise, as it lies under both at one gain.
    const double floorA = floorOf(sim, kRate);
    const double floorB = floorOf(real, kRate) / std::max(1e-9, pair.gain);
    const double loud = std::max(1e-9, measureLevel(sim).rms.value);
    const double noise = toDecibels(floorB / std::max(1e-9, floorA)).value;
    addFigure(answer, "noise-decibels", say("floor, simulated · real"),
              fmt::format("{:.0f} · {:.0f} dB", toDecibels(floorA / loud).value, toDecibels(floorB / loud).value),
              noise, -1, noise > kNoiseOff);
    addFigure(answer, "floor-volts", say("floor of the real one"), fmt::format("{:.0f} µV", 1e6 * floorOf(real, kRate)),
              floorOf(real, kRate));
    // Whole, without laying wave over wave: notes that are off by some cents are as loud.
    const LevelReading levelA = measureLevel(sim);
    const LevelReading levelB = measureLevel(real);
    const double louder = levelB.alternating().value / std::max(1e-9, levelA.alternating().value);
    const double dc = levelB.mean.value - louder * levelA.mean.value;
    addFigure(answer, "loudness-decibels", say("louder, in the mean"),
              fmt::format("{:+.2f} dB", toDecibels(louder).value), toDecibels(louder).value);
    addFigure(answer, "offset-volts", say("DC of the real one, more by"), fmt::format("{:+.0f} mV", 1e3 * dc), dc);
    if (noise > kNoiseOff && floorB < 0.03 * loud) said.push_back(say("noise {:.0f} dB higher", noise));
    if (std::abs(gain) > kLevelOff)
        said.push_back(gain < 0.0 ? say("{:.1f} dB quieter", -gain) : say("{:.1f} dB louder", gain));

    Plot over;
    over.id = "traces";
    over.title = say("Both over each other, at one gain");
    const double shown = std::min(0.4, static_cast<double>(size) / kRate);
    std::size_t begin = 0;
    if (!hitsA.empty()) begin = static_cast<std::size_t>(std::max(0.0, hitsA.front().at - 0.005) * kRate);
    const auto count = std::min(size - begin, static_cast<std::size_t>(shown * kRate));
    over.x = {"ms", 0.0, 1e3 * shown, false};
    double peak = 0.1;
    std::vector<float> scaled;
    for (std::size_t i = 0; i < count; ++i) scaled.push_back(real[begin + i] / static_cast<float>(pair.gain));
    for (const auto& side : {sim.subspan(begin, count), std::span<const float>(scaled)}) {
        const int number = static_cast<int>(over.curves.size());
        over.curves.push_back(
            {plain(answer.tracks[idx(number)]), number, SignalKind::Audio, columnsOf(side, kPlotColumns), {}, false});
        peak = std::max(peak, measureLevel(side).peak().value);
    }
    over.y = voltAxis(-peak, peak);
    answer.plots.insert(answer.plots.begin(), std::move(over));
    answer.plots.push_back(std::move(bands));
    if (options.progress) (void)options.progress(1.0);

    if (said.empty()) {
        answer.verdict =
            say("The real one is like this: nothing that is measured differs by more than it would matter.");
        return answer;
    }
    answer.verdict = inside(say("The real one differs"), said.front());
    for (std::size_t i = 1; i < std::min<std::size_t>(4, said.size()); ++i)
        answer.also.push_back(said[i]); // as many as one reads in a line
    return answer;
}

} // namespace lariat
