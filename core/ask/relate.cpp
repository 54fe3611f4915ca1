// How do these relate? Sounds by the interval between them, gates by their ratio and offset, levels by correlation.
#include "measure/relate.h"

#include "ask/parts.h"
#include "measure/align.h"
#include "measure/measure.h"
#include "measure/pitch_track.h"
#include "measure/wave.h"
#include "units/pitch.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <numeric>

namespace lariat {
namespace {

constexpr double kLowestTone = 0.05; ///< seconds of a period
constexpr double kLongestLag = 0.5;  ///< seconds
constexpr double kSameTempo = 1e-4;  ///< part by which two rates may differ and be one

/// Gates are told by their times; what pulses so fast that it is heard, by its pitch.
bool pulses(const Trace& track, double from) {
    if (track.kind != SignalKind::Gate && track.kind != SignalKind::Clock) return false;
    const auto edges = passages(samplesFrom(track, from), 1.5, true, 0.25);
    return edges.size() < 3 ||
           (edges.back() - edges.front()) / track.rate > kLowestTone * static_cast<double>(edges.size() - 1);
}

std::optional<double> pitchOfTrack(const Trace& track, double from) {
    const auto volts = samplesFrom(track, from);
    if (track.kind == SignalKind::Pitch) {
        const LevelReading level = measureLevel(volts);
        if (level.swing().value < 0.002) return toHertz(level.mean).value;
        return std::nullopt;
    }
    const auto part = volts.first(std::min(volts.size(), static_cast<std::size_t>(2.0 * track.rate)));
    const auto pitch = measurePitch(part, track.rate, {1e-3});
    if (pitch && pitch->clarity > kSteadyClarity) return pitch->hertz.value;
    return measureWave(volts, track.rate).hertz;
}

/// "3:2, a fifth +2.0 cents"
Sentence intervalText(double ratio) {
    const auto just = simpleRatio(ratio);
    if (!just) return say("{:.4f}:1, {:+.1f} cents", ratio, ratioToCents(ratio).value);
    const Interval interval = intervalName(*just);
    if (interval.name.empty()) return say("{}:{} {:+.1f} cents", just->above, just->below, just->cents);
    if (interval.octaves == 0)
        return inside(say("{}:{} {:+.1f} cents", just->above, just->below, just->cents), interval.name);
    if (just->below == 1 && std::has_single_bit(static_cast<unsigned long>(just->above)))
        return interval.octaves == 1
                   ? say("{}:{} {:+.1f} cents: an octave", just->above, just->below, just->cents)
                   : say("{}:{} {:+.1f} cents: {} octaves", just->above, just->below, just->cents, interval.octaves);
    return inside(
        interval.octaves == 1
            ? say("{}:{} {:+.1f} cents: an octave and", just->above, just->below, just->cents)
            : say("{}:{} {:+.1f} cents: {} octaves and", just->above, just->below, just->cents, interval.octaves),
        interval.name);
}

void relatePitches(Answer& answer, const Asked& asked, const std::vector<double>& hertz) {
    for (std::size_t i = 0; i < hertz.size(); ++i)
        addFigure(answer, "pitch-hertz", say("frequency"), noteText(hertz[i]), hertz[i], static_cast<int>(i));
    Plot plot;
    plot.id = "ratios";
    plot.title = say("Cents above the lowest");
    const double lowest = *std::ranges::min_element(hertz);
    double high = 0.0;
    for (std::size_t i = 0; i < hertz.size(); ++i) {
        const double cents = ratioToCents(hertz[i] / lowest).value;
        plot.bars.push_back({asked.tracks[i].name, cents, static_cast<int>(i), false, fmt::format("{:.0f}", cents)});
        high = std::max(high, cents);
    }
    plot.y = {"cents", 0.0, std::max(100.0, 1.15 * high), false};
    answer.plots.push_back(std::move(plot));
    for (std::size_t i = 1; i < hertz.size(); ++i) {
        const double ratio = hertz[i] / hertz[0];
        addFigure(answer, "cents", say("against the first"), fmt::format("{:+.1f} cents", ratioToCents(ratio).value),
                  ratioToCents(ratio).value, static_cast<int>(i));
        if (const auto just = simpleRatio(ratio); just && std::max(just->above, just->below) <= 16) {
            // Where partials meet, they beat at what is missing to the exact ratio.
            const double beat =
                std::abs(static_cast<double>(just->below) * hertz[i] - static_cast<double>(just->above) * hertz[0]);
            addFigure(answer, "ratio", say("as a ratio"), fmt::format("{}:{}", just->above, just->below),
                      static_cast<double>(just->above) / static_cast<double>(just->below), static_cast<int>(i));
            addFigure(answer, "beat-hertz", say("beats"), beat < 0.01 ? "0 Hz" : hertzText(beat), beat,
                      static_cast<int>(i));
        }
    }
    if (hertz.size() == 2) {
        const bool up = hertz[1] >= hertz[0];
        const Sentence interval = intervalText(up ? hertz[1] / hertz[0] : hertz[0] / hertz[1]);
        answer.verdict = inside(up ? say("{} stands above {}", asked.tracks[1].name, asked.tracks[0].name)
                                   : say("{} stands below {}", asked.tracks[1].name, asked.tracks[0].name),
                                interval);
    }
    if (const auto chord = chordOf(hertz)) {
        std::string parts;
        for (const long part : chord->parts) parts += (parts.empty() ? "" : ":") + fmt::format("{}", part);
        addFigure(answer, "chord", say("together"), parts);
        addFigure(answer, "chord-cents", say("at most off by"), centsText(chord->cents), chord->cents);
        const double common = lowest / static_cast<double>(chord->parts.front());
        addFigure(answer, "repeat-seconds", say("all repeat after"), timeText(1.0 / common), 1.0 / common);
        if (hertz.size() > 2)
            answer.verdict = chord->name.empty()
                                 ? say("They stand {}, at most {:.1f} cents off, and repeat every {}.", parts,
                                       std::abs(chord->cents), timeText(1.0 / common))
                                 : inside(say("They stand {}, at most {:.1f} cents off", parts, std::abs(chord->cents)),
                                          chord->name);
    } else if (hertz.size() > 2) {
        answer.verdict = say("They stand in no simple ratio: whole numbers up to 32 do not fit within 20 cents.");
    }
}

void relatePulses(Answer& answer, const Asked& asked) {
    std::vector<std::vector<double>> times;
    for (const Trace& track : asked.tracks) {
        auto edges = passages(samplesFrom(track, asked.options.from), 1.5, true, 0.25);
        for (double& edge : edges) edge /= track.rate;
        times.push_back(std::move(edges));
    }
    Plot plot;
    plot.id = "gates";
    plot.title = say("Gates on one time");
    plot.lanes = true;
    const double shown = std::min(4.0, asked.tracks.front().seconds() - asked.options.from);
    plot.x = {"s", 0.0, shown, false};
    plot.y = {"V", -1.0, 11.0, false};
    for (std::size_t i = 0; i < asked.tracks.size(); ++i) {
        const auto volts = samplesFrom(asked.tracks[i], asked.options.from);
        const auto size = std::min(volts.size(), static_cast<std::size_t>(shown * asked.tracks[i].rate));
        plot.curves.push_back({plain(asked.tracks[i].name),
                               static_cast<int>(i),
                               asked.tracks[i].kind,
                               columnsOf(volts.first(size), kPlotColumns),
                               {},
                               false});
    }
    answer.plots.push_back(std::move(plot));
    for (std::size_t i = 1; i < asked.tracks.size(); ++i) {
        const auto relation = relateGates(times[0], times[i]);
        const int number = static_cast<int>(i);
        if (!relation) {
            if (i == 1)
                answer.verdict = say("Too few pulses came to compare: {} and {}.", times[0].size(), times[i].size());
            continue;
        }
        if (i == 1)
            addFigure(answer, "rate-hertz", say("rate of {}", asked.tracks[0].name),
                      fmt::format("{} · {:.2f} BPM", hertzText(relation->hertzA), 60.0 * relation->hertzA),
                      relation->hertzA, 0);
        addFigure(answer, "rate-hertz", say("rate of {}", asked.tracks[i].name),
                  fmt::format("{} · {:.2f} BPM", hertzText(relation->hertzB), 60.0 * relation->hertzB),
                  relation->hertzB, number);
        addFigure(answer, "offset-seconds", say("comes after the first by"), timeText(relation->offset),
                  relation->offset, number);
        addFigure(answer, "jitter-seconds", say("unevenness"), timeText(relation->jitterB), relation->jitterB, number);
        const double ratio = relation->hertzB / relation->hertzA;
        const auto simple = simpleRatio(ratio, 64, 4.0);
        const bool exact =
            simple && std::abs(ratio * static_cast<double>(simple->below) / static_cast<double>(simple->above) - 1.0) <
                          kSameTempo;
        if (relation->meet && exact)
            addFigure(answer, "meet-seconds", say("meet again every"), timeText(*relation->meet), *relation->meet,
                      number);
        if (i > 1) continue;
        const std::string& one = asked.tracks[0].name;
        const std::string& other = asked.tracks[1].name;
        if (!exact)
            answer.verdict = say("{} and {} keep no common time: {} against {}.", one, other,
                                 hertzText(relation->hertzA), hertzText(relation->hertzB));
        else if (simple->above == simple->below && std::abs(relation->offset) < 5e-5)
            answer.verdict = say("{} and {} come together.", one, other);
        else if (simple->above == simple->below)
            answer.verdict = relation->offset > 0.0
                                 ? say("{} comes {} after {}.", other, timeText(relation->offset), one)
                                 : say("{} comes {} before {}.", other, timeText(-relation->offset), one);
        else
            answer.verdict = say("{} pulses of {} for {} of {}; they meet every {}.", simple->above, other,
                                 simple->below, one, timeText(relation->meet.value_or(0.0)));
    }
}

void relateLevels(Answer& answer, const Asked& asked) {
    const Trace& first = asked.tracks.front();
    Plot plot;
    plot.id = "traces";
    plot.title = say("{} traces on one time", asked.tracks.size());
    plot.x = {"s", 0.0, first.seconds() - asked.options.from, false};
    double low = 0.0;
    double high = 0.0;
    for (std::size_t i = 0; i < asked.tracks.size(); ++i) {
        const auto volts = samplesFrom(asked.tracks[i], asked.options.from);
        plot.curves.push_back({plain(asked.tracks[i].name),
                               static_cast<int>(i),
                               asked.tracks[i].kind,
                               columnsOf(volts, kPlotColumns),
                               {},
                               false});
        const LevelReading level = measureLevel(volts);
        low = std::min(low, level.min.value);
        high = std::max(high, level.max.value);
    }
    plot.y = voltAxis(low, high);
    answer.plots.push_back(std::move(plot));
    for (std::size_t i = 1; i < asked.tracks.size(); ++i) {
        const Trace& other = asked.tracks[i];
        const std::vector<float> volts = resampled(samplesFrom(other, asked.options.from), other.rate, first.rate);
        auto found = correlate(samplesFrom(first, asked.options.from), volts, first.rate, kLongestLag);
        const int number = static_cast<int>(i);
        // What is likest at the end of what was looked at has no lag that could be told.
        if (found && std::abs(found->lag) > 0.98 * kLongestLag) found = Correlation{found->now, found->now, 0.0};
        if (!found) {
            if (i == 1)
                answer.verdict =
                    say("One of them stands still, so that nothing can be said of how they move together.");
            continue;
        }
        addFigure(answer, "correlation", say("correlation"), fmt::format("{:+.3f}", found->now), found->now, number);
        addFigure(answer, "best-correlation", say("at its best"), fmt::format("{:+.3f}", found->best), found->best,
                  number);
        addFigure(answer, "lag-seconds", say("that much later"), timeText(found->lag), found->lag, number);
        if (i > 1) continue;
        if (std::abs(found->best) < 0.3)
            answer.verdict = say("{} and {} have nothing to do with each other (correlation {:+.2f}).", first.name,
                                 other.name, found->now);
        else if (std::abs(found->lag) < 2.0 / first.rate)
            answer.verdict =
                found->best > 0.0
                    ? say("{} goes with {} (correlation {:+.2f}).", other.name, first.name, found->best)
                    : say("{} goes against {} (correlation {:+.2f}).", other.name, first.name, found->best);
        else
            answer.verdict = found->lag > 0.0 ? say("{} follows {} after {} (correlation {:+.2f}).", other.name,
                                                    first.name, timeText(found->lag), found->best)
                                              : say("{} comes {} before {} (correlation {:+.2f}).", other.name,
                                                    timeText(-found->lag), first.name, found->best);
    }
}

} // namespace

Answer askRelate(const Asked& asked) {
    Answer answer;
    answer.question = Question::Relate;
    for (const Trace& track : asked.tracks) answer.tracks.push_back(track.name);
    if (asked.tracks.size() < 2) {
        answer.verdict = say("One alone relates to nothing: add a second jack or recording.");
        return answer;
    }
    if (std::ranges::all_of(asked.tracks, [&](const Trace& track) { return pulses(track, asked.options.from); })) {
        relatePulses(answer, asked);
        std::ranges::stable_sort(answer.figures, {}, &AskedFigure::track);
        return answer;
    }
    std::vector<double> hertz;
    for (const Trace& track : asked.tracks)
        if (const auto pitch = pitchOfTrack(track, asked.options.from)) hertz.push_back(*pitch);
    if (hertz.size() == asked.tracks.size())
        relatePitches(answer, asked, hertz);
    else
        relateLevels(answer, asked);
    std::ranges::stable_sort(answer.figures, {}, &AskedFigure::track);
    return answer;
}

} // namespace lariat
