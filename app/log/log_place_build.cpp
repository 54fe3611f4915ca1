// The Log place as it is put together.
#include "log/both_chart.h"
#include "log/log_place.h"
#include "log/pair_picture.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/shortcuts.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QHeaderView>
#include <QScrollArea>

namespace lariat {
namespace {

constexpr int kListWidth = 352;

} // namespace

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
    both_ = new BothChart;
    column->addWidget(both_);
    allRows_ = plainButton({}, "all-rows");
    column->addWidget(allRows_, 0, Qt::AlignLeft);
    connect(allRows_, &QPushButton::clicked, this, [this] {
        both_->showAll(!both_->showsAll());
        sayRows();
    });
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
    connect(changes_, &QTreeWidget::currentItemChanged, this, &LogPlace::markChange);
    connect(both_, &BothChart::chosen, this, &LogPlace::chooseChange);
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

} // namespace lariat
