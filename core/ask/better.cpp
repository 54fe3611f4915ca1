// Which is better? Two of anything, at one loudness: figures of both, and what is different about them.
#include "ask/parts.h"
#include "engine/render.h"
#include "log/heard.h"
#include "measure/loudness.h"
#include "measure/partials.h"
#include "units/level.h"

#include <algorithm>
#include <cmath>
#include <future>

namespace lariat {
namespace {

/// As a file at the rate of takes would hold it, the same on both sides.
std::vector<float> asMix(const Trace& track, double from) {
    const auto volts = samplesFrom(track, from);
    return convertMix(volts, volts, track.rate, kTakeRate);
}

} // namespace

Answer askBetter(const Asked& asked) {
    Answer answer;
    answer.question = Question::Better;
    for (const Trace& track : asked.tracks) answer.tracks.push_back(track.name);
    if (asked.tracks.size() < 2) {
        answer.verdict = say("One alone is neither better nor worse: choose what to hold it against.");
        return answer;
    }
    // Side by side: each of them takes half a second of ten.
    auto second = std::async(std::launch::async, [&] { return hear(asMix(asked.tracks[1], asked.options.from)); });
    const TakeSound one = hear(asMix(asked.tracks[0], asked.options.from));
    const TakeSound other = second.get();
    std::vector<Sentence> said;
    for (const FigureInfo& info : allFigures()) {
        const auto a = one.figures.find(info.id);
        const auto b = other.figures.find(info.id);
        if (a == one.figures.end() && b == other.figures.end()) continue;
        const std::string left = a == one.figures.end() ? "–" : figureText(info, a->second);
        const std::string right = b == other.figures.end() ? "–" : figureText(info, b->second);
        if (a != one.figures.end()) addFigure(answer, info.id, figureName(info), left, a->second, 0);
        if (b != other.figures.end()) addFigure(answer, info.id, figureName(info), right, b->second, 1);
        if (a == one.figures.end() || b == other.figures.end()) continue;
        const Sentence differs = figureDifference(info, a->second, b->second);
        if (!differs.empty()) said.push_back(inside(figureName(info), differs));
    }
    const auto levelA = one.figures.find("level");
    const auto levelB = other.figures.find("level");
    Plot outline;
    outline.id = "outlines";
    outline.title = say("Both at one loudness");
    const double matched =
        levelA != one.figures.end() && levelB != other.figures.end() ? levelA->second - levelB->second : 0.0;
    double peak = 0.0;
    for (int i = 0; i < 2; ++i) {
        const Trace& track = asked.tracks[static_cast<std::size_t>(i)];
        const auto gain = static_cast<float>(i == 0 ? 1.0 : toRatio({matched}));
        auto columns = columnsOf(samplesFrom(track, asked.options.from), kPlotColumns);
        for (MinMax& column : columns) {
            column = {gain * column.min, gain * column.max};
            peak = std::max(peak, static_cast<double>(std::max(-column.min, column.max)));
        }
        outline.curves.push_back({plain(track.name), i, SignalKind::Audio, std::move(columns), {}, false});
    }
    outline.lanes = true;
    outline.x = {"s", 0.0, std::max(asked.tracks[0].seconds(), asked.tracks[1].seconds()) - asked.options.from, false};
    outline.y = voltAxis(-peak, peak);
    Plot spectrum;
    spectrum.id = "spectrum";
    spectrum.title = say("What is in them, in thirds of an octave");
    spectrum.x = {"Hz", 25.0, 20000.0, true};
    double top = -60.0;
    for (int i = 0; i < 2; ++i) {
        const Trace& track = asked.tracks[static_cast<std::size_t>(i)];
        const auto thirds = thirdsOf(averagedSpectrum(samplesFrom(track, asked.options.from), track.rate, 32768));
        PlotCurve curve{plain(track.name), i, SignalKind::Audio, {}, {}, false};
        for (std::size_t b = 0; b < thirds.size(); ++b) {
            curve.points.emplace_back(static_cast<float>(thirdHertz(b)), static_cast<float>(thirds[b]));
            top = std::max(top, thirds[b]);
        }
        spectrum.curves.push_back(std::move(curve));
    }
    spectrum.y = {"dB", -60.0, 10.0 * std::ceil((top + 1.0) / 10.0), false};
    answer.plots = {std::move(outline), std::move(spectrum)};
    if (matched != 0.0)
        addFigure(answer, "match-decibels", say("turned for comparing, the second"), fmt::format("{:+.1f} dB", matched),
                  matched);
    if (said.empty()) {
        answer.verdict = say("Nothing that is measured tells {} from {}.", asked.tracks[1].name, asked.tracks[0].name);
        return answer;
    }
    answer.verdict = inside(say("{} against {}", asked.tracks[1].name, asked.tracks[0].name), said.front());
    if (said.size() > 1) answer.more = said[1];
    return answer;
}

} // namespace lariat
