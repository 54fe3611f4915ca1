#include "log/take_list.h"

#include "look/fonts.h"
#include "look/text.h"
#include "look/trace_image.h"
#include "shell/theme.h"

#include <QDateTime>
#include <QKeyEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>
#include <array>

namespace lariat {
namespace {

constexpr int kRowHeight = 54;
constexpr int kLaneWidth = 18;
constexpr int kMostLanes = 4; ///< that are told apart
constexpr int kTraceWidth = 92;

int nodeX(int lane) {
    return 18 + kLaneWidth * std::min(lane, kMostLanes);
}

class TakeDelegate : public QStyledItemDelegate {
  public:
    explicit TakeDelegate(const TakeModel& model, QObject* parent) : QStyledItemDelegate(parent), model_(model) {}

    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {200, std::max(kRowHeight, 2 * QFontMetrics(textFont(13)).height() + 20)};
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const Look& l = look();
        const QRect r = option.rect;
        const std::int64_t id = model_.idAt(index.row());
        const bool isAfter = id == model_.after();
        const bool isBefore = id == model_.before();
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        if (isAfter || isBefore) {
            painter->fillRect(r, l.panel);
            painter->fillRect(QRect(r.left(), r.top(), 4, r.height()), isAfter ? l.accent : l.alarm);
        }
        paintLines(*painter, r, index.row(), isAfter, isBefore);
        const int lane = model_.laneAt(index.row());
        const int x = r.left() + nodeX(lane) + 16;
        const TakeLine* take = model_.take(id);
        const int right = r.right() - 12 - (take ? kTraceWidth + 8 : 0);
        const QFont strong = textFont(13, true);
        painter->setFont(strong);
        painter->setPen(l.ink);
        painter->drawText(QRect(x, r.top() + 7, right - x, 20), Qt::AlignVCenter,
                          QFontMetrics(strong).elidedText(index.data().toString(), Qt::ElideRight, right - x));
        const QFont small = textFont(13);
        painter->setFont(small);
        painter->setPen(l.softInk);
        painter->drawText(
            QRect(x, r.top() + 28, right - x, 20), Qt::AlignVCenter,
            QFontMetrics(small).elidedText(index.data(Qt::StatusTipRole).toString(), Qt::ElideRight, right - x));
        if (take) paintOutline(*painter, QRect(r.right() - 12 - kTraceWidth, r.top() + 12, kTraceWidth, 30), *take);
        if (option.state & QStyle::State_HasFocus) {
            painter->setPen(QPen(l.accent, 1));
            painter->setBrush(Qt::NoBrush);
            painter->drawRect(QRectF(r).adjusted(0.5, 0.5, -0.5, -0.5));
        }
        painter->restore();
    }

  private:
    /// The line of the main branch, what branches off, and the ring of the take itself.
    void paintLines(QPainter& painter, const QRect& r, int row, bool isAfter, bool isBefore) const {
        const Look& l = look();
        const int lane = model_.laneAt(row);
        const double y = r.center().y() + 0.5;
        painter.setPen(QPen(l.line, 2));
        painter.drawLine(QPointF(r.left() + nodeX(0), row == 0 ? y : r.top()),
                         QPointF(r.left() + nodeX(0), row + 1 == model_.rowCount() ? y : r.bottom() + 1.0));
        if (lane > 0) painter.drawLine(QPointF(r.left() + nodeX(lane - 1), y), QPointF(r.left() + nodeX(lane), y));
        const QColor edge = isAfter ? l.accent : isBefore ? l.alarm : l.ink;
        const bool now = model_.idAt(row) == TakeModel::kNow;
        painter.setPen(QPen(edge, 1.5, now && !isAfter ? Qt::DotLine : Qt::SolidLine));
        painter.setBrush(isAfter || isBefore ? edge : l.card);
        painter.drawEllipse(QPointF(r.left() + nodeX(lane), y), 5.5, 5.5);
    }

    static void paintOutline(QPainter& painter, const QRect& rect, const TakeLine& take) {
        std::array<MinMax, kThumbColumns> columns{};
        int highest = 1;
        for (const Thumb::Column& column : take.thumb.outline)
            highest = std::max({highest, int{column.high}, -int{column.low}});
        for (std::size_t c = 0; c < kThumbColumns; ++c)
            columns[c] = {static_cast<float>(take.thumb.outline[c].low),
                          static_cast<float>(take.thumb.outline[c].high)};
        const auto range = static_cast<float>(highest);
        drawTrace(painter, rect, columns, {-range, range}, SignalKind::Audio, look().kind(SignalKind::Audio));
    }

    const TakeModel& model_;
};

} // namespace

QString takeTime(std::int64_t at, std::int64_t now) {
    const QDateTime then = QDateTime::fromMSecsSinceEpoch(at);
    const QDate today = QDateTime::fromMSecsSinceEpoch(now).date();
    const QLocale locale;
    const QString clock = then.toString(QStringLiteral("HH:mm"));
    const qint64 days = then.date().daysTo(today);
    if (days == 0) return clock;
    if (days == 1) return QCoreApplication::translate("lariat::TakeList", "yesterday %1").arg(clock);
    if (days > 1 && days < 7)
        return locale.dayName(then.date().dayOfWeek(), QLocale::ShortFormat) + QLatin1Char(' ') + clock;
    const bool thisYear = then.date().year() == today.year();
    return locale.toString(then.date(), thisYear ? QStringLiteral("d MMM") : QStringLiteral("d MMM yyyy"));
}

QString ratingDots(int rating) {
    return QString(rating, QChar(0x25CF));
}

void TakeModel::setTakes(std::vector<TakeLine> takes, bool beside) {
    beginResetModel();
    takes_ = std::move(takes);
    lanes_ = beside ? lanesOf(takes_) : std::vector<int>(takes_.size(), 0);
    endResetModel();
}

void TakeModel::setNow(const QString& text, std::int64_t current) {
    now_ = text;
    current_ = current;
    if (rowCount() > 0) Q_EMIT dataChanged(index(0), index(rowCount() - 1));
}

void TakeModel::setCompared(std::int64_t before, std::int64_t after) {
    before_ = before;
    after_ = after;
    if (rowCount() > 0) Q_EMIT dataChanged(index(0), index(rowCount() - 1));
}

int TakeModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(takes_.size()) + 1;
}

std::int64_t TakeModel::idAt(int row) const {
    return row <= 0 || row > static_cast<int>(takes_.size()) ? kNow : takes_[static_cast<std::size_t>(row - 1)].id;
}

int TakeModel::rowOf(std::int64_t id) const {
    if (id == kNow) return 0;
    const auto found = std::ranges::find(takes_, id, &TakeLine::id);
    return found == takes_.end() ? -1 : static_cast<int>(found - takes_.begin()) + 1;
}

const TakeLine* TakeModel::take(std::int64_t id) const {
    const auto found = std::ranges::find(takes_, id, &TakeLine::id);
    return found == takes_.end() ? nullptr : &*found;
}

int TakeModel::laneAt(int row) const {
    return row <= 0 || row > static_cast<int>(lanes_.size()) ? 0 : lanes_[static_cast<std::size_t>(row - 1)];
}

QVariant TakeModel::data(const QModelIndex& index, int role) const {
    const bool name = role == Qt::DisplayRole;
    const bool about = role == Qt::StatusTipRole;
    if (!index.isValid() || (!name && !about && role != Qt::AccessibleTextRole && role != Qt::ToolTipRole)) return {};
    if (index.row() == 0) return name || role == Qt::AccessibleTextRole ? tr("Now") : now_;
    const TakeLine& take = takes_[static_cast<std::size_t>(index.row() - 1)];
    const QString title = tr("%1 · %2").arg(take.id).arg(q(takeName(take, inWindow())));
    if (name) return title;
    QStringList parts{takeTime(take.at, QDateTime::currentMSecsSinceEpoch())};
    if (take.label.rating > 0) parts << ratingDots(take.label.rating);
    if (take.id == current_) parts << tr("here");
    for (const std::string& tag : take.label.tags) parts << QLatin1Char('#') + q(tag);
    if (!take.label.name.empty() && take.kind != TakeKind::ByHand) parts << said(takeKindText(take.kind));
    const QString rest = parts.join(QStringLiteral("  "));
    if (about) return rest;
    QString all = title + QLatin1Char('\n') + rest;
    if (!take.label.notes.empty()) all += QLatin1Char('\n') + q(take.label.notes);
    return all;
}

TakeList::TakeList(TakeModel& model, QWidget* parent) : QListView(parent), takes_(model) {
    setModel(&model);
    setItemDelegate(new TakeDelegate(model, this));
    setObjectName(QStringLiteral("takes"));
    setAccessibleName(tr("Takes, newest first"));
    setFrameShape(QFrame::NoFrame);
    setUniformItemSizes(true);
    setSelectionMode(QAbstractItemView::SingleSelection);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(this, &QListView::doubleClicked, this, [this](const QModelIndex& index) {
        if (idAt(index) != TakeModel::kNow) Q_EMIT goBackWanted(idAt(index));
    });
}

std::int64_t TakeList::idAt(const QModelIndex& index) const {
    return takes_.idAt(index.row());
}

void TakeList::currentChanged(const QModelIndex& current, const QModelIndex& previous) {
    QListView::currentChanged(current, previous);
    if (current.isValid()) Q_EMIT looked(idAt(current));
}

void TakeList::mousePressEvent(QMouseEvent* event) {
    const QModelIndex index = indexAt(event->pos());
    if (index.isValid() && event->button() == Qt::LeftButton && event->modifiers().testFlag(Qt::ControlModifier)) {
        Q_EMIT heldAgainst(idAt(index));
        return;
    }
    QListView::mousePressEvent(event);
}

void TakeList::keyPressEvent(QKeyEvent* event) {
    const std::int64_t id = currentIndex().isValid() ? idAt(currentIndex()) : -1;
    if (id >= 0 && event->key() == Qt::Key_C && event->modifiers() == Qt::NoModifier)
        Q_EMIT heldAgainst(id);
    else if (id > 0 && event->key() == Qt::Key_Delete)
        Q_EMIT throwAwayWanted(id);
    else if (id > 0 && (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter))
        Q_EMIT goBackWanted(id);
    else
        QListView::keyPressEvent(event);
}

void TakeList::changeEvent(QEvent* event) {
    QListView::changeEvent(event);
    if (event->type() == QEvent::PaletteChange || event->type() == QEvent::FontChange) viewport()->update();
}

} // namespace lariat
