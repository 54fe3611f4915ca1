#include "stock/ledger_view.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QEnterEvent>
#include <QPainter>
#include <QStyle>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kCellHeight = 24;
constexpr int kShortest = 56;
constexpr int kLongest = 150;
constexpr int kCellGap = 4;

QString rowsText(const std::vector<int>& rows) {
    QStringList texts;
    for (const int row : rows) texts << QString::number(row);
    return texts.join(QStringLiteral(", "));
}

} // namespace

LedgerCellButton::LedgerCellButton(Kind kind, const QString& text, const QString& about, QWidget* parent)
    : QAbstractButton(parent), kind_(kind) {
    setText(text);
    setToolTip(about);
    setAccessibleName(about);
    setFont(textFont(13));
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
}

QSize LedgerCellButton::sizeHint() const {
    return {std::clamp(fontMetrics().horizontalAdvance(text()) + 16, kShortest, kLongest), kCellHeight};
}

void LedgerCellButton::enterEvent(QEnterEvent* event) {
    QAbstractButton::enterEvent(event);
    update();
}

void LedgerCellButton::leaveEvent(QEvent* event) {
    QAbstractButton::leaveEvent(event);
    update();
}

void LedgerCellButton::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const Look& l = look();
    const QRectF box = QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5);
    const bool used = kind_ == Kind::Used;
    // What is in use is ink on a full ground; what is free is an empty line; what stands in is broken.
    painter.setPen(QPen(hasFocus() || underMouse() ? l.accent
                        : used                     ? l.accent
                                                   : l.line,
                        hasFocus() ? 2.0 : 1.0, kind_ == Kind::StandIn ? Qt::DashLine : Qt::SolidLine));
    painter.setBrush(used ? l.accent : kind_ == Kind::StandIn ? l.paper : l.card);
    painter.drawRect(box);
    painter.setFont(font());
    painter.setPen(used ? l.card : kind_ == Kind::StandIn ? l.softInk : l.ink);
    painter.drawText(rect().adjusted(7, 0, -7, 0), Qt::AlignVCenter | Qt::AlignLeft,
                     fontMetrics().elidedText(text(), Qt::ElideRight, width() - 14));
}

int CellRow::place(int width, bool move) const {
    int x = 0;
    int y = 0;
    for (QObject* child : children()) {
        auto* cell = qobject_cast<QWidget*>(child);
        if (!cell) continue;
        const QSize size = cell->sizeHint();
        if (x > 0 && x + size.width() > width) {
            x = 0;
            y += kCellHeight + kCellGap;
        }
        if (move) cell->setGeometry(x, y, size.width(), size.height());
        x += size.width() + kCellGap;
    }
    return y + kCellHeight;
}

QSize CellRow::sizeHint() const {
    return {240, place(std::max(240, width()), false)};
}

void CellRow::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    setMinimumHeight(place(width(), true));
}

LedgerView::LedgerView(QWidget* parent) : QWidget(parent) {
    grid_ = new QGridLayout(this);
    grid_->setContentsMargins(0, 0, 0, 0);
    grid_->setHorizontalSpacing(12);
    grid_->setVerticalSpacing(4);
    grid_->setColumnStretch(1, 1);
}

void LedgerView::show(const Ledger& ledger) {
    emptyLayout(grid_);
    int row = 0;
    for (const LedgerLine& line : ledger.lines) {
        const QString function = QCoreApplication::translate("core", line.function->name.c_str());
        auto* name = new QLabel(function);
        name->setFont(textFont(13, true));
        auto* cells = new CellRow;
        for (const LedgerCell& cell : line.cells) {
            QString about = q(cell.name);
            if (cell.used)
                about += cell.rows.empty() ? tr(": in use by %1").arg(q(cell.voice))
                                           : tr(": in use by %1, rows %2").arg(q(cell.voice), rowsText(cell.rows));
            else
                about += tr(": free");
            auto* button = new LedgerCellButton(cell.used ? LedgerCellButton::Kind::Used : LedgerCellButton::Kind::Free,
                                                cell.used ? q(cell.voice) : QString(),
                                                function + QStringLiteral(", ") + about, cells);
            button->setObjectName(QStringLiteral("cell-%1-%2").arg(q(line.function->id), q(cell.seat.key())));
            connect(button, &QAbstractButton::clicked, this, [this, post = cell.post, slot = cell.seat.slot] {
                if (post.empty())
                    Q_EMIT slotChosen(slot);
                else
                    Q_EMIT postChosen(post);
            });
        }
        // Where there is enough of the thing itself, nobody asks what could stand in.
        const bool needed = line.free() <= 1;
        for (const LedgerCell& cell : line.standIns) {
            if (!needed) break;
            const QString price = said(cell.seat.provider->because);
            auto* button =
                new LedgerCellButton(LedgerCellButton::Kind::StandIn, q(cell.name),
                                     tr("%1 could stand in for a %2: %3").arg(q(cell.name), function, price), cells);
            connect(button, &QAbstractButton::clicked, this,
                    [this, slot = cell.seat.slot] { Q_EMIT slotChosen(slot); });
        }
        QString left = line.free() > 0 ? tr("%n free", nullptr, line.free()) : tr("all in use");
        if (!line.standIns.empty() && needed)
            left += QStringLiteral(" · ") + tr("%n can stand in", nullptr, static_cast<int>(line.standIns.size()));
        auto* free = new QLabel(left);
        free->setFont(textFont(13));
        free->setObjectName(QStringLiteral("left-") + q(line.function->id));
        free->setStyleSheet(QStringLiteral("color: %1").arg((line.free() > 0 ? look().softInk : look().alarm).name()));
        grid_->addWidget(name, row, 0, Qt::AlignTop);
        grid_->addWidget(cells, row, 1);
        grid_->addWidget(free, row, 2, Qt::AlignTop | Qt::AlignRight);
        ++row;
    }
}

} // namespace lariat
