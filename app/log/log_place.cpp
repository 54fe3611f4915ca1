#include "log/log_place.h"

#include "library/check.h"
#include "log/merge.h"
#include "log/pair_picture.h"
#include "logbook/exchange.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/blind_dialog.h"
#include "widgets/file_dialog.h"
#include "widgets/plain.h"

#include <QDateTime>
#include <QFileDialog>
#include <QHeaderView>
#include <QInputDialog>
#include <QLocale>
#include <QMessageBox>
#include <QRandomGenerator>
#include <QScrollArea>
#include <QScrollBar>
#include <QSet>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kListWidth = 352;
constexpr int kTypedMilliseconds = 150;
constexpr int kWrittenMilliseconds = 600;
constexpr int kRounds = 10;
constexpr int kMostShown = 500;         ///< differences
constexpr std::size_t kRowsAtOnce = 10; ///< of them; then they scroll

int rowHeight() {
    return QFontMetrics(textFont(13)).height() + 10;
}

std::int64_t nowMs() {
    return QDateTime::currentMSecsSinceEpoch();
}

} // namespace

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

QLabel* LogPlace::label(const QString& text, QColor Look::*colour, int pixels, bool strong) {
    QLabel* made = plainLabel(text, look().*colour, pixels, strong);
    coloured_.emplace_back(made, colour);
    return made;
}

QWidget* LogPlace::makeLeft() {
    auto* left = new QWidget;
    left->setFixedWidth(kListWidth);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(0, 8, 0, 8);
    column->setSpacing(6);
    const auto inset = [&](QWidget* widget) {
        auto* row = new QHBoxLayout;
        row->setContentsMargins(16, 0, 12, 0);
        row->addWidget(widget, 1);
        column->addLayout(row);
        return row;
    };
    head_ = label({}, &Look::softInk);
    head_->setObjectName(QStringLiteral("log-head"));
    search_ = new QLineEdit;
    search_->setObjectName(QStringLiteral("find-take"));
    search_->setAccessibleName(tr("Find takes"));
    search_->setPlaceholderText(tr("Find: kick, tail D1, no findings"));
    search_->setToolTip(
        tr("Words, figures, #tags and days, told apart by commas: decay 300-500 ms, rated 4, with keel, "
           "since 2026-11-03, has sound"));
    search_->setFont(textFont(13));
    search_->setClearButtonEnabled(true);
    searchSays_ = label({}, &Look::alarm);
    searchSays_->setObjectName(QStringLiteral("find-says"));
    searchSays_->hide();
    inset(head_);
    inset(search_);
    inset(searchSays_);
    problem_ = label({}, &Look::alarm);
    problem_->setObjectName(QStringLiteral("log-problem"));
    problem_->hide();
    again_ = plainButton(tr("Try again"), "log-again");
    again_->hide();
    inset(problem_);
    inset(again_);
    model_ = new TakeModel(this);
    list_ = new TakeList(*model_);
    column->addWidget(list_, 1);
    usage_ = label({}, &Look::softInk);
    auto* keep = plainButton(tr("Keep a take"), "keep");
    keep->setToolTip(tr("The patch as it is, with its sound (%1, in every place)")
                         .arg(shortcutOf("keep-take").toString(QKeySequence::NativeText)));
    auto* row = inset(usage_);
    row->addWidget(keep);
    connect(search_, &QLineEdit::textChanged, this, [this] { typed_.start(); });
    connect(search_, &QLineEdit::returnPressed, this, [this] {
        typed_.stop();
        refresh();
        list_->setFocus();
    });
    connect(again_, &QPushButton::clicked, this, [this] {
        if (session_.log) session_.log->tryAgain();
    });
    connect(keep, &QPushButton::clicked, this, [this] {
        if (session_.log) session_.log->keep();
    });
    connect(list_, &TakeList::looked, this, [this](std::int64_t id) {
        if (!filling_) lookAt(id);
    });
    connect(list_, &TakeList::heldAgainst, this, &LogPlace::holdAgainst);
    connect(list_, &TakeList::goBackWanted, this, &LogPlace::goBack);
    connect(list_, &TakeList::throwAwayWanted, this, &LogPlace::throwAway);
    return left;
}

QWidget* LogPlace::makeRight() {
    auto* whole = new QWidget;
    auto* stack = new QVBoxLayout(whole);
    stack->setContentsMargins(0, 0, 0, 0);
    stack->setSpacing(0);
    auto* scroll = new QScrollArea;
    stack->addWidget(scroll, 1);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setAccessibleName(tr("What is different"));
    right_ = new QWidget;
    auto* column = new QVBoxLayout(right_);
    column->setContentsMargins(20, 10, 20, 12);
    column->setSpacing(8);
    title_ = label({}, &Look::ink, 16, true);
    title_->setObjectName(QStringLiteral("compared"));
    otherThan_ = label({}, &Look::softInk);
    column->addWidget(title_);
    column->addWidget(otherThan_);
    makeLabelCard(*column);
    changes_ = new QTreeWidget;
    changes_->setObjectName(QStringLiteral("changes"));
    changes_->setAccessibleName(tr("What is different; what is ticked can be brought over"));
    changes_->setColumnCount(3);
    changes_->setHeaderHidden(true);
    changes_->setRootIsDecorated(false);
    changes_->setFrameShape(QFrame::NoFrame);
    changes_->setFont(textFont(13));
    changes_->setTextElideMode(Qt::ElideRight);
    changes_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    changes_->header()->setStretchLastSection(false);
    changes_->header()->setSectionResizeMode(0, QHeaderView::Fixed);
    changes_->header()->setSectionResizeMode(1, QHeaderView::Stretch);
    changes_->header()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
    changes_->setMinimumHeight(120);
    nothing_ = label({}, &Look::softInk);
    column->addWidget(changes_);
    column->addWidget(nothing_);
    heardBox_ = new QWidget;
    auto* heardColumn = new QVBoxLayout(heardBox_);
    heardColumn->setContentsMargins(0, 4, 0, 0);
    heardColumn->setSpacing(4);
    heardColumn->addWidget(label(tr("What one hears of it"), &Look::ink, 14, true));
    heard_ = new QGridLayout;
    heard_->setHorizontalSpacing(16);
    heard_->setVerticalSpacing(3);
    heardColumn->addLayout(heard_);
    picture_ = new PairPicture;
    heardColumn->addWidget(picture_);
    column->addWidget(heardBox_);
    auto* buttons = new QGridLayout;
    buttons->setHorizontalSpacing(8);
    turnsButton_ = plainButton(tr("Hear in turns"), "hear-in-turns");
    turnsButton_->setCheckable(true);
    turnsButton_->setToolTip(tr("From one to the other at each bar, equally loud"));
    blindButton_ = plainButton(tr("Blind, %1 rounds…").arg(kRounds), "blind-rounds");
    bring_ = plainButton(tr("Bring over what is ticked"), "bring-over");
    goOn_ = plainButton({}, "go-on");
    goOn_->setFont(textFont(13, true));
    buttons->addWidget(turnsButton_, 0, 0);
    buttons->addWidget(blindButton_, 0, 1);
    buttons->addWidget(bring_, 1, 0);
    buttons->addWidget(goOn_, 1, 1);
    buttons->setColumnStretch(2, 1);
    // What can be done stays in view, however much there is to look at.
    auto* foot = new QVBoxLayout;
    foot->setContentsMargins(20, 8, 20, 10);
    foot->addLayout(buttons);
    stack->addLayout(foot);
    rounds_ = label({}, &Look::softInk);
    rounds_->setObjectName(QStringLiteral("rounds"));
    foot->addWidget(rounds_);
    column->addStretch();
    scroll->setWidget(right_);
    connect(turnsButton_, &QPushButton::toggled, this, &LogPlace::hearTurns);
    connect(blindButton_, &QPushButton::clicked, this, &LogPlace::blind);
    connect(bring_, &QPushButton::clicked, this, &LogPlace::bringOver);
    connect(goOn_, &QPushButton::clicked, this, [this] { goBack(lookedAt()); });
    connect(changes_, &QTreeWidget::itemChanged, this, [this] {
        if (!filling_) bring_->setEnabled(!ticked().empty());
    });
    connect(changes_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        // Leads to where it stands in the open patch, if it does.
        const auto at = static_cast<std::size_t>(item->data(0, Qt::UserRole).toInt());
        if (at >= differences_.size()) return;
        const Difference& one = differences_[at];
        if (session_.document.patch().post(one.post)) session_.navigator.showPost(one.post);
    });
    return whole;
}

/// Name, tags, rating and notes of the take that is looked at.
void LogPlace::makeLabelCard(QVBoxLayout& column) {
    label_ = new QWidget;
    auto* grid = new QGridLayout(label_);
    grid->setContentsMargins(0, 0, 0, 4);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(6);
    const auto field = [&](const char* id, const QString& name) {
        auto* made = new QLineEdit;
        made->setObjectName(QString::fromLatin1(id));
        made->setAccessibleName(name);
        made->setPlaceholderText(name);
        made->setFont(textFont(13));
        connect(made, &QLineEdit::textEdited, this, [this] { written_.start(); });
        connect(made, &QLineEdit::editingFinished, this, &LogPlace::writeLabel);
        return made;
    };
    name_ = field("take-name", tr("Name"));
    tags_ = field("take-tags", tr("Tags: drum slow"));
    rating_ = new QComboBox;
    rating_->setObjectName(QStringLiteral("take-rating"));
    rating_->setAccessibleName(tr("Rating"));
    rating_->setFont(textFont(13));
    rating_->addItem(tr("not rated"));
    for (int i = 1; i <= 5; ++i) rating_->addItem(ratingDots(i));
    connect(rating_, &QComboBox::activated, this, &LogPlace::writeLabel);
    notes_ = new QPlainTextEdit;
    notes_->setObjectName(QStringLiteral("take-notes"));
    notes_->setAccessibleName(tr("Notes"));
    notes_->setPlaceholderText(tr("Notes"));
    notes_->setFont(textFont(13));
    notes_->setTabChangesFocus(true);
    notes_->setFixedHeight(52);
    connect(notes_, &QPlainTextEdit::textChanged, this, [this] {
        if (!filling_) written_.start();
    });
    grid->addWidget(name_, 0, 0);
    grid->addWidget(tags_, 0, 1);
    grid->addWidget(rating_, 0, 2);
    grid->addWidget(notes_, 1, 0, 1, 3);
    name_->setMinimumWidth(80);
    tags_->setMinimumWidth(60);
    grid->setColumnStretch(0, 3);
    grid->setColumnStretch(1, 2);
    column.addWidget(label_);
}

void LogPlace::addActions(const Menus& menus) {
    addNamed(menus.patch, "hold-against", tr("&Hold the take against…"), this, [this] {
        if (lookedAt() >= 0) holdAgainst(lookedAt());
    });
    addNamed(menus.patch, "throw-take-away", tr("&Throw the take away"), this, [this] { throwAway(lookedAt()); });
    addNamed(menus.patch, "take-take-back", tr("Take &back what was thrown away"), this, [this] {
        Logbook* log = session_.log ? session_.log->book() : nullptr;
        if (!log || thrown_ == 0) {
            Q_EMIT message(tr("Nothing was thrown away since this window was opened."), false);
            return;
        }
        if (auto done = log->takeBack(std::exchange(thrown_, 0)); !done) Q_EMIT message(said(done.error()), true);
        session_.log->touch();
    });
    menus.patch.addSeparator();
    addNamed(menus.patch, "export-take", tr("E&xport the take…"), this, [this] {
        const QString file =
            askWhereToSave(this, tr("Export the take"), after_.name.left(60) + QStringLiteral(".lariat-bundle"),
                           tr("Bundle (*.lariat-bundle)"), {QStringLiteral(".lariat-bundle")});
        if (!file.isEmpty()) exportTo(file);
    });
    addNamed(menus.patch, "import-take", tr("&Import a take…"), this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Import a take"), {}, tr("Bundle (*.lariat-bundle)"));
        if (!file.isEmpty()) importFrom(file);
    });
    addNamed(menus.patch, "bring-together", tr("Bring another's changes in&to it…"), this, [this] {
        const QString file = QFileDialog::getOpenFileName(
            this, tr("What somebody else made of the take that is held against"), {}, tr("Patch (*.lariat *.json)"));
        if (!file.isEmpty()) bringTogether(file);
    });
    addNamed(menus.patch, "diary", tr("&Diary page of the day…"), this, [this] {
        const TakeLine* take = model_->take(lookedAt());
        const QString day =
            QDateTime::fromMSecsSinceEpoch(take ? take->at : nowMs()).date().toString(QStringLiteral("yyyy-MM-dd"));
        const QString file =
            askWhereToSave(this, tr("Save the page of the diary"), day + QStringLiteral(".html"),
                           tr("HTML (*.html);;Markdown (*.md)"), {QStringLiteral(".html"), QStringLiteral(".md")});
        if (!file.isEmpty()) writeDiary(file);
    });
    addNamed(menus.patch, "thin-out", tr("&Let old sounds go…"), this, [this] { thinOut(); });
    menus.patch.addSeparator();
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

/// What was unticked stays so, as long as it is about the same two.
void LogPlace::showChanges(bool others) {
    filling_ = true;
    QSet<QString> unticked;
    for (int i = 0; i < changes_->topLevelItemCount() && !others; ++i)
        if (const QTreeWidgetItem* item = changes_->topLevelItem(i); item->checkState(1) == Qt::Unchecked)
            unticked << item->text(1);
    changes_->clear();
    int widest = 0;
    for (const Difference& one : differences_)
        widest = std::max(widest, QFontMetrics(textFont(13)).horizontalAdvance(said(groupName(one.group))));
    changes_->setColumnWidth(0, widest + 12);
    std::optional<Difference::Group> group;
    for (std::size_t i = 0; i < differences_.size() && i < kMostShown; ++i) {
        const Difference& one = differences_[i];
        Difference told = one;
        told.figure = {};
        auto* item = new QTreeWidgetItem(changes_);
        if (group != one.group) item->setText(0, said(groupName(one.group)));
        group = one.group;
        const QString text = q(inOneLine(told, inWindow()));
        item->setText(1, text);
        item->setText(2, one.figure.empty() ? one.row > 0 ? tr("row %1").arg(one.row) : QString() : said(one.figure));
        item->setToolTip(1, q(inOneLine(one, inWindow())));
        item->setForeground(0, look().softInk);
        item->setForeground(2, look().softInk);
        item->setFont(2, figureFont(13));
        item->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
        item->setCheckState(1, unticked.contains(text) ? Qt::Unchecked : Qt::Checked);
        item->setData(0, Qt::UserRole, static_cast<int>(i));
        item->setSizeHint(0, {0, rowHeight()});
    }
    const auto left = static_cast<int>(differences_.size()) - kMostShown;
    changes_->setVisible(!differences_.empty());
    nothing_->setVisible(differences_.empty() || left > 0);
    nothing_->setText(left > 0        ? tr("… and %n more", nullptr, left)
                      : before_.patch ? tr("Nothing is different.")
                                      : QString());
    // Every difference stands, up to what there is room for; then they scroll.
    const auto rows = static_cast<int>(std::min(differences_.size(), kRowsAtOnce));
    changes_->setFixedHeight(rows * rowHeight() + 4);
    bring_->setEnabled(!ticked().empty() && !(*after_.patch == session_.document.patch()));
    bring_->setToolTip(tr("Into the open patch, as one step that can be undone"));
    filling_ = false;
}

void LogPlace::showHeard() {
    emptyLayout(heard_);
    int row = 0;
    const auto cell = [&](int column, const QString& text, const QColor& colour, bool figure) {
        auto* label = new QLabel(text);
        label->setTextFormat(Qt::PlainText);
        label->setFont(figure ? figureFont(13) : textFont(13));
        QPalette palette = label->palette();
        palette.setColor(QPalette::WindowText, colour);
        label->setPalette(palette);
        label->setAlignment((figure ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
        heard_->addWidget(label, row, column);
    };
    for (const FigureInfo& info : allFigures()) {
        const auto was = before_.figures.find(info.id);
        const auto is = after_.figures.find(info.id);
        if (was == before_.figures.end() && is == after_.figures.end()) continue;
        const auto value = [&](const auto& found, const Figures& figures) {
            return found == figures.end() ? QStringLiteral("–") : q(figureText(info, found->second));
        };
        cell(0, said(figureName(info)), look().softInk, false);
        if (before_.patch) cell(1, value(was, before_.figures), look().alarm, true);
        cell(2, value(is, after_.figures), look().accent, true);
        if (was != before_.figures.end() && is != after_.figures.end())
            cell(3, said(figureDifference(info, was->second, is->second)), look().ink, false);
        ++row;
    }
    heard_->setColumnStretch(3, 1);
    heardBox_->setVisible(row > 0);
    const auto thumb = [](const Side& side) { return side.figures.empty() ? std::nullopt : std::optional(side.thumb); };
    picture_->show(thumb(before_), thumb(after_));
}

void LogPlace::showLabel() {
    const TakeLine* line = model_->take(after_.id);
    TakeLabel label;
    if (line) {
        label = line->label;
    } else if (after_.id > 0) {
        if (const auto take = session_.log->book()->take(after_.id)) label = take->label;
    }
    label_->setVisible(after_.id > 0);
    // What is being typed is not taken out of the hand.
    if (labelOf_ == after_.id && (name_->hasFocus() || tags_->hasFocus() || notes_->hasFocus())) return;
    filling_ = true;
    labelOf_ = after_.id;
    name_->setText(q(label.name));
    QStringList tags;
    for (const std::string& tag : label.tags) tags << q(tag);
    tags_->setText(tags.join(QLatin1Char(' ')));
    rating_->setCurrentIndex(std::clamp(label.rating, 0, 5));
    if (notes_->toPlainText() != q(label.notes)) notes_->setPlainText(q(label.notes));
    filling_ = false;
}

void LogPlace::writeLabel() {
    written_.stop();
    if (filling_ || labelOf_ <= 0 || !session_.log || !session_.log->book()) return;
    TakeLabel label{
        name_->text().trimmed().toStdString(), notes_->toPlainText().toStdString(), {}, rating_->currentIndex()};
    for (const QString& tag : tags_->text().split(QLatin1Char(' '), Qt::SkipEmptyParts))
        label.tags.push_back(tag.toStdString());
    const auto take = session_.log->book()->take(labelOf_);
    if (!take || take->label == label) return;
    if (auto written = session_.log->book()->label(labelOf_, label); !written) {
        Q_EMIT message(said(written.error()), true);
        return;
    }
    session_.log->touch();
}

std::vector<Difference> LogPlace::ticked() const {
    std::vector<Difference> out;
    for (int i = 0; i < changes_->topLevelItemCount(); ++i)
        if (changes_->topLevelItem(i)->checkState(1) == Qt::Checked)
            out.push_back(
                differences_[static_cast<std::size_t>(changes_->topLevelItem(i)->data(0, Qt::UserRole).toInt())]);
    // What is beyond those shown goes with all of them.
    if (static_cast<int>(out.size()) == changes_->topLevelItemCount())
        for (std::size_t i = kMostShown; i < differences_.size(); ++i) out.push_back(differences_[i]);
    return out;
}

void LogPlace::bringOver() {
    if (!after_.patch || !before_.patch) return;
    auto made = broughtOver(session_.document.patch(), *after_.patch, ticked(), session_.document.library());
    if (!made) {
        Q_EMIT message(tr("It cannot be brought over: %1").arg(said(made.error().reason)), true);
        return;
    }
    if (*made == session_.document.patch()) {
        Q_EMIT message(tr("The open patch has all of that already."), false);
        return;
    }
    session_.log->keepBefore(TakeKind::BeforeReturn);
    if (session_.document.become(std::move(*made), tr("bring over from %1").arg(after_.name)))
        Q_EMIT message(tr("Brought over. Ctrl+Z takes it back."), false);
}

void LogPlace::bringTogether(const QString& file) {
    auto theirs = openPatch(file.toStdString(), session_.document.library());
    if (!theirs) {
        Q_EMIT message(said(theirs.error()), true);
        return;
    }
    if (!before_.patch) {
        Q_EMIT message(tr("First hold against the take that both of you began with."), true);
        return;
    }
    auto merged = merge(*before_.patch, session_.document.patch(), *theirs, session_.document.library());
    if (!merged) {
        Q_EMIT message(tr("It cannot be brought over: %1").arg(said(merged.error().reason)), true);
        return;
    }
    session_.log->keepBefore(TakeKind::BeforeReturn);
    if (!(merged->patch == session_.document.patch()) &&
        !session_.document.become(std::move(merged->patch), tr("bring in the changes of another")))
        return;
    QStringList clashes;
    for (const Conflict& one : merged->conflicts)
        clashes << tr("yours: %1; left out: %2")
                       .arg(q(inOneLine(one.mine, inWindow())), q(inOneLine(one.theirs, inWindow())));
    Q_EMIT message(tr("%n change(s) brought in.", nullptr, static_cast<int>(merged->brought.size())) +
                       (clashes.isEmpty() ? QString() : QLatin1Char('\n') + clashes.join(QLatin1Char('\n'))),
                   !clashes.isEmpty());
}

void LogPlace::hearTurns(bool on) {
    if (!on) {
        turns_->stop();
        return;
    }
    if (!before_.patch || !after_.patch) return;
    const auto voice = [&](const Side& side) -> std::optional<Turns::Voice> {
        auto fits = checkPatch(*side.patch, session_.document.library());
        if (!fits) {
            Q_EMIT message(tr("%1 cannot be heard: %2").arg(side.name, said(fits.error().reason)), true);
            return {};
        }
        const auto level = side.figures.find("level");
        return Turns::Voice{side.patch, level == side.figures.end() ? std::nullopt : std::optional(level->second)};
    };
    const auto before = voice(before_);
    const auto after = before ? voice(after_) : std::nullopt;
    if (!before || !after) {
        turnsButton_->setChecked(false);
        return;
    }
    turns_->set({*before, *after});
    turns_->takeTurns();
}

void LogPlace::blind() {
    std::vector<BlindDialog::Entry> entries;
    for (const Side* side : {&before_, &after_}) {
        if (!side->patch || !checkPatch(*side->patch, session_.document.library())) return;
        const auto level = side->figures.find("level");
        entries.push_back({side->id,
                           side->name,
                           {side->patch, level == side->figures.end() ? std::nullopt : std::optional(level->second)}});
    }
    turns_->stop();
    BlindDialog dialog(session_, std::move(entries), kRounds, QRandomGenerator::global()->generate(), this);
    dialog.exec();
    Logbook* log = session_.log->book();
    for (const BlindDialog::Choice& choice : dialog.choices())
        if (log && choice.preferred > 0 && choice.other > 0)
            if (auto added = log->addRound({nowMs(), choice.preferred, choice.other}); !added) {
                Q_EMIT message(said(added.error()), true);
                break;
            }
    compare();
}

void LogPlace::goBack(std::int64_t id) {
    if (id <= 0 || !session_.log) return;
    turns_->stop();
    if (session_.log->goBackTo(id)) {
        Q_EMIT message(
            tr("The patch is that of take %1 now. What comes next branches off there; Ctrl+Z goes back.").arg(id),
            false);
        lookAt(TakeModel::kNow);
    }
}

void LogPlace::throwAway(std::int64_t id) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log || id <= 0) return;
    labelOf_ = 0;
    const int row = model_->rowOf(id);
    if (auto done = log->throwAway(id); !done) {
        Q_EMIT message(said(done.error()), true);
        return;
    }
    thrown_ = id;
    if (pinned_ == id) pinned_.reset();
    before_ = {};
    after_.id = row + 1 < model_->rowCount() ? model_->idAt(row + 1) : TakeModel::kNow;
    Q_EMIT message(tr("Take %1 is thrown away; for a day it can be taken back (menu Patch).").arg(id), false);
    session_.log->touch();
}

void LogPlace::thinOut() {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const QStringList choices = {tr("older than a month"), tr("older than a week"), tr("all of them")};
    const int days[] = {30, 7, 0};
    bool ok = false;
    const QString chosen = QInputDialog::getItem(
        this, tr("Let old sounds go"),
        tr("Sounds of takes that are rated less than 4 go; patches, notes and figures stay. Takes that are"), choices,
        0, false, &ok);
    if (!ok) return;
    const auto before = log->usage();
    const auto went = log->thinOut(nowMs() - days[std::max<qsizetype>(0, choices.indexOf(chosen))] * 86'400'000LL, 4);
    if (!went || !before) {
        Q_EMIT message(went ? QString() : said(went.error()), true);
        return;
    }
    const auto after = log->usage();
    Q_EMIT message(tr("%n sound(s) went; the log is smaller by %1.", nullptr, static_cast<int>(*went))
                       .arg(q(megabytes(static_cast<std::size_t>(
                           std::max<std::int64_t>(0, before->bytes - (after ? after->bytes : 0)))))),
                   false);
    session_.log->touch();
}

void LogPlace::exportTo(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log || lookedAt() <= 0) {
        Q_EMIT message(tr("Choose a take first."), true);
        return;
    }
    if (auto done = exportTake(*log, lookedAt(), file.toStdString(), dataFolder(), session_.document.workspace().own);
        !done)
        Q_EMIT message(said(done.error()), true);
    else
        Q_EMIT message(tr("Take %1 is in %2, with its modules and its sound.").arg(lookedAt()).arg(file), false);
}

void LogPlace::importFrom(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const auto made = importTake(*log, file.toStdString(), dataFolder(), session_.document.workspace().own);
    if (!made) {
        Q_EMIT message(said(made.error()), true);
        return;
    }
    session_.document.takeInNew();
    session_.log->touch();
    putOntoList(made->id);
    lookAt(made->id);
    Q_EMIT message(made->unpacked.written.empty()
                       ? tr("It is take %1 now.").arg(made->id)
                       : tr("It is take %1 now. Its case and modules are in your folder.").arg(made->id),
                   false);
}

/// A search that hides it is taken back.
void LogPlace::putOntoList(std::int64_t id) {
    if (model_->rowOf(id) >= 0) return;
    const QSignalBlocker quiet(search_);
    search_->clear();
    refresh();
}

void LogPlace::writeDiary(const QString& file) {
    Logbook* log = session_.log ? session_.log->book() : nullptr;
    if (!log) return;
    const TakeLine* take = model_->take(lookedAt());
    const std::int64_t midnight = midnightBefore(take ? take->at : nowMs());
    const auto entries = diaryOf(*log, midnight, session_.document.library(), inWindow());
    if (!entries) {
        Q_EMIT message(said(entries.error()), true);
        return;
    }
    const std::string heading =
        QLocale().toString(QDateTime::fromMSecsSinceEpoch(midnight).date(), QLocale::LongFormat).toStdString();
    const std::filesystem::path path = file.toStdString();
    const std::string text = path.extension() == ".md" ? diaryAsMarkdown(heading, *entries, inWindow())
                                                       : diaryAsHtml(heading, *entries, inWindow());
    if (auto written = writeFile(path, text, FileKind::Text); !written)
        Q_EMIT message(said(written.error()), true);
    else
        Q_EMIT message(tr("The page of the diary is in %1.").arg(file), false);
}

QString LogPlace::shownText() const {
    QStringList out{title_->text(), otherThan_->text()};
    for (int i = 0; i < changes_->topLevelItemCount(); ++i) {
        const QTreeWidgetItem* item = changes_->topLevelItem(i);
        out << item->text(0) + QLatin1Char('|') + item->text(1) + QLatin1Char('|') + item->text(2);
    }
    for (int i = 0; i < heard_->count(); ++i)
        if (const auto* label = qobject_cast<QLabel*>(heard_->itemAt(i)->widget())) out << label->text();
    return out.join(QLatin1Char('\n'));
}

} // namespace lariat
