// What shape is it? One to eight traces on one time axis, their figures, who leads whom, and the stages of an envelope.
#include "ask/parts.h"
#include "measure/wave.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kStillVolts = 0.005;

bool pulses(const Trace& track) {
    return track.kind == SignalKind::Gate || track.kind == SignalKind::Clock;
}

/// The track whose edge begins the picture, or -1.
int triggerTrack(const Asked& asked, const std::vector<WaveReading>& waves) {
    const Trigger& trigger = asked.options.trigger;
    if (trigger.by == Trigger::By::Free) return -1;
    if (trigger.by == Trigger::By::Edge) return std::clamp(trigger.track, 0, static_cast<int>(asked.tracks.size()) - 1);
    for (std::size_t i = 0; i < asked.tracks.size(); ++i)
        if (pulses(asked.tracks[i])) return static_cast<int>(i);
    for (std::size_t i = 0; i < waves.size(); ++i)
        if (waves[i].hertz) return static_cast<int>(i);
    return -1;
}

std::vector<double> edgesOf(const Trace& track, const Trigger& trigger, const WaveReading& wave, double from) {
    const double level =
        trigger.level.value_or(pulses(track) ? 1.5 : 0.5 * (wave.level.min.value + wave.level.max.value));
    auto edges = passages(samplesFrom(track, from), level, trigger.rising, 0.05 * wave.level.swing().value);
    for (double& edge : edges) edge /= track.rate;
    return edges;
}

/// Seconds that a picture shows: as long as is asked for, or a few periods, or two gates.
double windowOf(const Asked& asked, const std::vector<WaveReading>& waves, const std::vector<double>& edges) {
    const double most = std::max(1e-3, asked.tracks.front().seconds() - asked.options.from);
    if (asked.options.window) return std::min(*asked.options.window, most);
    if (edges.size() >= 2 && std::ranges::any_of(asked.tracks, pulses))
        return std::min(most, 2.2 * (edges.back() - edges.front()) / static_cast<double>(edges.size() - 1));
    double slowest = 0.0;
    for (const WaveReading& wave : waves)
        if (wave.hertz) slowest = std::max(slowest, 1.0 / *wave.hertz);
    return slowest > 0.0 ? std::min(most, (slowest < 0.02 ? 4.0 : 2.0) * slowest) : most;
}

/// The envelope among the tracks and the gate that opens it; -1: none.
std::pair<int, int> envelopeAndGate(const std::vector<Trace>& tracks, const std::vector<WaveReading>& waves) {
    int gate = -1;
    int envelope = -1;
    for (std::size_t i = 0; i < tracks.size(); ++i) {
        if (tracks[i].kind == SignalKind::Gate && gate < 0) gate = static_cast<int>(i);
        const LevelReading& level = waves[i].level;
        const bool risesFromRest = level.min.value > -0.1 * level.max.value && level.swing().value > 0.2;
        if (tracks[i].kind == SignalKind::Control && risesFromRest && envelope < 0) envelope = static_cast<int>(i);
    }
    return {envelope, gate};
}

std::optional<Stages> stagesBehind(const Trace& envelope, const Trace& gate, double from) {
    const auto volts = samplesFrom(envelope, from);
    const auto opens = passages(samplesFrom(gate, from), 1.5, true, 0.25);
    const auto closes = passages(samplesFrom(gate, from), 1.5, false, 0.25);
    // The strike that has most room.
    std::optional<Stages> best;
    for (std::size_t i = 0; i < opens.size(); ++i) {
        const auto close = std::ranges::upper_bound(closes, opens[i]);
        const double end = i + 1 < opens.size() ? opens[i + 1] : static_cast<double>(volts.size());
        if (close == closes.end() || *close > end) continue;
        const auto begin = static_cast<std::size_t>(opens[i]);
        const auto until = std::min(volts.size(), static_cast<std::size_t>(end));
        if (until <= begin) continue;
        const auto stages =
            measureStages(volts.subspan(begin, until - begin), envelope.rate, *close - static_cast<double>(begin));
        const auto known = [](const Stages& s) { return (s.decay ? 1 : 0) + (s.release ? 1 : 0); };
        if (stages && (!best || known(*stages) > known(*best))) best = stages;
    }
    return best;
}

void addWaveFigures(Answer& answer, const Trace& track, const WaveReading& wave, int number) {
    const LevelReading& level = wave.level;
    if (level.swing().value < kStillVolts) {
        addFigure(answer, "volts", say("stands still"), voltsText(level.mean.value), level.mean.value, number);
        return;
    }
    addFigure(answer, "low-volts", say("lowest"), voltsText(level.min.value), level.min.value, number);
    addFigure(answer, "high-volts", say("highest"), voltsText(level.max.value), level.max.value, number);
    if (!pulses(track)) addFigure(answer, "dc-volts", say("DC"), voltsText(level.mean.value), level.mean.value, number);
    if (wave.hertz) {
        addFigure(answer, "hertz", say("frequency"), hertzText(*wave.hertz), *wave.hertz, number);
        addFigure(answer, "period-seconds", say("period"), timeText(1.0 / *wave.hertz), 1.0 / *wave.hertz, number);
    }
    if (wave.duty)
        addFigure(answer, "duty-percent", say("above half way"), percentText(100.0 * *wave.duty), 100.0 * *wave.duty,
                  number);
    if (wave.rise) addFigure(answer, "rise-seconds", say("rise, 10 to 90 %"), timeText(*wave.rise), *wave.rise, number);
    if (wave.fall) addFigure(answer, "fall-seconds", say("fall, 90 to 10 %"), timeText(*wave.fall), *wave.fall, number);
    if (wave.overshoot)
        addFigure(answer, "overshoot-percent", say("overshoot"), percentText(100.0 * *wave.overshoot),
                  100.0 * *wave.overshoot, number);
}

void addStageFigures(Answer& answer, const Stages& s, int number) {
    addFigure(answer, "attack-seconds", say("attack ends"),
              fmt::format("{} · {}", timeText(s.attack), voltsText(s.peak)), s.attack, number);
    if (s.decay)
        addFigure(answer, "decay-seconds", say("decay takes"),
                  fmt::format("{} · {}", timeText(*s.decay), voltsText(s.sustain)), *s.decay, number);
    addFigure(answer, "sustain-volts", say("when the gate closes"), voltsText(s.sustain), s.sustain, number);
    addFigure(answer, "gate-seconds", say("gate open"), timeText(s.open), s.open, number);
    if (s.release) addFigure(answer, "release-seconds", say("release takes"), timeText(*s.release), *s.release, number);
}

Plot traces(const Asked& asked, double begin, double window, const std::vector<WaveReading>& waves) {
    Plot plot;
    plot.id = "traces";
    plot.title = asked.tracks.size() == 1 ? say("One trace") : say("{} traces on one time", asked.tracks.size());
    plot.lanes = asked.options.lanes;
    const bool slow = window >= 1.0;
    plot.x = {slow ? "s" : "ms", 0.0, (slow ? 1.0 : 1e3) * window, false};
    double low = 0.0;
    double high = 0.0;
    for (std::size_t i = 0; i < asked.tracks.size(); ++i) {
        const Trace& track = asked.tracks[i];
        const auto volts = samplesFrom(track, asked.options.from + begin);
        const auto size = std::min(volts.size(), static_cast<std::size_t>(window * track.rate));
        plot.curves.push_back({plain(track.name), static_cast<int>(i), track.kind, {}, {}, false});
        PlotCurve& curve = plot.curves.back();
        if (size > 2 * kPlotColumns)
            curve.columns = columnsOf(volts.first(size), kPlotColumns);
        else
            for (std::size_t s = 0; s < size; ++s)
                curve.points.emplace_back(static_cast<float>((slow ? 1.0 : 1e3) * static_cast<double>(s) / track.rate),
                                          volts[s]);
        low = std::min(low, waves[i].level.min.value);
        high = std::max(high, waves[i].level.max.value);
    }
    plot.y = voltAxis(low, high);
    return plot;
}

Plot againstEachOther(const Asked& asked, const std::vector<WaveReading>& waves) {
    Plot plot;
    plot.id = "xy";
    plot.title = say("{} across, {} up", asked.tracks[0].name, asked.tracks[1].name);
    const auto axis = [&](std::size_t i) { return voltAxis(waves[i].level.min.value, waves[i].level.max.value); };
    plot.x = axis(0);
    plot.y = axis(1);
    PlotCurve curve{{}, 0, SignalKind::Control, {}, {}, false};
    const auto x = samplesFrom(asked.tracks[0], asked.options.from);
    const auto y = samplesFrom(asked.tracks[1], asked.options.from);
    const std::size_t size = std::min(x.size(), y.size());
    const std::size_t step = std::max<std::size_t>(1, size / 8000);
    for (std::size_t i = 0; i < size; i += step) curve.points.emplace_back(x[i], y[i]);
    plot.curves.push_back(std::move(curve));
    return plot;
}

Sentence shapeOf(const Trace& track, const WaveReading& wave) {
    const LevelReading& level = wave.level;
    if (level.swing().value < kStillVolts)
        return say("{} stands still at {}.", track.name, voltsText(level.mean.value));
    if (!wave.hertz)
        return say("{} moves between {} and {} and does not repeat itself.", track.name, voltsText(level.min.value),
                   voltsText(level.max.value));
    if (wave.overshoot && wave.duty)
        return say("{} is a pulse of {} width, {} to {}, at {}.", track.name, percentText(100.0 * *wave.duty),
                   voltsText(level.min.value), voltsText(level.max.value), hertzText(*wave.hertz));
    return say("{} swings between {} and {} at {}.", track.name, voltsText(level.min.value), voltsText(level.max.value),
               hertzText(*wave.hertz));
}

} // namespace

Answer askShape(const Asked& asked) {
    Answer answer;
    answer.question = Question::Shape;
    std::vector<WaveReading> waves;
    for (const Trace& track : asked.tracks) {
        answer.tracks.push_back(track.name);
        waves.push_back(measureWave(samplesFrom(track, asked.options.from), track.rate));
    }
    const int by = triggerTrack(asked, waves);
    std::vector<double> edges;
    if (by >= 0) edges = edgesOf(asked.tracks[idx(by)], asked.options.trigger, waves[idx(by)], asked.options.from);
    const double window = windowOf(asked, waves, edges);
    double begin = 0.0;
    const double room = asked.tracks.front().seconds() - asked.options.from - window;
    for (const double edge : edges)
        if (edge <= std::max(0.0, room)) { // the first, or with room for what went before to settle, the second
            begin = edge;
            if (edge > 0.01) break;
        }
    answer.plots.push_back(traces(asked, begin, window, waves));
    if (asked.options.xy && asked.tracks.size() >= 2) {
        Plot xy = againstEachOther(asked, waves);
        xy.share = 1.4;
        answer.plots.insert(answer.plots.begin(), std::move(xy));
    }
    for (std::size_t i = 0; i < asked.tracks.size(); ++i)
        addWaveFigures(answer, asked.tracks[i], waves[i], static_cast<int>(i));
    answer.verdict = shapeOf(asked.tracks.front(), waves.front());

    const auto [envelope, gate] = envelopeAndGate(asked.tracks, waves);
    if (envelope >= 0 && gate >= 0) {
        if (const auto stages =
                stagesBehind(asked.tracks[idx(envelope)], asked.tracks[idx(gate)], asked.options.from)) {
            addStageFigures(answer, *stages, envelope);
            const std::string& name = asked.tracks[idx(envelope)].name;
            if (stages->decay && stages->release)
                answer.verdict =
                    say("{} rises to {} in {}, falls in {} to a sustain of {}, and is gone {} after the gate.", name,
                        voltsText(stages->peak), timeText(stages->attack), timeText(*stages->decay),
                        voltsText(stages->sustain), timeText(*stages->release));
            else if (stages->decay)
                answer.verdict = say("{} rises to {} in {} and falls in {} to a sustain of {}; its release is cut off.",
                                     name, voltsText(stages->peak), timeText(stages->attack), timeText(*stages->decay),
                                     voltsText(stages->sustain));
            else
                answer.verdict = say("{} rises to {} in {} and never comes to rest while the gate is open; it closes "
                                     "after {} at {}.",
                                     name, voltsText(stages->peak), timeText(stages->attack), timeText(stages->open),
                                     voltsText(stages->sustain));
            answer.more = stages->straight ? say("Its stages are straight lines; ends are where they meet.")
                                           : say("Its stages bend; one counts as ended within 1 % of its way.");
            if (answer.plots.back().id == "traces")
                for (const auto& [at, text] : {std::pair{stages->attack, say("attack")},
                                               std::pair{stages->attack + stages->decay.value_or(-1.0), say("decay")},
                                               std::pair{stages->open, say("gate closes")}})
                    if (at > 0.0 && at < window)
                        answer.plots.back().marks.push_back({true, (window >= 1.0 ? 1.0 : 1e3) * at, text, false});
        }
    }
    std::vector<Sentence> who;
    for (std::size_t i = 1; i < asked.tracks.size(); ++i) {
        if (asked.tracks[0].rate != asked.tracks[i].rate || !waves[0].hertz || !waves[i].hertz) continue;
        const auto phase =
            phaseBetween(samplesFrom(asked.tracks[0], asked.options.from), *waves[0].hertz,
                         samplesFrom(asked.tracks[i], asked.options.from), *waves[i].hertz, asked.tracks[0].rate);
        if (!phase) continue;
        const double seconds = *phase / 360.0 / *waves[0].hertz;
        addFigure(answer, "phase-degrees", say("phase against the first"),
                  fmt::format("{:+.1f}° · {}", *phase, timeText(seconds)), *phase, static_cast<int>(i));
        if (std::abs(*phase) < 0.5)
            who.push_back(say("{} goes with it", asked.tracks[i].name));
        else if (std::abs(*phase) > 179.5)
            who.push_back(say("{} is its opposite", asked.tracks[i].name));
        else if (*phase > 0)
            who.push_back(say("{} leads it by {:.1f}° ({})", asked.tracks[i].name, *phase, timeText(seconds)));
        else
            who.push_back(say("{} follows it by {:.1f}° ({})", asked.tracks[i].name, -*phase, timeText(-seconds)));
    }
    if (!who.empty()) answer.more = who.front();
    std::ranges::stable_sort(answer.figures, {}, &AskedFigure::track);
    return answer;
}

} // namespace lariat
