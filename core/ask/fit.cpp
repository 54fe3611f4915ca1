// Fit: knobs are turned until the simulation is like a recording of the real case.
#include "ask/parts.h"
#include "ask/real.h"
#include "library/unknowns.h"
#include "measure/align.h"
#include "measure/measure.h"
#include "model/edit.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kRounds = 2;
constexpr double kNear = 0.25;      ///< dB of unlikeness that the search ends at
constexpr double kPitchNear = 0.3;  ///< semitones; nearer, another knob would make up for what tracks badly
constexpr double kGuard = 0.01;     ///< seconds
constexpr double kAround = 1.35;    ///< of the least unlikeness: what is so near matches as well
constexpr double kLeastRoom = 0.35; ///< dB above the least, for the range

/// Pitches that the recording clearly has, at the same moments of the run: with bands alone, cents are not seen.
std::vector<Goal> pitchGoals(std::span<const float> volts, double rate, const JackRef& at, double seconds) {
    std::vector<Goal> out;
    for (const auto& [from, to] :
         {std::pair{0.02, 0.08}, std::pair{0.08, 0.2}, std::pair{0.2, 0.4}, std::pair{0.5, 0.9}, std::pair{1.0, 1.4}}) {
        if (to > seconds) break;
        Goal goal{"pitch", GoalKind::Pitch, at, 0.0, kPitchNear, from, to};
        const auto begin = static_cast<std::size_t>(from * rate);
        const auto part =
            volts.subspan(begin, std::min(volts.size() - begin, static_cast<std::size_t>((to - from) * rate)));
        // A pitch that is the same in both halves of the window.
        const auto whole = measureGoal(goal, volts, rate);
        const auto first = measurePitch(part.first(part.size() / 2), rate, {1e-2});
        const auto second = measurePitch(part.last(part.size() / 2), rate, {1e-2});
        if (!whole || !first || !second || first->clarity < 0.9 || second->clarity < 0.9) continue;
        if (std::abs(std::log2(first->hertz.value / second->hertz.value)) > 0.02) continue;
        goal.want = *whole;
        out.push_back(std::move(goal));
    }
    return out;
}

/// What is to hold: like the recording, and at its pitches where it clearly has some.
Result<std::vector<Goal>> goalsFrom(const Patch& patch, const Library& library, const Trace& recording,
                                    const FitOptions& options) {
    RealOptions how;
    how.seconds = std::max(options.seconds, std::min(8.0, recording.seconds()));
    how.at = options.at;
    how.progress = [&](double) { return !options.progress || options.progress(0.0); };
    const auto pair = pairUp(patch, library, recording, how);
    if (!pair) return tl::unexpected(pair.error());
    const double rate = pair->recorded.rate;
    const std::vector<float>& all = pair->recorded.volts;
    const auto length = static_cast<std::size_t>(options.seconds * rate);
    const std::vector<float> real =
        aligned(all, rate, {pair->offset, pair->inverted, pair->gain, pair->drift, 1.0}, length);
    // What the recorder heard before it began is its noise.
    const auto quiet = std::min(all.size(), static_cast<std::size_t>(std::max(0.0, pair->offset - kGuard) * rate));
    std::vector<float> noise(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(quiet));
    for (float& v : noise) v /= static_cast<float>(pair->gain);
    Goal like{"like the recording", GoalKind::Like, options.at, 0.0, kNear, 0.0, options.seconds};
    like.like = std::make_shared<const Likeness>(likenessOf(real, rate, noise));
    std::vector<Goal> goals{like};
    for (Goal& goal : pitchGoals(real, rate, options.at, options.seconds)) goals.push_back(std::move(goal));
    return goals;
}

} // namespace

Result<Fitted> fitToRecording(const Patch& patch, const Library& library, const Trace& recording,
                              const FitOptions& options) {
    std::vector<SeekKnob> knobs = options.knobs;
    if (knobs.empty())
        for (const UnknownKnob& one : unknownsOf(patch, library)) {
            const KnobInfo* knob = library.part(*patch.post(one.post))->knob(one.knob);
            if (knob && knob->scale.taper != Taper::Switch && knobs.size() < kMostSeekKnobs)
                knobs.push_back({one.post, one.knob, one.low, one.high});
        }
    if (knobs.empty())
        return failure(say("no knob was named, and none is unknown in the patch: say which ones may be turned"));
    // Twice: what is found first lays the two over each other better, and what is found then is nearer.
    Fitted out;
    Patch best = patch;
    std::vector<Goal> goals;
    std::vector<GoalReading> readings;
    int runs = 0;
    for (int round = 0; round < kRounds; ++round) {
        auto wanted = goalsFrom(best, library, recording, options);
        if (!wanted) return tl::unexpected(wanted.error());
        goals = std::move(*wanted);
        const auto before = measureGoals(patch, library, {goals.front()});
        if (!before) return tl::unexpected(before.error());
        out.before = before->front().measured.value_or(60.0);
        SeekOptions seeking;
        seeking.mostRuns = options.mostRuns / kRounds;
        seeking.progress = [&](double done) { return !options.progress || options.progress(0.4 * (round + done)); };
        const auto found = seek(best, library, goals, knobs, seeking);
        if (!found) return tl::unexpected(found.error());
        runs += found->runs;
        readings = found->goals;
        auto next = applyEdits(best, found->edits);
        if (!next) return tl::unexpected(next.error());
        best = std::move(*next);
    }
    // The range in which it matches: as near as the best, and a little.
    std::vector<Goal> near;
    for (std::size_t g = 0; g < goals.size(); ++g) {
        if (!readings[g].measured) continue;
        Goal goal = goals[g];
        const double off = std::abs(*readings[g].measured - goal.want);
        goal.within = g == 0 ? std::max(off * kAround, off + kLeastRoom) : std::max(goal.within, off + 0.05);
        near.push_back(std::move(goal));
    }
    SeekOptions seeking;
    seeking.progress = [&](double done) { return !options.progress || options.progress(0.8 + 0.2 * done); };
    auto ranges = seek(best, library, near, knobs, seeking);
    if (!ranges) return tl::unexpected(ranges.error());
    out.after = readings.front().measured.value_or(60.0);
    out.sought = std::move(*ranges);
    out.sought.runs += runs;
    for (const FoundKnob& knob : out.sought.knobs) {
        out.edits.emplace_back(SetKnob{knob.post, knob.knob, knob.value});
        if (patch.post(knob.post)->unknown.contains(knob.knob))
            out.edits.emplace_back(SetUnknown{knob.post, knob.knob, Unknown{knob.low, knob.high}});
    }
    return out;
}

Answer fitAnswer(const Fitted& fitted, const Patch& patch, const Library& library) {
    Answer answer;
    answer.question = Question::Real;
    addFigure(answer, "before-decibels", say("unlike before"), decibelText(fitted.before), fitted.before);
    addFigure(answer, "after-decibels", say("unlike now"), decibelText(fitted.after), fitted.after, -1,
              fitted.after > 6.0);
    for (const FoundKnob& knob : fitted.sought.knobs) {
        const Post& post = *patch.post(knob.post);
        const KnobInfo& info = *library.part(post)->knob(knob.knob);
        addFigure(answer, knob.post + "." + knob.knob, plain(post.name + " " + info.name),
                  fmt::format("{} · {} ({}…{})", info.scale.text(knob.value),
                              clockHand(info.scale.toFraction(knob.value)), clockHand(info.scale.toFraction(knob.low)),
                              clockHand(info.scale.toFraction(knob.high))),
                  knob.value, -1, knob.room > 0.5);
    }
    addFigure(answer, "runs", say("silent runs"), fmt::format("{}", fitted.sought.runs),
              static_cast<double>(fitted.sought.runs));
    if (fitted.after < 6.0)
        answer.verdict = say("With these knobs it is like the recording, to {}; before it was {} off.",
                             decibelText(fitted.after), decibelText(fitted.before));
    else
        answer.verdict =
            say("These knobs alone do not make it like the recording: {} are left of {}. Let more of them be "
                "turned, or look for another difference.",
                decibelText(fitted.after), decibelText(fitted.before));
    for (const FoundKnob& knob : fitted.sought.knobs)
        if (knob.room > 0.5) {
            answer.more = say("{} of {} hardly matters here: the recording cannot tell where it stands.",
                              library.part(*patch.post(knob.post))->knob(knob.knob)->name, patch.post(knob.post)->name);
            break;
        }
    if (!fitted.edits.empty()) answer.offers.push_back({say("Take what was found into the patch"), fitted.edits});
    return answer;
}

} // namespace lariat
