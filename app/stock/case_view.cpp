#include "stock/case_view.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QAccessible>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kRowLabel = 52;     ///< width of "row 1"
constexpr int kModuleHeight = 40; ///< height of a module
constexpr int kRowStep = 56;

} // namespace

CaseView::CaseView(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("The case, row by row"));
}

void CaseView::show(const Case& housing, const Library& library, const std::vector<std::string>& used) {
    housing_ = housing;
    library_ = &library;
    used_ = used;
    if (!housing_.slot(chosen_)) chosen_.clear();
    dragging_ = false;
    dragged_.reset();
    setMinimumHeight(sizeHint().height());
    updateGeometry();
    update();
}

void CaseView::choose(const std::string& slot) {
    if (chosen_ == slot) return;
    chosen_ = slot;
    update();
    tell();
}

void CaseView::tell() {
    const Slot* slot = housing_.slot(chosen_);
    setAccessibleDescription(!slot ? QString()
                             : slot->loose()
                                 ? tr("%1, in the bag").arg(nameOf(*slot))
                                 : tr("%1, row %2, HP %3").arg(nameOf(*slot)).arg(slot->row).arg(slot->column));
    QAccessibleEvent changed(this, QAccessible::DescriptionChanged);
    QAccessible::updateAccessibility(&changed);
}

QSize CaseView::sizeHint() const {
    return {600, std::max(1, housing_.rows) * kRowStep + 4};
}

double CaseView::perColumn() const {
    return (width() - kRowLabel - 2.0) / std::max(1, housing_.hpPerRow);
}

QRectF CaseView::boxOf(const CasePlace& place, int hp) const {
    return {kRowLabel + perColumn() * (place.column - 1), 1.0 + kRowStep * (place.row - 1), perColumn() * hp,
            static_cast<double>(kModuleHeight)};
}

QRect CaseView::rectOf(const std::string& slot) const {
    const Slot* one = housing_.slot(slot);
    return one && !one->loose() ? boxOf({one->row, one->column}, widthOf(*one)).toRect() : QRect();
}

int CaseView::widthOf(const Slot& slot) const {
    const ModuleInfo* module = library_ ? library_->module(slot.module) : nullptr;
    return module ? module->description.hp : 1;
}

QString CaseView::nameOf(const Slot& slot) const {
    const ModuleInfo* module = library_ ? library_->module(slot.module) : nullptr;
    return q(module ? module->description.name : slot.module);
}

const Slot* CaseView::slotAt(const QPointF& at) const {
    for (const Slot& slot : housing_.slots)
        if (!slot.loose() && boxOf({slot.row, slot.column}, widthOf(slot)).contains(at)) return &slot;
    return nullptr;
}

void CaseView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.setFont(textFont(13));
    for (int row = 1; row <= housing_.rows; ++row) {
        const QRectF whole = boxOf({row, 1}, housing_.hpPerRow);
        painter.setPen(l.softInk);
        painter.drawText(QRectF(6, whole.top(), kRowLabel - 8, kModuleHeight), Qt::AlignVCenter | Qt::AlignLeft,
                         tr("row %1").arg(row));
        painter.fillRect(whole, l.panel);
        // The ruler: a tick every ten HP, a longer one every fifty.
        painter.setPen(l.line);
        for (int hp = 0; hp <= housing_.hpPerRow; hp += 10) {
            const double x = kRowLabel + perColumn() * hp;
            painter.drawLine(QPointF(x, whole.bottom() + 2), QPointF(x, whole.bottom() + (hp % 50 == 0 ? 9 : 5)));
        }
    }
    for (const Slot& slot : housing_.slots) {
        if (slot.loose()) continue;
        const bool chosen = slot.id == chosen_;
        const QRectF box = boxOf(chosen && dragged_ ? *dragged_ : CasePlace{slot.row, slot.column}, widthOf(slot));
        const bool inUse = std::ranges::count(used_, slot.id) > 0;
        painter.setPen(QPen(chosen ? l.accent : l.line, chosen ? 2.0 : 1.0));
        painter.setBrush(l.card);
        painter.drawRect(box.adjusted(0.5, 0.5, -0.5, -0.5));
        if (inUse) painter.fillRect(QRectF(box.left() + 1, box.bottom() - 4, box.width() - 2, 3), l.accent);
        if (!slot.from.empty()) // borrowed: a corner is cut off
            painter.fillRect(QRectF(box.right() - 8, box.top() + 1, 7, 7), l.alarm);
        painter.setFont(textFont(13, chosen));
        painter.setPen(l.ink);
        const QFontMetrics metrics(painter.font());
        const int room = static_cast<int>(box.width()) - 8;
        if (room >= 14)
            painter.drawText(box.adjusted(4, 0, -4, -4), Qt::AlignVCenter | Qt::AlignLeft,
                             room < 24 ? nameOf(slot).left(1) : metrics.elidedText(nameOf(slot), Qt::ElideRight, room));
    }
    if (hasFocus()) {
        painter.setPen(QPen(l.accent, 1.0, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawLine(QPointF(0, 2), QPointF(0, height() - 6)); // the keyboard is here
    }
}

void CaseView::mousePressEvent(QMouseEvent* event) {
    const Slot* slot = slotAt(event->position());
    const std::string id = slot ? slot->id : std::string();
    choose(id);
    Q_EMIT slotChosen(id);
    if (!slot || event->button() != Qt::LeftButton) return;
    grabbed_ = event->position() - boxOf({slot->row, slot->column}, 1).topLeft();
    dragging_ = true;
}

void CaseView::mouseMoveEvent(QMouseEvent* event) {
    const Slot* slot = housing_.slot(chosen_);
    if (!dragging_ || !slot) return;
    const QPointF at = event->position() - grabbed_;
    CasePlace place{static_cast<int>(std::lround(at.y() / kRowStep)) + 1,
                    static_cast<int>(std::lround((at.x() - kRowLabel) / perColumn())) + 1};
    place.row = std::clamp(place.row, 1, housing_.rows);
    place.column = std::clamp(place.column, 1, std::max(1, housing_.hpPerRow - widthOf(*slot) + 1));
    if (!dragged_ && place.row == slot->row && std::abs(place.column - slot->column) < 2) return;
    dragged_ = place;
    update();
}

void CaseView::mouseReleaseEvent(QMouseEvent*) {
    const auto where = std::exchange(dragged_, std::nullopt);
    if (std::exchange(dragging_, false) && where) Q_EMIT moveWanted(chosen_, where->row, where->column);
    update();
}

/// Arrows choose; with Shift they move; Delete takes out.
void CaseView::keyPressEvent(QKeyEvent* event) {
    const int key = event->key();
    const bool sideways = key == Qt::Key_Left || key == Qt::Key_Right;
    const bool across = key == Qt::Key_Up || key == Qt::Key_Down;
    const Slot* slot = housing_.slot(chosen_);
    if (key == Qt::Key_Escape && dragging_) {
        dragging_ = false;
        dragged_.reset();
        update();
        return;
    }
    if (slot && (key == Qt::Key_Delete || key == Qt::Key_Backspace)) {
        Q_EMIT outWanted(chosen_);
        return;
    }
    if (!sideways && !across) {
        QWidget::keyPressEvent(event);
        return;
    }
    const int direction = key == Qt::Key_Left || key == Qt::Key_Up ? -1 : 1;
    if (event->modifiers().testFlag(Qt::ShiftModifier)) {
        if (!slot || slot->loose()) return;
        if (sideways) {
            Q_EMIT shoveWanted(chosen_, direction);
        } else {
            // Straight up or down if there is room, else the nearest place in that row.
            const int row = slot->row + direction;
            const int hp = widthOf(*slot);
            for (int off = 0; off < housing_.hpPerRow; ++off)
                for (const int column : {slot->column - off, slot->column + off})
                    if (row >= 1 && row <= housing_.rows && column >= 1 && column + hp - 1 <= housing_.hpPerRow &&
                        inTheWay(housing_, *library_, {row, column}, hp, chosen_).empty()) {
                        Q_EMIT moveWanted(chosen_, row, column);
                        return;
                    }
            Q_EMIT moveWanted(chosen_, row, slot->column); // refused with its reason
        }
        return;
    }
    // The next one in reading order, or the nearest in the next row.
    std::vector<const Slot*> order;
    for (const Slot& one : housing_.slots)
        if (!one.loose()) order.push_back(&one);
    if (order.empty()) return;
    std::ranges::sort(order, [](const Slot* a, const Slot* b) {
        return std::pair(a->row, a->column) < std::pair(b->row, b->column);
    });
    const auto at = std::ranges::find(order, slot);
    const Slot* next = order.front();
    if (at != order.end() && sideways) {
        const auto index = std::clamp<long>(at - order.begin() + direction, 0, static_cast<long>(order.size()) - 1);
        next = order[static_cast<std::size_t>(index)];
    } else if (at != order.end()) {
        next = slot;
        int nearest = 10'000;
        for (const Slot* one : order)
            if (one->row == slot->row + direction && std::abs(one->column - slot->column) < nearest) {
                nearest = std::abs(one->column - slot->column);
                next = one;
            }
    }
    choose(next->id);
    Q_EMIT slotChosen(next->id);
}

void CaseView::contextMenuEvent(QContextMenuEvent* event) {
    if (event->reason() == QContextMenuEvent::Mouse) {
        const Slot* slot = slotAt(event->pos());
        choose(slot ? slot->id : std::string());
        Q_EMIT slotChosen(chosen_);
    }
    if (!chosen_.empty())
        Q_EMIT menuWanted(chosen_, event->reason() == QContextMenuEvent::Mouse ? event->globalPos()
                                                                               : mapToGlobal(rectOf(chosen_).center()));
}

bool CaseView::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        if (const Slot* slot = slotAt(help->pos()))
            QToolTip::showText(help->globalPos(),
                               tr("%1, %2 HP, HP %3 to %4")
                                   .arg(nameOf(*slot))
                                   .arg(widthOf(*slot))
                                   .arg(slot->column)
                                   .arg(slot->column + widthOf(*slot) - 1),
                               this);
        else
            QToolTip::hideText();
        return true;
    }
    if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut || event->type() == QEvent::PaletteChange)
        update();
    return QWidget::event(event);
}

} // namespace lariat
