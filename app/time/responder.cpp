#include "time/responder.h"

#include "engine/side_by_side.h"
#include "look/text.h"

#include <algorithm>
#include <utility>

namespace lariat {
namespace {

constexpr int kDelayMilliseconds = 40;
constexpr int kLaterMilliseconds = 400;

/// While it sounds, one processor is left to it.
unsigned threadsFor(const Session& session) {
    return session.sound.engine().running() ? std::max(1u, processors() - 1) : processors();
}

} // namespace

Responder::Responder(const Session& session, std::function<int(const std::string&)> variation, QObject* parent)
    : QObject(parent), session_(session), variation_(std::move(variation)) {
    delay_.setSingleShot(true);
    delay_.setInterval(kDelayMilliseconds);
    later_.setSingleShot(true);
    later_.setInterval(kLaterMilliseconds);
    connect(&session_.document, &Document::replaced, this, [this] {
        stop();
        known_.clear();
        clocks_ = {};
        pinned_.clear();
    });
    connect(&session_.document, &Document::libraryChanged, this, [this] { known_.clear(); });
    connect(&session_.document, &Document::changed, this, &Responder::look);
    connect(&delay_, &QTimer::timeout, this, &Responder::start);
    connect(&later_, &QTimer::timeout, this, &Responder::foretell);
}

void Responder::setActive(bool active) {
    active_ = active;
    if (!active)
        stop();
    else if (stale_)
        look();
}

void Responder::stop() {
    delay_.stop();
    later_.stop();
    if (job_) job_->stop();
    if (forecast_) forecast_->stop();
    stale_ = true;
}

void Responder::look() {
    stale_ = true;
    foretold_ = false;
    later_.stop();
    if (forecast_) forecast_->stop();
    if (active_) delay_.start();
}

const Responses* Responder::of(const std::string& post) const {
    const auto found = known_.find(post);
    return found == known_.end() || !found->second.responses ? nullptr : &*found->second.responses;
}

QString Responder::problem(const std::string& post) const {
    const auto found = known_.find(post);
    return found == known_.end() ? QString() : found->second.problem;
}

const std::vector<Forecast>& Responder::forecasts(const std::string& post) const {
    static const std::vector<Forecast> none;
    const auto found = known_.find(post);
    return found == known_.end() ? none : found->second.forecasts;
}

void Responder::pin(const JackRef& jack, bool on) {
    on ? (void)pinned_.insert(jack) : (void)pinned_.erase(jack);
    look();
}

void Responder::start() {
    if (running()) { // the patch moved on: drop that run, and come back when it has stopped
        job_->stop();
        delay_.start();
        return;
    }
    std::vector<Asked> asked;
    for (const Sequencer& one : sequencersOf(session_.document.patch(), session_.document.library())) {
        Asked ask{one.post, {}};
        if (!one.variationKnob.empty()) ask.options.variation = variation_(one.post);
        ask.options.pinned = {pinned_.begin(), pinned_.end()};
        asked.push_back(std::move(ask));
    }
    runFor(std::move(asked), false);
}

/// Contours come first, which is quick; then the sounds, which take as long as the whole voice does.
void Responder::runFor(std::vector<Asked> asked, bool sounds) {
    const auto work = [patch = session_.document.patch(), library = &session_.document.library(), asked, sounds,
                       threads = threadsFor(session_)](const Progress& progress) {
        std::vector<std::pair<std::string, Result<Responses>>> out;
        for (const Asked& ask : asked) {
            ResponseOptions options = ask.options;
            options.sounds = sounds;
            options.threads = threads;
            options.progress = [&](double done) { return progress(done); };
            out.emplace_back(ask.post, responsesOf(patch, *library, ask.post, options));
        }
        return out;
    };
    job_ = session_.jobs.start(tr("responses"), this, work, [this, asked, sounds](auto results) {
        stale_ = false;
        std::map<std::string, Known> before = std::exchange(known_, {});
        for (auto& [post, result] : results) {
            Known& known = known_[post];
            known.forecasts = std::move(before[post].forecasts);
            known.problem = result ? QString() : said(result.error().reason);
            if (!result) continue;
            known.responses = std::move(*result);
            // Until the sounds are there, those of a moment ago stand in their place.
            if (!sounds && before[post].responses && before[post].responses->shown == known.responses->shown)
                known.responses->sounds = std::move(before[post].responses->sounds);
        }
        Q_EMIT changed();
        if (!active_ || delay_.isActive()) return;
        sounds ? later_.start() : runFor(asked, true);
    });
}

void Responder::foretell() {
    if (forecast_ && !forecast_->ended()) {
        forecast_->stop();
        later_.start();
        return;
    }
    std::vector<std::pair<std::string, ResponseOptions>> asked;
    for (const Sequencer& one : sequencersOf(session_.document.patch(), session_.document.library())) {
        if (!of(one.post) || of(one.post)->contours.empty()) continue;
        ResponseOptions options;
        if (!one.variationKnob.empty()) options.variation = variation_(one.post);
        asked.emplace_back(one.post, options);
    }
    const auto work = [patch = session_.document.patch(), library = &session_.document.library(),
                       asked](const Progress& progress) {
        std::pair<std::map<std::string, std::vector<Forecast>>, ClockTree> out;
        const auto on = [&](double done) { return progress(done); };
        if (auto clocks = clocksOf(patch, *library, on)) out.second = std::move(*clocks);
        for (auto [post, options] : asked) {
            options.progress = on;
            if (auto made = forecastOf(patch, *library, post, options)) out.first[post] = std::move(*made);
        }
        return out;
    };
    forecast_ = session_.jobs.start(tr("forecast"), this, work, [this](auto made) {
        for (auto& [post, known] : known_) known.forecasts.clear();
        clocks_ = std::move(made.second);
        for (auto& [post, forecasts] : made.first) known_[post].forecasts = std::move(forecasts);
        foretold_ = true;
        Q_EMIT forecastChanged();
    });
}

void Responder::fit(const std::string& sequencer, const std::string& contour, Fit fit, int step) {
    ResponseOptions options;
    options.variation = variation_(sequencer);
    const auto work = [patch = session_.document.patch(), library = &session_.document.library(), sequencer, contour,
                       fit, step, options](const Progress& progress) {
        ResponseOptions how = options;
        how.progress = [&](double done) { return progress(done); };
        return fitToStep(patch, *library, sequencer, contour, fit, step, how);
    };
    session_.jobs.start(tr("fit to step"), this, work, [this](Result<SetKnob> turn) {
        if (!turn) {
            Q_EMIT failed(said(turn.error().reason));
            return;
        }
        const Patch& patch = session_.document.patch();
        const Post* post = patch.post(turn->post); // it may have gone meanwhile
        const KnobInfo* knob = post ? session_.document.library().part(*post)->knob(turn->knob) : nullptr;
        if (!knob) return;
        const QString text = tr("%1 of %2 to %3").arg(q(knob->name), q(post->name), q(knob->scale.text(turn->value)));
        if (session_.document.apply({*turn}, tr("fit %1").arg(text))) Q_EMIT fitted(text);
    });
}

} // namespace lariat
