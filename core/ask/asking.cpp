#include "ask/asking.h"

#include "ask/calibrate.h"
#include "ask/loud.h"
#include "ask/real.h"
#include "ask/tracking.h"

#include <algorithm>

namespace lariat {
namespace {

constexpr double kRate = 96000.0;
constexpr std::size_t kEnoughHits = 16;
constexpr double kLongestRun = 60.0;

using Progress = std::function<bool(double)>;

/// What is asked of, and what the question needs beside it.
Result<std::vector<Trace>> heardOf(const Asking& asking, const Patch& patch, const Library& library, double rate,
                                   double seconds, const Progress& progress) {
    std::vector<JackRef> jacks = asking.jacks;
    if (jacks.empty() && asking.recordings.empty()) jacks.push_back({});
    if (jacks.empty()) return std::vector<Trace>{};
    const std::size_t asked = jacks.size();
    if (!asking.alone)
        for (JackRef& beside : jacksBeside(asking.question, patch, library, jacks)) jacks.push_back(std::move(beside));
    ListenOptions how;
    how.seconds = seconds + asking.options.from;
    how.rate = rate;
    how.realCase = asking.realCase;
    how.scenes = asking.scenes;
    if (asking.question == Question::Shape) how.step = asking.step;
    how.progress = progress;
    auto traces = listen(patch, library, jacks, how);
    if (traces && asking.question == Question::Note)
        for (std::size_t i = asked; i < traces->size(); ++i) (*traces)[i].leads = true;
    if (traces)
        for (Trace& trace : *traces)
            if (trace.jack.post.empty()) trace.name = asking.wayOut + (trace.jack.jack == "right" ? " R" : "");
    return traces;
}

Result<Answer> answerReal(const Asking& asking, const Patch& patch, const Library& library, const Progress& progress) {
    if (asking.recordings.empty())
        return failure(
            say("add a recording of the real case first: what leaves it, with this patch playing from its start"));
    const Trace& recording = *asking.recordings.front();
    const JackRef at = asking.jacks.empty() ? JackRef{} : asking.jacks.front();
    if (asking.fits) {
        FitOptions how;
        how.at = at;
        how.knobs = asking.knobs;
        how.mostRuns = asking.runs;
        how.seconds = std::min(asking.seconds > 0.0 ? asking.seconds : how.seconds, recording.seconds());
        how.progress = progress;
        const auto fitted = fitToRecording(patch, library, recording, how);
        if (!fitted) return tl::unexpected(fitted.error());
        return fitAnswer(*fitted, patch, library);
    }
    RealOptions how;
    how.at = at;
    if (asking.seconds > 0.0) how.seconds = asking.seconds;
    how.progress = progress;
    auto pair = pairUp(patch, library, recording, how);
    if (!pair) return tl::unexpected(pair.error());
    if (at.post.empty()) pair->simulated.name = asking.wayOut;
    Answer answer = askReal(*pair, how);
    offerCalibration(answer, *pair, patch, library, at);
    return answer;
}

} // namespace

double usualSeconds(Question question) {
    switch (question) {
    case Question::Shape:
    case Question::Content:
        return 4.0;
    case Question::Same:
        return 12.0;
    case Question::Loud:
        return 6.0;
    default:
        return 8.0;
    }
}

Result<Answer> answerTo(const Asking& asking, const Patch* patch, const Library& library, const Progress& progress) {
    const bool needsPatch = asking.question == Question::Loud || asking.question == Question::Real || asking.played ||
                            !asking.jacks.empty() || asking.against || asking.recordings.empty();
    if (needsPatch && !patch) return failure(say("this is asked of a patch, and there is none"));
    const double seconds = asking.seconds > 0.0 ? asking.seconds : usualSeconds(asking.question);
    if (asking.question == Question::Real) return answerReal(asking, *patch, library, progress);
    if (asking.question == Question::Loud) {
        LoudOptions how;
        how.seconds = seconds;
        how.progress = progress;
        if (!asking.jacks.empty()) how.source = asking.jacks.front();
        return askLoud(*patch, library, how);
    }
    if (asking.question == Question::Note && asking.played) {
        if (asking.jacks.empty() || asking.jacks.front().post.empty())
            return failure(say("name the output that is heard while a range is played"));
        TrackingOptions how;
        how.input = *asking.played;
        how.output = asking.jacks.front();
        how.realCase = asking.realCase;
        how.progress = progress;
        return askTracking(*patch, library, how);
    }
    Asked asked;
    asked.question = asking.question;
    asked.options = asking.options;
    const Progress most = [&](double done) { return !progress || progress(0.8 * done); };
    if (!asking.given.empty()) {
        asked.tracks = asking.given;
    } else if (patch) {
        auto heard = heardOf(asking, *patch, library, kRate, seconds, most);
        if (!heard) return tl::unexpected(heard.error());
        asked.tracks = std::move(*heard);
        if (asking.step && asking.question == Question::Shape) {
            asked.options.trigger.by = Trigger::By::Edge;
            asked.options.trigger.track = static_cast<int>(asked.tracks.size()) - 1;
        }
    }
    for (const auto& recording : asking.recordings) asked.tracks.push_back(*recording);
    if (asking.against && asking.question == Question::Better) {
        Asking other = asking;
        other.recordings.clear();
        auto heard = heardOf(other, *asking.against, library, kRate, seconds, most);
        if (!heard) return tl::unexpected(heard.error());
        heard->front().name = asking.againstName;
        asked.tracks.insert(asked.tracks.begin() + std::min<std::ptrdiff_t>(1, std::ssize(asked.tracks)),
                            heard->front());
    }
    if (asking.question == Question::Content && asking.twice && patch && asking.given.empty() &&
        !asking.jacks.empty()) {
        auto finer = heardOf(asking, *patch, library, 2.0 * kRate, seconds, most);
        if (!finer) return tl::unexpected(finer.error());
        asked.twice = std::move(*finer);
    }
    asked.progress = [&](double done) { return !progress || progress(0.8 + 0.2 * done); };
    auto answer = ask(asked);
    // What moves slowly is looked at for longer, until it repeats itself.
    for (const double longer : {24.0, 60.0}) {
        if (!answer || asking.question != Question::Shape || !patch || !asking.given.empty() || asking.seconds > 0.0 ||
            !asking.recordings.empty() || asking.options.window)
            break;
        const bool still = std::ranges::all_of(answer->figures, [](const AskedFigure& figure) {
            return figure.id.starts_with("volts") || figure.track > 0;
        });
        const bool repeats = std::ranges::any_of(answer->figures, [](const AskedFigure& figure) {
            return figure.track <= 0 && (figure.id.starts_with("hertz") || figure.id.starts_with("attack"));
        });
        if (still || repeats) break;
        auto heard = heardOf(asking, *patch, library, kRate, longer, most);
        if (!heard) return tl::unexpected(heard.error());
        asked.tracks = std::move(*heard);
        answer = ask(asked);
    }
    // At least sixteen hits, whatever the length of the pattern: once more, as long as that takes.
    if (answer && asking.question == Question::Same && patch && asking.given.empty() && asking.seconds <= 0.0 &&
        asking.recordings.empty()) {
        const AskedFigure* hits = answer->figure("hits");
        if (hits && hits->value && *hits->value >= 1.0 && *hits->value < kEnoughHits) {
            const double longer = std::min(kLongestRun, seconds * (kEnoughHits + 1.5) / *hits->value);
            auto heard = heardOf(asking, *patch, library, kRate, longer, most);
            if (!heard) return tl::unexpected(heard.error());
            asked.tracks = std::move(*heard);
            answer = ask(asked);
        }
    }
    return answer;
}

} // namespace lariat
