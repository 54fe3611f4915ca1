#include "widgets/knob.h"

#include "look/fonts.h"
#include "look/look.h"
#include "shell/theme.h"

#include <QAccessible>
#include <QClipboard>
#include <QContextMenuEvent>
#include <QGuiApplication>
#include <QKeyEvent>
#include <QMenu>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>
#include <functional>
#include <utility>

namespace lariat {
namespace {

constexpr double kPerPixel = 1.0 / 200.0;
constexpr double kFine = 0.1;
constexpr double kPerNotch = 1.0 / 60.0; ///< ten minutes of the clock hand
constexpr int kRestMilliseconds = 800;   ///< after which turning by wheel or keys is over

/// Where a value is typed. Enter and Esc end here, so that they neither open it again nor reach the chart.
class ValueField : public QLineEdit {
  public:
    ValueField(QWidget* parent, std::function<bool(const QString&)> take) : QLineEdit(parent), take_(std::move(take)) {}

  protected:
    void keyPressEvent(QKeyEvent* event) override {
        const bool enter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
        if (!enter && event->key() != Qt::Key_Escape) {
            QLineEdit::keyPressEvent(event);
            return;
        }
        if (enter && !take_(text())) { // it stays, with what was typed, to be mended
            selectAll();
            return;
        }
        setModified(false);
        parentWidget()->setFocus();
        hide();
    }
    void focusOutEvent(QFocusEvent* event) override {
        QLineEdit::focusOutEvent(event);
        if (event->reason() == Qt::PopupFocusReason || event->reason() == Qt::ActiveWindowFocusReason) return;
        if (isModified()) (void)take_(text());
        setModified(false);
        hide();
    }

  private:
    std::function<bool(const QString&)> take_;
};

} // namespace

Knob::Knob(QString name, Scale scale, double initial, QWidget* parent)
    : QWidget(parent), name_(std::move(name)), scale_(std::move(scale)), initial_(initial), value_(initial) {
    setFocusPolicy(Qt::StrongFocus);
    setAcceptDrops(true);
    setAccessibleName(name_);
    setToolTip(tr("Drag up or down, finer with Shift. Double-click to type a value or a position such as 10:20."));
    rest_.setSingleShot(true);
    rest_.setInterval(kRestMilliseconds);
    connect(&rest_, &QTimer::timeout, this, &Knob::released);
    showValue(initial);
}

void Knob::showValue(double value) {
    value_ = value;
    if (!dragging_) fraction_ = scale_.toFraction(value);
    QString spoken = QString::fromStdString(scale_.text(value) + ", " + clockHand(scale_.toFraction(value)));
    if (unknown_) spoken = tr("unknown, tried at %1").arg(spoken);
    if (spoken != accessibleDescription()) {
        setAccessibleDescription(spoken);
        if (QAccessible::isActive()) {
            QAccessibleValueChangeEvent event(this, value);
            QAccessible::updateAccessibility(&event);
        }
    }
    update();
}

void Knob::showUnknown(std::optional<std::pair<double, double>> between) {
    if (between == unknown_) return;
    unknown_ = between;
    showValue(value_); // it is spoken differently
}

void Knob::showReach(std::optional<std::pair<double, double>> reach) {
    if (reach == reach_) return;
    reach_ = reach;
    update();
}

void Knob::showMarks(bool locked, const QString& note, int controller) {
    locked_ = locked;
    note_ = note;
    controller_ = controller;
    QStringList lines;
    if (!note_.isEmpty()) lines << note_;
    if (locked_) lines << tr("Locked: it stays as it is.");
    if (controller_ >= 0) lines << tr("Under controller %1.").arg(controller_);
    lines << tr("Drag up or down, finer with Shift. Double-click to type a value or a position such as 10:20.");
    setToolTip(lines.join(QLatin1Char('\n')));
    update();
}

QString Knob::reachText() const {
    if (!reach_) return {};
    const QString low = QString::fromStdString(scale_.text(reach_->first));
    const QString high = QString::fromStdString(scale_.text(reach_->second));
    // One unit is enough where both have the same.
    const QString unit = high.section(QLatin1Char(' '), 1);
    const bool same = !unit.isEmpty() && low.section(QLatin1Char(' '), 1) == unit;
    return (same ? low.section(QLatin1Char(' '), 0, 0) : low) + QStringLiteral("…") + high;
}

void Knob::turnTo(double fraction) {
    if (locked_) {
        Q_EMIT refused(tr("%1 is locked; unlock it with a right click.").arg(name_));
        return;
    }
    fraction_ = std::clamp(fraction, 0.0, 1.0);
    const double value = scale_.toValue(fraction_);
    if (value == value_) return;
    value_ = value;
    update();
    Q_EMIT turned(value);
}

void Knob::turnToValue(double value) {
    turnTo(scale_.toFraction(value));
    Q_EMIT released();
}

void Knob::typeValue() {
    if (!field_) {
        field_ = new ValueField(this, [this](const QString& text) { return take(text); });
        field_->setAccessibleName(tr("%1, value or position").arg(name_));
    }
    field_->setGeometry(0, height() - 40, width(), 30);
    field_->setText(QString::fromStdString(scale_.text(value_)));
    field_->show();
    field_->selectAll();
    field_->setFocus();
}

bool Knob::take(const QString& text) {
    if (locked_) {
        turnTo(0.0); // says that it is locked
        return true;
    }
    const auto read = scale_.parse(text.toStdString(), tempo_);
    if (!read || *read < scale_.min || *read > scale_.max) {
        Q_EMIT refused(tr("“%1” is not a setting of %2: it takes %3.")
                           .arg(text, name_, QString::fromStdString(scale_.expectation())));
        return false;
    }
    showValue(*read);
    Q_EMIT turned(*read);
    Q_EMIT released();
    return true;
}

/// A value as text, as from the reckoner.
void Knob::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasText() && !event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void Knob::dropEvent(QDropEvent* event) {
    take(event->mimeData()->text().trimmed().left(40));
    event->acceptProposedAction();
}

void Knob::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    const QPointF centre(width() / 2.0, 26);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(l.line, 1.5));
    for (int tick = 0; tick <= 10; ++tick) {
        painter.save();
        painter.translate(centre);
        painter.rotate(-150 + 30 * tick);
        painter.drawLine(QPointF(0, -22), QPointF(0, tick == 5 ? -26 : -24.5));
        painter.restore();
    }
    drawDial(painter, centre, 19, unknown_ && !dragging_ ? std::nullopt : std::optional(fraction_),
             hasFocus() ? l.accent : l.ink, l.card);
    if (unknown_) { // between which places it is
        const double from = scale_.toFraction(unknown_->first);
        const double to = scale_.toFraction(unknown_->second);
        painter.setPen(QPen(l.softInk, 3, Qt::SolidLine, Qt::FlatCap));
        painter.setBrush(Qt::NoBrush);
        painter.drawArc(QRectF(centre.x() - 24, centre.y() - 24, 48, 48), static_cast<int>(16 * (240.0 - 300.0 * from)),
                        static_cast<int>(-16 * std::max(2.0, 300.0 * (to - from))));
    }
    painter.setPen(l.ink);
    painter.setFont(textFont(13, true));
    painter.drawText(QRectF(0, 50, width(), 18), Qt::AlignCenter,
                     QFontMetricsF(painter.font()).elidedText(name_, Qt::ElideRight, width() - 2));
    painter.setFont(textFont(13));
    const QString value = QString::fromStdString(scale_.text(value_));
    if (unknown_) painter.setPen(l.softInk);
    painter.drawText(QRectF(0, 67, width(), 18), Qt::AlignCenter, unknown_ ? QStringLiteral("≈ ") + value : value);
    painter.setPen(l.softInk);
    QString below = unknown_ ? tr("unknown") : QString::fromStdString(clockHand(scale_.toFraction(value_)));
    if (reach_) {
        // Drawn around the dial as far as modulation takes it, and named in its unit.
        const double from = scale_.toFraction(reach_->first);
        const double to = scale_.toFraction(reach_->second);
        painter.setPen(QPen(l.accent, 3, Qt::SolidLine, Qt::FlatCap));
        painter.setBrush(Qt::NoBrush);
        const double start = 240.0 - 300.0 * from; // degrees, from three o'clock against the clock
        painter.drawArc(QRectF(centre.x() - 24, centre.y() - 24, 48, 48), static_cast<int>(16 * start),
                        static_cast<int>(-16 * std::max(2.0, 300.0 * (to - from))));
        below = reachText();
        // The unit stands above as well; without it there is room for the figures.
        if (painter.fontMetrics().horizontalAdvance(below) > width()) below = below.section(QLatin1Char(' '), 0, 0);
        painter.setPen(l.accent);
    }
    painter.drawText(QRectF(0, 84, width(), 18), Qt::AlignCenter,
                     QFontMetricsF(painter.font()).elidedText(below, Qt::ElideRight, width()));
    painter.setPen(l.softInk);
    if (locked_) { // a padlock
        const QRectF body(width() - 15, 8, 10, 8);
        painter.drawArc(body.adjusted(2, -5, -2, 2), 0, 180 * 16);
        painter.fillRect(body, l.softInk);
    }
    if (!note_.isEmpty()) painter.drawPolygon(QPolygonF{QPointF(4, 2), QPointF(14, 2), QPointF(4, 12)});
    if (controller_ >= 0) {
        painter.setFont(figureFont(13));
        painter.drawText(QRectF(2, 30, 24, 18), Qt::AlignLeft, QString::number(controller_));
    }
}

void Knob::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragging_ = true;
    lastAt_ = event->globalPosition().toPoint();
}

void Knob::mouseMoveEvent(QMouseEvent* event) {
    if (!dragging_) return;
    const QPoint at = event->globalPosition().toPoint();
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? kFine : 1.0;
    const QPoint moved = at - lastAt_;
    lastAt_ = at;
    turnTo(fraction_ + fine * kPerPixel * (moved.x() - moved.y()));
}

void Knob::mouseReleaseEvent(QMouseEvent*) {
    if (std::exchange(dragging_, false)) Q_EMIT released();
}

void Knob::mouseDoubleClickEvent(QMouseEvent*) {
    typeValue();
}

/// Only under the keyboard: who scrolls past it must not turn it.
void Knob::wheelEvent(QWheelEvent* event) {
    if (!hasFocus()) {
        event->ignore();
        return;
    }
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? kFine : 1.0;
    turnTo(fraction_ + fine * kPerNotch * event->angleDelta().y() / 120.0);
    rest_.start();
    event->accept();
}

void Knob::keyPressEvent(QKeyEvent* event) {
    const double fine = event->modifiers().testFlag(Qt::ShiftModifier) ? kFine : 1.0;
    switch (event->key()) {
    case Qt::Key_Up:
        turnTo(fraction_ + fine * kPerNotch);
        rest_.start();
        break;
    case Qt::Key_Down:
        turnTo(fraction_ - fine * kPerNotch);
        rest_.start();
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        typeValue();
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

/// The menu belongs to the window and is not waited for: the page with this knob may be made anew while it is open.
void Knob::contextMenuEvent(QContextMenuEvent* event) {
    auto* menu = new QMenu(window());
    menu->setObjectName(QStringLiteral("knob-menu"));
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Type a value…"), this, &Knob::typeValue);
    if (choice_)
        menu->addAction(tr("%1: %2").arg(choice_->first, QString::fromStdString(scale_.text(choice_->second))), this,
                        [this, value = choice_->second] {
                            if (locked_) {
                                turnTo(0.0); // says that it is locked
                                return;
                            }
                            showValue(value);
                            Q_EMIT turned(value);
                            Q_EMIT released();
                        });
    menu->addAction(tr("Back to %1").arg(QString::fromStdString(scale_.text(initial_))), this, [this] {
        showValue(initial_);
        Q_EMIT turned(initial_);
        Q_EMIT released();
    });
    if (scale_.taper != Taper::Switch)
        menu->addAction(tr("Find the setting for…"), this, [this] { Q_EMIT findWanted(); });
    if (unknown_)
        menu->addAction(tr("It stands where it is tried"), this, [this] { Q_EMIT unknownWanted(false); });
    else
        menu->addAction(tr("Nobody knows where it stands"), this, [this] { Q_EMIT unknownWanted(true); });
    menu->addAction(tr("It stands between…"), this, [this] { Q_EMIT betweenWanted(); });
    if (scale_.taper != Taper::Switch && scale_.words.empty())
        menu->addAction(tr("Calibrate by reading…"), this, [this] { Q_EMIT calibrateWanted(); });
    menu->addSeparator();
    menu->addAction(tr("Copy the value"), this,
                    [this] { QGuiApplication::clipboard()->setText(QString::fromStdString(scale_.text(value_))); });
    menu->addAction(tr("Paste a value"), this, [this] { take(QGuiApplication::clipboard()->text().trimmed()); });
    menu->addSeparator();
    menu->addAction(locked_ ? tr("Unlock") : tr("Lock"), this, [this] { Q_EMIT lockWanted(!locked_); });
    menu->addAction(note_.isEmpty() ? tr("Write a note…") : tr("Change the note…"), this,
                    [this] { Q_EMIT noteWanted(); });
    if (controller_ < 0)
        menu->addAction(tr("Learn a MIDI controller"), this, [this] { Q_EMIT learnWanted(); });
    else
        menu->addAction(tr("Forget controller %1").arg(controller_), this, [this] { Q_EMIT forgetWanted(); });
    menu->popup(event->globalPos());
}

} // namespace lariat
