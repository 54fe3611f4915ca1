#include "widgets/envelope_picture.h"

#include "look/fonts.h"
#include "look/look.h"
#include "shell/theme.h"
#include "units/scale.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kPeak = 8.0;
constexpr qreal kReach = 14;

QString timeText(double seconds) {
    return QString::fromStdString(Scale{Unit::Seconds, 0.0001, 1000, Taper::Log, {}}.text(seconds));
}

} // namespace

EnvelopePicture::EnvelopePicture(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
}

void EnvelopePicture::showShape(const EnvelopeShape& shape) {
    shape_ = shape;
    setAccessibleName(shape.function ? tr("Picture of the function") : tr("Picture of the contour"));
    setToolTip(shape.function
                   ? tr("What one trigger makes of it, and its four related outputs. Draw the corners to set rise and "
                        "fall.")
                   : tr("What one gate makes of it. Draw the corners to set attack, decay with sustain, and release."));
    if (shape.function)
        setAccessibleDescription(
            tr("rise %1, fall %2").arg(timeText(shape.attackEnd), timeText(shape.releaseEnd - shape.attackEnd)));
    else
        setAccessibleDescription(tr("attack %1, decay %2, release %3")
                                     .arg(timeText(shape.attackEnd), timeText(shape.decayEnd - shape.attackEnd),
                                          timeText(shape.releaseEnd - std::max(shape.gate, 0.0))));
    update();
}

void EnvelopePicture::showNow(int stage, double volts) {
    if (stage == stage_ && std::abs(volts - volts_) < 0.02) return;
    stage_ = stage;
    volts_ = volts;
    update();
}

QRectF EnvelopePicture::box() const {
    return QRectF(2, 16, width() - 4, height() - 36);
}

qreal EnvelopePicture::xOf(double seconds) const {
    return box().left() + box().width() * seconds / std::max(1e-6, shape_.seconds);
}

qreal EnvelopePicture::yOf(double volts) const {
    return box().bottom() - box().height() * std::clamp(volts / kPeak, 0.0, 1.05);
}

QPointF EnvelopePicture::corner(Corner corner) const {
    // The decay ends where it leads to, also where the gate closes before.
    if (corner == Corner::Decay) return {xOf(shape_.decayEnd), yOf(shape_.sustain)};
    const double at = corner == Corner::Attack ? shape_.attackEnd : shape_.releaseEnd;
    return {xOf(at), yOf(voltsAt(at))};
}

double EnvelopePicture::voltsAt(double seconds) const {
    if (shape_.volts.empty()) return 0.0;
    const double share = std::clamp(seconds / std::max(1e-6, shape_.seconds), 0.0, 1.0);
    return static_cast<double>(
        shape_.volts[static_cast<std::size_t>(share * static_cast<double>(shape_.volts.size() - 1))]);
}

/// Those of the stages that the mode has.
std::vector<EnvelopePicture::Corner> EnvelopePicture::corners() const {
    std::vector<Corner> all = {Corner::Attack};
    if (shape_.decays) all.push_back(Corner::Decay);
    if (shape_.releases) all.push_back(Corner::Release);
    return all;
}

std::optional<EnvelopePicture::Corner> EnvelopePicture::cornerAt(const QPointF& at) const {
    std::optional<Corner> best;
    qreal nearest = kReach;
    for (const Corner one : corners()) {
        const QPointF place = corner(one);
        const qreal away = std::hypot(place.x() - at.x(), place.y() - at.y());
        if (away < nearest) {
            nearest = away;
            best = one;
        }
    }
    return best;
}

void EnvelopePicture::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.fillRect(box(), l.card);
    if (shape_.volts.empty()) return;
    const QColor gate = l.kind(SignalKind::Gate);
    painter.fillRect(QRectF(xOf(0.0), 4, xOf(shape_.gate) - xOf(0.0), 8), gate);
    painter.setRenderHint(QPainter::Antialiasing);
    const auto curve = [&](const std::vector<float>& volts) {
        QPainterPath path;
        for (std::size_t i = 0; i < volts.size(); ++i) {
            const QPointF point(box().left() +
                                    box().width() * static_cast<qreal>(i) / static_cast<qreal>(volts.size() - 1),
                                yOf(static_cast<double>(volts[i])));
            i == 0 ? path.moveTo(point) : path.lineTo(point);
        }
        painter.drawPath(path);
    };
    const QColor colour = l.kind(SignalKind::Control);
    QColor faint = colour;
    faint.setAlphaF(0.35f);
    painter.setPen(QPen(faint, 1));
    for (const auto& line : shape_.related) curve(line);
    painter.setPen(QPen(colour, 1.8));
    curve(shape_.volts);
    if (shape_.followsGate && shape_.decays && shape_.gate < shape_.decayEnd) { // what the gate cuts off
        painter.setPen(QPen(colour, 1, Qt::DotLine));
        painter.drawLine(QPointF(xOf(shape_.gate), yOf(voltsAt(shape_.gate))), corner(Corner::Decay));
    }
    // Where it is now: on the curve of its stage, at its level.
    if (stage_ != 4) {
        const double begin = stage_ == 0   ? 0.0
                             : stage_ == 1 ? shape_.attackEnd
                             : stage_ == 2 ? shape_.decayEnd
                                           : (shape_.function ? shape_.attackEnd : shape_.gate);
        const double end = stage_ == 0   ? shape_.attackEnd
                           : stage_ == 1 ? shape_.decayEnd
                           : stage_ == 2 ? shape_.gate
                                         : shape_.releaseEnd;
        const auto column = [&](double s) {
            return std::min(
                shape_.volts.size() - 1,
                static_cast<std::size_t>(std::max(0.0, s / shape_.seconds) * static_cast<double>(shape_.volts.size())));
        };
        std::size_t best = column(begin);
        for (std::size_t i = column(begin); i <= column(end); ++i)
            if (std::abs(static_cast<double>(shape_.volts[i]) - volts_) <
                std::abs(static_cast<double>(shape_.volts[best]) - volts_))
                best = i;
        const qreal x =
            box().left() + box().width() * static_cast<qreal>(best) / static_cast<qreal>(shape_.volts.size());
        painter.setPen(QPen(l.accent, 1.5));
        painter.drawLine(QPointF(x, box().top()), QPointF(x, box().bottom()));
        painter.setBrush(l.accent);
        painter.drawEllipse(QPointF(x, yOf(volts_)), 3.5, 3.5);
    }
    painter.setPen(QPen(colour, 1.5));
    painter.setBrush(l.card);
    for (const Corner one : corners()) painter.drawEllipse(corner(one), 4, 4);
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    const QRectF top(QPointF(xOf(shape_.gate) + 6, 0), QPointF(width(), 16));
    // A long gate leaves little room beside it; its time says enough there.
    const QString held = shape_.function ? tr("trigger") : tr("gate %1").arg(timeText(shape_.gate));
    const bool fits = QFontMetricsF(painter.font()).horizontalAdvance(held) <= top.width();
    painter.drawText(top, Qt::AlignLeft | Qt::AlignVCenter, fits ? held : timeText(shape_.gate));
    const double stands = shape_.followsGate ? shape_.gate : shape_.decayEnd;
    const QString fall = timeText(std::max(0.0, shape_.releaseEnd - stands));
    QStringList stages = {(shape_.function ? tr("rise %1") : tr("A %1")).arg(timeText(shape_.attackEnd))};
    if (shape_.decays) stages << tr("D %1").arg(timeText(shape_.decayEnd - shape_.attackEnd));
    if (shape_.releases) stages << (shape_.function ? tr("fall %1") : tr("R %1")).arg(fall);
    const QString text = stages.join(QStringLiteral(" · "));
    painter.drawText(QRectF(2, box().bottom() + 2, width() - 4, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     QFontMetricsF(painter.font()).elidedText(text, Qt::ElideRight, width() - 4));
}

void EnvelopePicture::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    drawn_ = cornerAt(event->position());
    if (!drawn_) return;
    from_ = event->position();
    scale_ = shape_.seconds / std::max<qreal>(1.0, box().width());
    began_ = *drawn_ == Corner::Attack  ? shape_.attackEnd
             : *drawn_ == Corner::Decay ? shape_.decayEnd - shape_.attackEnd
                                        : shape_.releaseEnd - (shape_.followsGate ? shape_.gate : shape_.decayEnd);
}

void EnvelopePicture::mouseMoveEvent(QMouseEvent* event) {
    if (!drawn_) {
        setCursor(cornerAt(event->position()) ? Qt::SizeAllCursor : Qt::ArrowCursor);
        return;
    }
    const double seconds = began_ + (event->position().x() - from_.x()) * scale_;
    const double level = std::clamp((box().bottom() - event->position().y()) / box().height(), 0.0, 1.0);
    Q_EMIT drawn(*drawn_, std::max(1e-4, seconds), level);
}

void EnvelopePicture::mouseReleaseEvent(QMouseEvent*) {
    if (!drawn_) return;
    drawn_.reset();
    Q_EMIT released();
}

} // namespace lariat
