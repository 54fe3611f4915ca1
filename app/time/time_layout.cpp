#include "time/time_layout.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace lariat {
namespace {

constexpr qreal kMargin = 16;   ///< behind the last pulse
constexpr qreal kNarrowest = 9; ///< pixels of a pulse
constexpr qreal kFaders = 92;
constexpr qreal kResponse = 76; ///< of a contour, at least
constexpr qreal kTune = 84;
constexpr qreal kSound = 64;
constexpr qreal kMore = 34;
constexpr qreal kClocks = 30;
constexpr qreal kClock = 42;
constexpr qreal kBetween = 12; ///< between two sequencers
constexpr long kMostOnPage = 64;
constexpr long kUsualPage = 16;
constexpr long kMostAtOnce = 48; ///< pulses of a whole cycle that stand on one page

/// Pulses of the longest line, once through.
long pageOf(const Patch& patch, const Library& library, const Sequencer& sequencer, int variation) {
    double longest = 0.0;
    if (const Pattern* pattern = patch.pattern(sequencer.post)) {
        for (const Track& track : pattern->tracksOf(variation))
            longest = std::max(longest, static_cast<double>(track.steps.size()) * track.stride.pulses());
        for (const Lane& lane : pattern->lanesOf(variation))
            longest = std::max(longest, static_cast<double>(lane.hits.size()) * lane.stride.pulses());
    } else if (!sequencer.plays) {
        longest = static_cast<double>(cycleOf(patch, library, sequencer, variation));
    }
    if (longest <= 0.0) return kUsualPage;
    return std::min(kMostOnPage, std::lround(std::ceil(longest - 1e-9)));
}

TimeSection sectionFor(const Patch& patch, const Library& library, const Sequencer& sequencer, const TimeView& view) {
    TimeSection section;
    section.sequencer = sequencer;
    section.variation = view.variation(sequencer.post);
    section.page = std::max(1L, pageOf(patch, library, sequencer, section.variation));
    const long cycle = std::max(section.page, cycleOf(patch, library, sequencer, section.variation));
    if (cycle <= kMostAtOnce) section.page = cycle; // where each line turns over, and where all meet again
    section.passes = (std::min(cycle, kMostPulses) + section.page - 1) / section.page;
    section.pass = std::clamp(view.pass(sequencer.post), 0L, section.passes - 1);
    section.first = section.pass * section.page;
    section.left = TimeLayout::kHead;
    const qreal room = view.width - TimeLayout::kHead - kMargin;
    section.pulseWidth = std::max(kNarrowest, view.zoom * room / static_cast<qreal>(section.page));
    return section;
}

TimeRow::Kind rowKind(LineKind kind) {
    switch (kind) {
    case LineKind::Track:
        return TimeRow::Kind::Track;
    case LineKind::Lane:
        return TimeRow::Kind::Lane;
    case LineKind::Faders:
        return TimeRow::Kind::Faders;
    case LineKind::Fill:
        break;
    }
    return TimeRow::Kind::Fill;
}

qreal heightOf(TimeRow::Kind kind) {
    switch (kind) {
    case TimeRow::Kind::Track:
        return TimeLayout::kTrack;
    case TimeRow::Kind::Faders:
        return kFaders;
    default:
        return TimeLayout::kLane;
    }
}

} // namespace

int TimeLayout::rowAt(qreal y) const {
    for (std::size_t i = 0; i < rows.size(); ++i)
        if (y >= rows[i].top && y < rows[i].bottom()) return static_cast<int>(i);
    return -1;
}

const TimeRow* TimeLayout::rowOf(const LineRef& line) const {
    const auto found = std::ranges::find_if(rows, [&](const TimeRow& row) { return row.isLine() && row.line == line; });
    return found == rows.end() ? nullptr : &*found;
}

TimeLayout layOutTime(const Patch& patch, const Library& library, const TimeView& view) {
    TimeLayout out;
    qreal y = 0;
    const auto add = [&](TimeRow row, qreal height) {
        row.section = out.sections.size() - 1;
        row.top = y;
        row.height = height;
        y += height;
        out.rows.push_back(std::move(row));
    };
    for (const Sequencer& sequencer : sequencersOf(patch, library)) {
        if (y > 0) y += kBetween;
        out.sections.push_back(sectionFor(patch, library, sequencer, view));
        const TimeSection& section = out.sections.back();
        const Responses* responses = view.responses(sequencer.post);
        const Pattern* pattern = patch.pattern(sequencer.post);
        add({TimeRow::Kind::Heading, 0, {sequencer.post, false, 0}}, TimeLayout::kAxis);
        const auto addResponses = [&](const std::optional<LineRef>& line) {
            if (!responses) return;
            for (std::size_t t = 0; t < responses->tunes.size(); ++t) {
                if (responses->tunes[t].path.line != line) continue;
                add({TimeRow::Kind::Tune, 0, line.value_or(LineRef{}), static_cast<int>(t)},
                    std::max(kTune, 50 + view.factsHeight(responses->tunes[t].facts)));
            }
            for (std::size_t c = 0; c < responses->contours.size(); ++c) {
                if (responses->contours[c].line != line) continue;
                add({TimeRow::Kind::Contour, 0, line.value_or(LineRef{}), static_cast<int>(c)},
                    std::max(kResponse, 50 + view.factsHeight(responses->contours[c].facts)));
            }
            for (std::size_t s = 0; s < responses->sounds.size(); ++s) {
                if (responses->sounds[s].line != line) continue;
                add({TimeRow::Kind::Sound, 0, line.value_or(LineRef{}), static_cast<int>(s)},
                    std::max(kSound, 30 + view.factsHeight(responses->sounds[s].facts)));
            }
        };
        bool any = false;
        bool hidden = false;
        for (const SequencerLine& line : sequencer.lines) {
            const bool written = !sequencer.plays || (pattern && stepsOf(*pattern, line.at, section.variation) > 0);
            // What is not written yet is one short row for all; the first of an empty one invites.
            const bool first = !pattern && sequencer.plays && line.at.index == 0;
            if (!written && !first) {
                hidden = true;
                continue;
            }
            any = true;
            add({rowKind(line.kind), 0, line.at}, heightOf(rowKind(line.kind)));
            addResponses(line.at);
        }
        addResponses(std::nullopt);
        if (hidden || !any) add({TimeRow::Kind::More, 0, {sequencer.post, false, 0}}, kMore);
        out.width = std::max(out.width, section.left + static_cast<qreal>(section.page) * section.pulseWidth + kMargin);
    }
    if (view.clocks > 0 && !out.sections.empty()) {
        y += kBetween;
        // They stand under the axis of the first sequencer.
        const auto stand = [&](TimeRow::Kind kind, int index, qreal height) {
            out.rows.push_back({kind, 0, {}, index, y, height});
            y += height;
        };
        stand(TimeRow::Kind::Clocks, 0, kClocks);
        for (int branch = 0; branch < view.clocks; ++branch) stand(TimeRow::Kind::Clock, branch, kClock);
    }
    out.height = y;
    return out;
}

std::vector<StepBox> stepsOnPage(const TimeSection& section, const Stride& stride, int steps) {
    std::vector<StepBox> out;
    if (steps <= 0) return out;
    const double length = stride.pulses();
    const auto begin = static_cast<double>(section.first);
    const auto end = begin + static_cast<double>(section.page);
    const long own = stride.direction == Direction::Pendulum ? std::max(1, 2 * steps - 2) : steps;
    for (long k = static_cast<long>(std::floor(begin / length + 1e-9)); static_cast<double>(k) * length < end - 1e-9;
         ++k) {
        const auto late = [&](long at) {
            const bool swung = !stride.triplets && at % 2 == 1;
            return swung ? (2.0 * stride.swing - 1.0) * length : 0.0;
        };
        const Direction way = stride.direction == Direction::Random ? Direction::Forward : stride.direction;
        StepBox box;
        box.step = static_cast<int>(stepAt(k, static_cast<std::size_t>(steps), way));
        box.from = static_cast<double>(k) * length + late(k);
        box.to = static_cast<double>(k + 1) * length + late(k + 1);
        box.again = static_cast<double>(k) - begin / length >= static_cast<double>(own) - 1e-9;
        out.push_back(box);
    }
    return out;
}

std::vector<StepBox> stepsOnPage(const TimeSection& section, const std::vector<int>& pulses) {
    std::vector<StepBox> out;
    const long whole = std::accumulate(pulses.begin(), pulses.end(), 0L);
    if (whole <= 0) return out;
    const long end = section.first + section.page;
    for (long turn = section.first / whole; turn * whole < end; ++turn) {
        long at = turn * whole;
        for (std::size_t step = 0; step < pulses.size() && at < end; ++step) {
            const long to = at + pulses[step];
            if (to > section.first)
                out.push_back({static_cast<int>(step), static_cast<double>(at), static_cast<double>(to),
                               at - section.first >= whole});
            at = to;
        }
    }
    return out;
}

} // namespace lariat
