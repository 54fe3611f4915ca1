#include "shell/log_keeper.h"

#include "engine/render.h"
#include "library/check.h"
#include "look/text.h"
#include "measure/measure.h"
#include "model/audio_file.h"

#include <QDateTime>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kLookAfterMilliseconds = 300;
constexpr double kLongestSound = 600.0; ///< seconds of a recording that a take holds

/// A recording as the sound of a take: two sides, at its rate.
Result<NewTake> takeOfRecording(const std::filesystem::path& file, const Patch& patch, const Rig& rig) {
    auto read = readAudio(file);
    if (!read) return tl::unexpected(read.error());
    const auto channels = static_cast<std::size_t>(read->channels);
    const std::size_t frames =
        std::min(read->samples.size() / channels, static_cast<std::size_t>(kLongestSound * read->rate));
    std::vector<float> left(frames);
    std::vector<float> right(frames);
    for (std::size_t i = 0; i < frames; ++i) {
        left[i] = 10.0F * read->samples[i * channels]; // convertMix goes from volts to full scale
        right[i] = 10.0F * read->samples[i * channels + (channels > 1 ? 1 : 0)];
    }
    TakeSound heard = hear(convertMix(left, right, read->rate, kTakeRate));
    NewTake out;
    out.kind = TakeKind::Recorded;
    out.patch = patch;
    out.rig = rig;
    out.figures = std::move(heard.figures);
    out.thumb = heard.thumb;
    auto sound = encodeSound(heard.mix);
    if (!sound) return tl::unexpected(sound.error());
    out.sound = std::move(*sound);
    return out;
}

} // namespace

LogKeeper::LogKeeper(Document& document, Jobs& jobs, Checker& checker, QObject* parent)
    : QObject(parent), document_(document), jobs_(jobs), checker_(checker) {
    wait_.setSingleShot(true);
    wait_.setInterval(kLookAfterMilliseconds);
    connect(&wait_, &QTimer::timeout, this, &LogKeeper::changed);
    connect(&document_, &Document::changed, this, [this] {
        isKept_.reset();
        if (book_) wait_.start();
    });
    connect(&document_, &Document::replaced, this, [this] {
        current_ = 0;
        isKept_.reset();
    });
}

Logbook* LogKeeper::book() {
    if (tried_) return book_ ? &*book_ : nullptr;
    tried_ = true;
    const std::filesystem::path& own = document_.workspace().own;
    if (own.empty()) {
        problem_ = tr("There is no folder of your own to keep a log in: set HOME.");
        return nullptr;
    }
    auto opened = Logbook::open(own / "log.sqlite");
    if (!opened) {
        problem_ = said(opened.error());
        return nullptr;
    }
    problem_.clear();
    book_ = std::move(*opened);
    look();
    return &*book_;
}

void LogKeeper::tryAgain() {
    if (book_) return;
    tried_ = false;
    book();
    Q_EMIT changed();
}

/// Whether the patch is that of a take, and which.
void LogKeeper::look() {
    const auto id = book_ ? book_->takeOf(document_.patch()) : Result<std::int64_t>(0);
    isKept_ = id && *id > 0;
    if (*isKept_) current_ = *id;
}

bool LogKeeper::isKept() {
    if (!book()) return false;
    if (!isKept_) look();
    return *isKept_;
}

void LogKeeper::keep(TakeKind kind, const TakeLabel& label) {
    if (book())
        keepPatch(document_.patch(), kind, label);
    else
        Q_EMIT message(problem_, true);
}

void LogKeeper::keepCaught(const Patch& patch, const std::string& name) {
    if (book()) keepPatch(patch, TakeKind::Caught, {name, {}, {"state"}, 0}); // else it is in the patch all the same
}

void LogKeeper::keepPatch(const Patch& patch, TakeKind kind, const TakeLabel& label) {
    // At once: a program that dies a moment later has kept it. Its sound follows.
    NewTake take{.parent = current_, .at = QDateTime::currentMSecsSinceEpoch(), .kind = kind, .label = label};
    take.patch = patch;
    take.rig = rigOf(take.patch, document_.workspace());
    if (checker_.upToDate() && patch == document_.patch())
        take.figures["findings"] = static_cast<double>(std::ranges::count_if(checker_.findings(), isProblem));
    const std::int64_t id = write(take);
    if (id == 0) return;
    std::erase_if(keeping_, [](const std::shared_ptr<Job>& job) { return job->ended(); });
    keeping_.push_back(jobs_.start(
        tr("Keeping a take"), this,
        [patch = take.patch, library = &document_.library()](const Progress& progress) {
            return makeTake(patch, *library, {}, {}, [&progress](double done) { return progress(done); });
        },
        [this, id](const Result<NewTake>& made) {
            if (!made || !book_) return; // what cannot be run is kept all the same
            if (auto done = book_->setSound(id, made->sound, made->figures, made->thumb); !done)
                Q_EMIT message(tr("The sound of take %1 was not kept: %2").arg(id).arg(said(done.error())), true);
            Q_EMIT changed();
        }));
}

void LogKeeper::keepBefore(TakeKind kind) {
    if (book() && !document_.patch().posts.empty() && !isKept()) keep(kind);
}

void LogKeeper::keepRecording(const QString& file) {
    if (!book()) return; // the file is there
    std::erase_if(keeping_, [](const std::shared_ptr<Job>& job) { return job->ended(); });
    keeping_.push_back(jobs_.start(
        tr("Keeping a take"), this,
        [patch = document_.patch(), rig = rigOf(document_.patch(), document_.workspace()), parent = current_,
         at = QDateTime::currentMSecsSinceEpoch(), path = std::filesystem::path(file.toStdString())](const Progress&) {
            auto take = takeOfRecording(path, patch, rig);
            if (take) {
                take->parent = parent;
                take->at = at;
            }
            return take;
        },
        [this](const Result<NewTake>& take) {
            if (take)
                write(*take);
            else
                Q_EMIT message(said(take.error()), true);
        }));
}

bool LogKeeper::keeping() const {
    return std::ranges::any_of(keeping_, [](const std::shared_ptr<Job>& job) { return !job->ended(); });
}

/// Its number; 0 if it could not be written, and that was said.
std::int64_t LogKeeper::write(const NewTake& take) {
    const auto id = book_->add(take, document_.library());
    if (!id) {
        Q_EMIT message(tr("The take was not kept: %1").arg(said(id.error())), true);
        return 0;
    }
    if (take.patch == document_.patch()) {
        current_ = *id;
        isKept_ = true;
    }
    Q_EMIT changed();
    Q_EMIT kept(*id);
    // What is kept by itself before something else says nothing over that.
    if (take.kind == TakeKind::ByHand || take.kind == TakeKind::Recorded)
        Q_EMIT message(tr("Kept as take %1.").arg(*id), false);
    return *id;
}

bool LogKeeper::goBackTo(std::int64_t id) {
    Logbook* log = book();
    if (!log) return false;
    auto take = log->take(id);
    if (!take) {
        Q_EMIT message(said(take.error()), true);
        return false;
    }
    if (auto fits = checkPatch(take->patch, document_.library()); !fits) {
        QStringList why;
        for (const Sentence& one : rigChanges(take->rig, take->patch, document_.workspace())) why << said(one);
        why << said(fits.error().reason);
        Q_EMIT message(tr("Take %1 cannot be gone back to: %2. Exported as a bundle it brings its modules along.")
                           .arg(id)
                           .arg(why.join(QStringLiteral("; "))),
                       true);
        return false;
    }
    keepBefore(TakeKind::BeforeReturn);
    if (take->patch == document_.patch()) return true;
    if (!document_.become(std::move(take->patch), tr("go back to take %1").arg(id))) return false;
    current_ = id;
    isKept_ = true;
    Q_EMIT changed();
    return true;
}

} // namespace lariat
