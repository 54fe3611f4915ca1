#include "widgets/pad_surface.h"

#include "shell/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr std::uint8_t kX = 16; ///< controllers of the pad; their fine parts are 32 higher
constexpr std::uint8_t kY = 17;
constexpr std::uint8_t kNote = 60;
constexpr qreal kKeyStep = 0.1;

} // namespace

PadSurface::PadSurface(Sound& sound, QWidget* parent) : QWidget(parent), sound_(sound) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Pad to play on"));
    setToolTip(tr("Press and move: x and y follow, and touch is open while you hold. Arrow keys move as well; it stays "
                  "where it is let go. Enter opens touch by hand for as long as it is down."));
}

PadSurface::~PadSurface() {
    if (touched_) touch(false);
}

void PadSurface::moveTo(QPointF at) {
    at_ = {std::clamp(at.x(), -1.0, 1.0), std::clamp(at.y(), -1.0, 1.0)};
    const auto send = [this](std::uint8_t controller, qreal value) {
        const int fourteen = static_cast<int>(std::lround(8192.0 + 8191.0 * value));
        sound_.play({0xB0, controller, static_cast<std::uint8_t>(fourteen >> 7)});
        sound_.play({0xB0, static_cast<std::uint8_t>(controller + 32), static_cast<std::uint8_t>(fourteen & 0x7F)});
    };
    send(kX, at_.x());
    send(kY, at_.y());
    update();
}

void PadSurface::touch(bool on) {
    touched_ = on;
    sound_.play({static_cast<std::uint8_t>(on ? 0x90 : 0x80), kNote, static_cast<std::uint8_t>(on ? 100 : 0)});
    update();
}

void PadSurface::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    const QRectF box = QRectF(rect()).adjusted(2, 2, -2, -2);
    painter.fillRect(box, l.card);
    painter.setPen(QPen(l.line, 1));
    painter.drawLine(QPointF(box.center().x(), box.top()), QPointF(box.center().x(), box.bottom()));
    painter.drawLine(QPointF(box.left(), box.center().y()), QPointF(box.right(), box.center().y()));
    if (hasFocus()) {
        painter.setPen(QPen(l.accent, 2));
        painter.drawRect(box);
    }
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(l.accent, 2));
    painter.setBrush(touched_ ? l.accent : l.card);
    painter.drawEllipse(
        QPointF(box.center().x() + at_.x() * box.width() / 2, box.center().y() - at_.y() * box.height() / 2), 7, 7);
}

void PadSurface::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    mouseMoveEvent(event);
    touch(true);
}

void PadSurface::mouseMoveEvent(QMouseEvent* event) {
    moveTo({2.0 * event->position().x() / width() - 1.0, 1.0 - 2.0 * event->position().y() / height()});
}

void PadSurface::mouseReleaseEvent(QMouseEvent*) {
    if (touched_) touch(false);
}

void PadSurface::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Left:
        moveTo(at_ - QPointF(kKeyStep, 0));
        break;
    case Qt::Key_Right:
        moveTo(at_ + QPointF(kKeyStep, 0));
        break;
    case Qt::Key_Up:
        moveTo(at_ + QPointF(0, kKeyStep));
        break;
    case Qt::Key_Down:
        moveTo(at_ - QPointF(0, kKeyStep));
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (!event->isAutoRepeat()) touch(true);
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

void PadSurface::keyReleaseEvent(QKeyEvent* event) {
    const bool enter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    if (!enter) return QWidget::keyReleaseEvent(event);
    if (!event->isAutoRepeat() && touched_) touch(false);
}

void PadSurface::focusOutEvent(QFocusEvent* event) {
    if (touched_) touch(false); // a gate that is let go elsewhere would stay open
    QWidget::focusOutEvent(event);
}

} // namespace lariat
