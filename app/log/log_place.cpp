#include "log/log_place.h"

#include "log/both_chart.h"
#include "logbook/exchange.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QDateTime>
#include <QLocale>
#include <QScrollBar>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kTypedMilliseconds = 150;
constexpr int kWrittenMilliseconds = 600;

} // namespace

std::int64_t LogPlace::nowMs() {
    return QDateTime::currentMSecsSinceEpoch();
}

LogPlace::LogPlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    turns_ = new Turns(session, this);
    auto* across = new QHBoxLayout(this);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(0);
    across->addWidget(makeLeft());
    across->addWidget(makeRight(), 1);
    setFocusProxy(list_);
    typed_.setSingleShot(true);
    typed_.setInterval(kTypedMilliseconds);
    connect(&typed_, &QTimer::timeout, this, &LogPlace::refresh);
    written_.setSingleShot(true);
    written_.setInterval(kWrittenMilliseconds);
    connect(&written_, &QTimer::timeout, this, &LogPlace::writeLabel);
    if (!session_.log) return;
    connect(session_.log, &LogKeeper::changed, this, [this] {
        stale_ = true;
        if (isVisible()) refresh();
    });
    connect(session_.log, &LogKeeper::kept, this, [this](std::int64_t id) {
        if (!isVisible()) return;
        putOntoList(id);
        lookAt(id);
    });
    connect(&session_.document, &Document::replaced, this, [this] {
        pinned_.reset();
        turns_->stop();
        before_ = after_ = {};
        stale_ = true;
    });
    connect(turns_, &Turns::changed, this, [this] {
        const QSignalBlocker quiet(turnsButton_);
        turnsButton_->setChecked(turns_->playing().has_value());
        const auto playing = turns_->playing();
        turnsButton_->setText(!playing ? tr("Hear in turns")
                                       : tr("Heard: %1").arg(*playing == 0 ? before_.name : after_.name));
    });
}

void LogPlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    if (stale_) refresh();
}

void LogPlace::hideEvent(QHideEvent* event) {
    Place::hideEvent(event);
    writeLabel();
    turns_->stop();
}

void LogPlace::changeEvent(QEvent* event) {
    Place::changeEvent(event);
    if (event->type() != QEvent::PaletteChange) return;
    for (const auto& [label, colour] : coloured_)
        label->setStyleSheet(QStringLiteral("color: %1").arg((look().*colour).name()));
    if (session_.log && session_.log->book()) compare();
}

void LogPlace::refresh() {
    stale_ = false;
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    problem_->setVisible(!log);
    again_->setVisible(!log);
    right_->setEnabled(log != nullptr);
    if (!log) {
        problem_->setText(session_.log ? session_.log->problem() : QString());
        return;
    }
    const auto query = readQuery(search_->text().toStdString(), midnightBefore(nowMs()));
    searchSays_->setVisible(!query);
    if (!query) {
        searchSays_->setText(said(query.error().reason));
        return;
    }
    auto lines = log->list(*query);
    if (!lines) {
        searchSays_->setText(said(lines.error()));
        searchSays_->show();
        return;
    }
    filling_ = true;
    const int scrolled = list_->verticalScrollBar()->value();
    model_->setTakes(std::move(*lines), query->empty());
    refreshHead();
    const int row = model_->rowOf(after_.id);
    if (row >= 0) list_->setCurrentIndex(model_->index(row));
    list_->verticalScrollBar()->setValue(scrolled);
    filling_ = false;
    lookAt(after_.id >= 0 && (row >= 0 || log->take(after_.id)) ? after_.id : TakeModel::kNow);
}

void LogPlace::refreshHead() {
    const LogKeeper& keeper = *session_.log;
    const std::vector<TakeLine>& all = model_->takes();
    const bool kept = session_.log->isKept();
    const QString now = kept                   ? tr("as take %1").arg(keeper.current())
                        : keeper.current() > 0 ? tr("not kept yet; from take %1").arg(keeper.current())
                                               : tr("not kept yet");
    model_->setNow(now, keeper.current());
    if (all.empty())
        head_->setText(search_->text().trimmed().isEmpty()
                           ? tr("No take yet. %1 keeps one at any moment, in every place, while everything goes on.")
                                 .arg(shortcutOf("keep-take").toString(QKeySequence::NativeText))
                           : tr("No take is like that."));
    else
        head_->setText(tr("%n take(s) since %1", nullptr, static_cast<int>(all.size()))
                           .arg(QLocale().toString(QDateTime::fromMSecsSinceEpoch(all.back().at).date(),
                                                   QStringLiteral("d MMM yyyy"))));
    if (const auto usage = session_.log->book()->usage())
        usage_->setText(tr("%1, sounds %2")
                            .arg(q(megabytes(static_cast<std::size_t>(usage->bytes))),
                                 q(megabytes(static_cast<std::size_t>(usage->soundBytes)))));
}

LogPlace::Side LogPlace::sideOf(std::int64_t id) {
    Side side;
    side.id = id;
    if (id == TakeModel::kNow) {
        side.patch = std::make_shared<const Patch>(session_.document.patch());
        side.name = tr("Now");
        // What is known of the take that it is, if it is one.
        if (session_.log->isKept())
            if (const auto take = session_.log->book()->take(session_.log->current())) {
                side.figures = take->figures;
                side.thumb = take->thumb;
            }
        return side;
    }
    auto take = session_.log->book()->take(id);
    if (!take) {
        Q_EMIT message(said(take.error()), true);
        return {};
    }
    side.name = tr("%1 · %2").arg(take->id).arg(q(takeName(*take, inWindow())));
    side.figures = std::move(take->figures);
    side.thumb = take->thumb;
    side.patch = std::make_shared<const Patch>(std::move(take->patch));
    return side;
}

/// What it came from; of the patch that is kept, what that came from.
std::int64_t LogPlace::usualBefore(std::int64_t id) {
    Logbook* log = session_.log->book();
    std::int64_t from = id;
    if (id == TakeModel::kNow) {
        from = session_.log->current();
        if (from == 0 || !session_.log->isKept()) return from > 0 ? from : -1;
    }
    const auto take = log->take(from);
    return take && take->parent > 0 && log->take(take->parent) ? take->parent : -1;
}

void LogPlace::lookAt(std::int64_t id) {
    if (!session_.log || !session_.log->book()) return;
    writeLabel();
    after_ = sideOf(id);
    if (after_.id < 0) return;
    std::int64_t before = pinned_.value_or(usualBefore(id));
    if (before == id) before = usualBefore(id);
    if (before >= 0 && (before_.id != before || before == TakeModel::kNow)) before_ = sideOf(before);
    if (before < 0) before_ = {};
    const int row = model_->rowOf(id);
    if (row >= 0 && list_->currentIndex().row() != row) {
        const bool was = std::exchange(filling_, true);
        list_->setCurrentIndex(model_->index(row));
        filling_ = was;
    }
    compare();
}

void LogPlace::holdAgainst(std::int64_t id) {
    if (pinned_ == id)
        pinned_.reset(); // again: what it came from
    else
        pinned_ = id;
    before_ = {};
    lookAt(after_.id < 0 ? TakeModel::kNow : after_.id);
}

void LogPlace::compare() {
    if (after_.id < 0) return;
    const bool others = before_.id != model_->before() || after_.id != model_->after();
    if (others) turns_->stop();
    model_->setCompared(before_.id, after_.id);
    differences_.clear();
    if (before_.patch) differences_ = differences(*before_.patch, *after_.patch, session_.document.library());
    title_->setText(after_.name);
    otherThan_->setText(!before_.patch
                            ? tr("It came from no take. Ctrl and a click, or C, holds it against another one.")
                            : tr("What is different, held against %1").arg(before_.name));
    showLabel();
    both_->show(before_.patch, after_.patch, session_.document.library());
    sayRows();
    showChanges(others);
    showHeard();
    const bool two = before_.patch && !(*before_.patch == *after_.patch);
    turnsButton_->setEnabled(two);
    blindButton_->setEnabled(two);
    bring_->setVisible(before_.patch != nullptr);
    goOn_->setVisible(after_.id > 0);
    goOn_->setText(tr("Go on from %1").arg(after_.id));
    goOn_->setEnabled(!(*after_.patch == session_.document.patch()));
    QString text;
    if (before_.id > 0 && after_.id > 0)
        if (const auto rounds = session_.log->book()->rounds(before_.id, after_.id); rounds && !rounds->empty())
            text = tr("You preferred %1 in %2 of %3 blind rounds.")
                       .arg(after_.id)
                       .arg(std::ranges::count(*rounds, after_.id, &Round::preferred))
                       .arg(rounds->size());
    rounds_->setText(text);
    rounds_->setVisible(!text.isEmpty());
}

} // namespace lariat
