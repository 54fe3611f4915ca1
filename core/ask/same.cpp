// Same each time? Hits cut at their trigger and laid over each other; what differs, by how much, and where in time.
#include "ask/parts.h"
#include "measure/hits.h"
#include "measure/pitch_line.h"
#include "measure/wave.h"
#include "units/level.h"
#include "units/pitch.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace lariat {
namespace {

constexpr double kAlike = 1.0; ///< per cent: nobody hears less
constexpr double kShown = 0.4; ///< seconds of a hit
constexpr std::size_t kMostDrawn = 32;

template <class Get> std::optional<double> median(const std::vector<HitReading>& hits, Get get) {
    std::vector<double> values;
    for (const HitReading& hit : hits)
        if (const std::optional<double> value = get(hit)) values.push_back(*value);
    if (values.empty() || 2 * values.size() < hits.size()) return std::nullopt;
    std::ranges::nth_element(values, values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2));
    return values[values.size() / 2];
}

bool strikes(const Trace& track) {
    return track.kind == SignalKind::Gate || track.kind == SignalKind::Clock;
}

/// The triggers that cut it: of a gate among the tracks, else where the sound begins by itself.
std::vector<double> triggersOf(const Asked& asked, Sentence& how) {
    for (std::size_t i = 1; i < asked.tracks.size(); ++i)
        if (strikes(asked.tracks[i])) {
            auto edges = passages(samplesFrom(asked.tracks[i], asked.options.from), 1.5, true, 0.25);
            for (double& edge : edges) edge /= asked.tracks[i].rate;
            how = say("cut by {}", asked.tracks[i].name);
            return edges;
        }
    how = say("cut where the sound begins");
    return onsets(samplesFrom(asked.tracks.front(), asked.options.from), asked.tracks.front().rate);
}

Plot overlaid(const std::vector<HitReading>& hits, std::size_t worst, double rate, const Sentence& how) {
    Plot plot;
    plot.id = "hits";
    plot.title = inside(say("{} hits over each other", hits.size()), how);
    double shown = kShown;
    for (const HitReading& hit : hits) shown = std::min(shown, static_cast<double>(hit.volts.size()) / rate);
    if (const auto t20 = median(hits, [](const HitReading& hit) { return hit.t20; }))
        shown = std::min(shown, 1.5 * *t20 + 0.02);
    plot.x = {"ms", 0.0, 1e3 * shown, false};
    double peak = 0.0;
    const auto size = static_cast<std::size_t>(shown * rate);
    const auto add = [&](std::size_t h, bool alarm) {
        PlotCurve curve{alarm ? say("hit {}", h + 1) : Sentence{}, alarm ? -1 : 0, SignalKind::Audio, {}, {}, alarm};
        const std::size_t step = std::max<std::size_t>(1, size / 3000);
        for (std::size_t i = 0; i < std::min(size, hits[h].volts.size()); i += step)
            curve.points.emplace_back(static_cast<float>(1e3 * static_cast<double>(i) / rate), hits[h].volts[i]);
        plot.curves.push_back(std::move(curve));
        peak = std::max(peak, hits[h].peak);
    };
    for (std::size_t h = 0; h < std::min(hits.size(), kMostDrawn); ++h)
        if (h != worst) add(h, false);
    add(worst, hits[worst].differs > kAlike);
    plot.y = voltAxis(-peak, peak);
    plot.share = 1.6;
    return plot;
}

Plot differences(const std::vector<HitReading>& hits, std::size_t worst) {
    Plot plot;
    plot.id = "differences";
    plot.title = say("Difference from the first, per hit");
    double most = 1.0;
    for (std::size_t h = 0; h < std::min(hits.size(), kMostDrawn); ++h) {
        const bool alarm = h == worst && hits[h].differs > kAlike;
        plot.bars.push_back({fmt::format("{}", h + 1), hits[h].differs, 0, alarm,
                             h == worst ? percentText(hits[h].differs) : std::string()});
        most = std::max(most, hits[h].differs);
    }
    plot.y = {"%", 0.0, 1.35 * most, false};
    plot.share = 0.6;
    return plot;
}

Plot pitchOfHit(const HitReading& hit, double rate, const std::optional<double>& tail) {
    Plot plot;
    plot.id = "pitch";
    plot.title = say("Pitch against time");
    const auto size = std::min(hit.volts.size(), static_cast<std::size_t>(kShown * rate));
    // From one passage through zero to the next but one: a drum falls too fast for frames.
    const auto up = passages(hit.volts.first(size), 0.0, true, 0.004 * hit.peak);
    PlotCurve curve{{}, 0, SignalKind::Pitch, {}, {}, false};
    double low = 1e9;
    double high = 0.0;
    for (std::size_t i = 1; i < up.size(); ++i) {
        const double hertz = rate / (up[i] - up[i - 1]);
        if (hertz > 4000.0) continue;
        curve.points.emplace_back(static_cast<float>(1e3 * 0.5 * (up[i] + up[i - 1]) / rate),
                                  static_cast<float>(hertz));
        low = std::min(low, hertz);
        high = std::max(high, hertz);
    }
    if (curve.points.size() < 2) return plot;
    plot.x = {"ms", 0.0, 1e3 * static_cast<double>(size) / rate, false};
    plot.y = {"Hz", 0.8 * low, 1.25 * high, true};
    if (tail)
        plot.marks.push_back({false, noteToHertz(nearestNote(Hertz{*tail}).note).value,
                              plain(noteName(nearestNote(Hertz{*tail}).note)), false});
    plot.curves.push_back(std::move(curve));
    return plot;
}

/// How level follows a control at the moment of each hit, in dB per volt; nothing if the control stands still.
std::optional<double> perVolt(const std::vector<HitReading>& hits, const Trace& control, double from) {
    const auto volts = samplesFrom(control, from);
    double n = 0.0, sx = 0.0, sy = 0.0, sxx = 0.0, sxy = 0.0;
    for (const HitReading& hit : hits) {
        const auto place = static_cast<std::size_t>((hit.at + 0.002) * control.rate);
        if (place >= volts.size() || hit.level <= 0.0) continue;
        const auto x = static_cast<double>(volts[place]);
        const double y = toDecibels(hit.level).value;
        n += 1.0;
        sx += x;
        sy += y;
        sxx += x * x;
        sxy += x * y;
    }
    const double spread = n * sxx - sx * sx;
    if (n < 3.0 || spread < 0.01 * n * n) return std::nullopt;
    return (n * sxy - sx * sy) / spread;
}

} // namespace

Answer askSame(const Asked& asked) {
    Answer answer;
    answer.question = Question::Same;
    for (const Trace& track : asked.tracks) answer.tracks.push_back(track.name);
    const Trace& own = asked.tracks.front();
    const auto volts = samplesFrom(own, asked.options.from);
    Sentence how;
    const auto triggers = triggersOf(asked, how);
    std::vector<HitReading> hits = measureHits(volts, own.rate, triggers);
    // The last one may have been cut short by the end of the run.
    if (hits.size() > 2 && hits.back().volts.size() < 3 * hits[hits.size() - 2].volts.size() / 4) hits.pop_back();
    if (hits.size() < 2) {
        answer.verdict = hits.empty() ? say("{} holds no hits: nothing in it begins.", own.name)
                                      : say("{} holds one hit only: there is nothing to compare it with.", own.name);
        addFigure(answer, "hits", say("hits found"), fmt::format("{}", hits.size()), static_cast<double>(hits.size()));
        return answer;
    }
    std::size_t worst = 1;
    double quietest = hits[0].level;
    double loudest = hits[0].level;
    double latest = 0.0;
    for (std::size_t h = 0; h < hits.size(); ++h) {
        if (h > 0 && hits[h].differs > hits[worst].differs) worst = h;
        quietest = std::min(quietest, hits[h].level);
        loudest = std::max(loudest, hits[h].level);
        latest = std::max(latest, std::abs(hits[h].late));
    }
    std::vector<double> differs;
    for (std::size_t h = 1; h < hits.size(); ++h) differs.push_back(hits[h].differs);
    std::ranges::sort(differs);
    const double usual = differs[differs.size() / 2];
    const auto tail = median(hits, [](const HitReading& hit) { return hit.tail; });
    answer.plots = {overlaid(hits, worst, own.rate, how), differences(hits, worst)};
    if (Plot pitch = pitchOfHit(hits.front(), own.rate, tail); !pitch.curves.empty())
        answer.plots.push_back(std::move(pitch));

    addFigure(answer, "hits", say("hits compared"), fmt::format("{}", hits.size()), static_cast<double>(hits.size()));
    addFigure(answer, "alike-percent", say("usual difference"), percentText(usual), usual);
    addFigure(answer, "worst-percent", say("worst, hit {}", worst + 1), percentText(hits[worst].differs),
              hits[worst].differs, -1, hits[worst].differs > kAlike);
    addFigure(answer, "worst-at-seconds", say("where it differs most"), timeText(hits[worst].differsAt),
              hits[worst].differsAt);
    addFigure(answer, "late-seconds", say("latest or earliest by"), timeText(latest), latest);
    if (const auto attack = median(hits, [](const HitReading& hit) { return std::optional(hit.attack); }))
        addFigure(answer, "attack-seconds", say("loudest after"), timeText(*attack), *attack);
    if (const auto click = median(hits, [](const HitReading& hit) { return hit.click; }))
        addFigure(answer, "click-seconds", say("click, above 200 Hz"), timeText(*click), *click);
    if (tail) {
        const NearestNote near = nearestNote(Hertz{*tail});
        addFigure(answer, "tail-hertz", say("tail"), noteText(*tail), *tail);
        if (asked.options.key) {
            const int to = asked.options.key->nearest(near.note);
            const double cents = 1200.0 * std::log2(*tail / noteToHertz(to).value);
            addFigure(answer, "tail-cents", say("tail against the key"),
                      fmt::format("{} {}", noteName(to), centsText(cents)), cents, -1, std::abs(cents) > 20.0);
        }
    }
    if (const auto t20 = median(hits, [](const HitReading& hit) { return hit.t20; }))
        addFigure(answer, "t20-seconds", say("down by 20 dB"), timeText(*t20), *t20);
    const auto t60 = median(hits, [](const HitReading& hit) { return hit.t60; });
    std::optional<double> free;
    if (t60) {
        const bool reached = std::ranges::all_of(hits, [](const HitReading& hit) { return hit.t60Reached; });
        addFigure(answer, "t60-seconds", reached ? say("down by 60 dB") : say("down by 60 dB, by its slope"),
                  timeText(*t60), *t60);
        double gap = std::numeric_limits<double>::max();
        for (std::size_t h = 0; h + 1 < hits.size(); ++h)
            gap = std::min(gap, hits[h + 1].at - hits[h].at - hits[h].attack);
        free = gap - *t60;
        addFigure(answer, "free-seconds", say("free before the next"), timeText(*free), *free, -1, *free < 0.0);
    }
    if (const auto peak = median(hits, [](const HitReading& hit) { return std::optional(hit.peak); }))
        addFigure(answer, "peak-volts", say("peak"), voltsText(*peak), *peak);
    const double spread = 20.0 * std::log10(loudest / std::max(1e-9, quietest));
    addFigure(answer, "spread-decibels", say("level, spread"), decibelText(spread), spread);
    for (std::size_t i = 1; i < asked.tracks.size(); ++i)
        if (!strikes(asked.tracks[i]))
            if (const auto slope = perVolt(hits, asked.tracks[i], asked.options.from))
                addFigure(answer, "decibels-per-volt", say("level over {}", asked.tracks[i].name),
                          fmt::format("{:+.2f} dB/V", *slope), *slope, static_cast<int>(i));

    if (hits[worst].differs <= kAlike)
        answer.verdict = say("All {} hits are the same to {}.", hits.size(), percentText(hits[worst].differs));
    else if (usual <= kAlike)
        answer.verdict = say("The hits are the same to {}, but hit {} differs by {}: {} after its trigger, {:+.1f} dB.",
                             percentText(usual), worst + 1, percentText(hits[worst].differs),
                             timeText(hits[worst].differsAt), hits[worst].louder);
    else
        answer.verdict = say("No two hits are the same: they differ by {} as a rule, most {} after the trigger.",
                             percentText(usual), timeText(hits[worst].differsAt));
    if (tail && free)
        answer.more = *free >= 0.0 ? say("The tail stands at {} and has ended {} before the next hit.", noteText(*tail),
                                         timeText(*free))
                                   : say("The tail stands at {}; the next hit cuts it off {} before it is 60 dB down.",
                                         noteText(*tail), timeText(-*free));
    else if (tail)
        answer.more = say("The tail stands at {}.", noteText(*tail));
    return answer;
}

} // namespace lariat
