#include "bench/figures_panel.h"

#include "look/fonts.h"
#include "look/text.h"
#include "print/plot_picture.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QHeaderView>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kWide = 316;
constexpr int kNarrowWidth = 236;

} // namespace

FiguresPanel::FiguresPanel(QWidget* parent) : QWidget(parent) {
    setNarrow(false);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(4, 12, 12, 10);
    column->setSpacing(8);
    column->addWidget(plainLabel(tr("Figures"), look().ink, 13, true));
    figures_ = new QTreeWidget;
    figures_->setObjectName(QStringLiteral("figures"));
    figures_->setAccessibleName(tr("Figures"));
    figures_->setColumnCount(2);
    figures_->setHeaderHidden(true);
    figures_->setRootIsDecorated(false);
    figures_->setIndentation(0);
    figures_->setFrameShape(QFrame::NoFrame);
    figures_->setFont(textFont(13));
    figures_->setTextElideMode(Qt::ElideRight);
    figures_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    figures_->header()->setStretchLastSection(false);
    figures_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    figures_->header()->setSectionResizeMode(1, QHeaderView::Fixed);
    column->addWidget(figures_, 1);
    auto* box = new QWidget;
    offers_ = new QVBoxLayout(box);
    offers_->setContentsMargins(0, 0, 0, 0);
    offers_->setSpacing(6);
    column->addWidget(box);
    find_ = plainButton(tr("Find the setting for…"), "bench-find");
    find_->setToolTip(tr("Turns a knob of the first jack's post until what is measured is as you want it"));
    column->addWidget(find_);
    connect(find_, &QPushButton::clicked, this, &FiguresPanel::findWanted);
}

void FiguresPanel::setNarrow(bool narrow) {
    setFixedWidth(narrow ? kNarrowWidth : kWide);
}

void FiguresPanel::show(const std::optional<Answer>& answer, bool keepsPlace) {
    const int scrolled = figures_->indexOfTopLevelItem(figures_->itemAt(0, 0));
    figures_->clear();
    emptyLayout(offers_);
    if (!answer) return;
    figures_->setColumnCount(answer->question == Question::Better ? 3 : 2);
    answer->question == Question::Better ? showPairs(*answer) : showFigures(*answer);
    showOffers(*answer);
    if (keepsPlace && scrolled > 0 && scrolled < figures_->topLevelItemCount())
        figures_->scrollToItem(figures_->topLevelItem(scrolled), QAbstractItemView::PositionAtTop);
}

void FiguresPanel::showFigures(const Answer& answer) {
    const Look& l = look();
    int of = -2;
    const int first = answer.figures.empty() ? 0 : answer.figures.front().track;
    const bool several =
        std::ranges::any_of(answer.figures, [&](const AskedFigure& figure) { return figure.track != first; });
    for (const AskedFigure& figure : answer.figures) {
        if (figure.track != of && several) {
            auto* head = new QTreeWidgetItem(figures_);
            head->setText(0, figure.track < 0 ? tr("of the whole")
                                              : q(answer.tracks[static_cast<std::size_t>(figure.track)]));
            head->setFirstColumnSpanned(true);
            head->setSizeHint(0, QSize(0, 26));
            head->setFont(0, textFont(13, true));
            head->setForeground(
                0, figure.track < 0 ? l.ink : traceColour(l, answer.question == Question::Loud ? 0 : figure.track));
            head->setFlags(Qt::ItemIsEnabled);
        }
        of = figure.track;
        auto* item = new QTreeWidgetItem(figures_);
        item->setSizeHint(0, QSize(0, 23));
        item->setText(0, said(figure.name));
        item->setText(1, q(figure.text));
        item->setFont(1, figureFont(13));
        item->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
        item->setForeground(0, l.softInk);
        item->setForeground(1, figure.bad ? l.alarm : l.ink);
        item->setToolTip(0, said(figure.name));
        item->setToolTip(1, q(figure.text));
    }
    int widest = 60;
    const QFontMetrics metrics(figureFont(13));
    for (const AskedFigure& figure : answer.figures)
        widest = std::max(widest, metrics.horizontalAdvance(q(figure.text)) + 12);
    figures_->header()->resizeSection(1, std::min(widest, 19 * width() / 32));
}

/// Two that are compared stand side by side.
void FiguresPanel::showPairs(const Answer& answer) {
    const Look& l = look();
    const auto column = [](const AskedFigure& figure) { return figure.track == 0 ? 1 : 2; };
    int widest = 60;
    const QFontMetrics metrics(figureFont(13));
    auto* head = new QTreeWidgetItem(figures_);
    head->setSizeHint(0, QSize(0, 26));
    head->setFlags(Qt::ItemIsEnabled);
    for (std::size_t n = 0; n < std::min<std::size_t>(2, answer.tracks.size()); ++n) {
        const int at = static_cast<int>(n) + 1;
        head->setText(at, q(answer.tracks[n]));
        head->setToolTip(at, q(answer.tracks[n]));
        head->setFont(at, textFont(13, true));
        head->setForeground(at, traceColour(l, static_cast<int>(n)));
        head->setTextAlignment(at, Qt::AlignRight | Qt::AlignVCenter);
    }
    QTreeWidgetItem* row = nullptr;
    for (const AskedFigure& figure : answer.figures) {
        const QString name = said(figure.name);
        if (!row || row->toolTip(0) != name) {
            row = new QTreeWidgetItem(figures_);
            row->setSizeHint(0, QSize(0, 23));
            row->setText(0, name);
            row->setToolTip(0, name);
            row->setForeground(0, l.softInk);
        }
        const int at = column(figure);
        row->setText(at, q(figure.text));
        row->setToolTip(at, q(figure.text));
        row->setFont(at, figureFont(13));
        row->setTextAlignment(at, Qt::AlignRight | Qt::AlignVCenter);
        row->setForeground(at, figure.bad ? l.alarm : l.ink);
        widest = std::max(widest, metrics.horizontalAdvance(q(figure.text)) + 12);
    }
    for (const int at : {1, 2}) {
        figures_->header()->setSectionResizeMode(at, QHeaderView::Fixed);
        figures_->header()->resizeSection(at, std::min(widest, 11 * width() / 32));
    }
}

void FiguresPanel::showOffers(const Answer& answer) {
    for (std::size_t n = 0; n < answer.offers.size(); ++n) {
        auto* box = new QWidget;
        auto* column = new QVBoxLayout(box);
        column->setContentsMargins(0, 0, 0, 0);
        column->setSpacing(4);
        column->addWidget(plainLabel(said(answer.offers[n].label), look().ink));
        auto* button = plainButton(tr("Do it"), "bench-offer");
        button->setAccessibleName(said(answer.offers[n].label));
        column->addWidget(button, 0, Qt::AlignLeft);
        offers_->addWidget(box);
        connect(button, &QPushButton::clicked, this, [this, n] { Q_EMIT offerTaken(n); });
    }
}

} // namespace lariat
