#include "look/look.h"

#include <QPainterPath>
#include <QPolygonF>

#include <algorithm>
#include <cmath>

namespace lariat {

const Look& Look::light() {
    static const Look look{
        false,
        QColor("#f4f2ec"),
        QColor("#e7e3d8"),
        QColor("#fdfcf9"),
        QColor("#cfc9b9"),
        QColor("#23272b"),
        QColor("#5f625f"),
        QColor("#263238"),
        QColor("#e9ecea"),
        QColor("#0b6e75"),
        QColor("#a3470a"),
        QColor("#fbeedd"),
        {QColor("#1f4e8c"), QColor("#b8401a"), QColor("#0f766e"), QColor("#8a6400"), QColor("#7d3c78")}};
    return look;
}

const Look& Look::night() {
    static const Look look{
        true,
        QColor("#1b1f22"),
        QColor("#262b2f"),
        QColor("#14171a"),
        QColor("#454c52"),
        QColor("#e6e4dd"),
        QColor("#a3a8a6"),
        QColor("#0f1214"),
        QColor("#d5d9d7"),
        QColor("#4bb3ba"),
        QColor("#f0a05a"),
        QColor("#382a1b"),
        {QColor("#7fb0ee"), QColor("#f08a66"), QColor("#57c2b4"), QColor("#d9b24c"), QColor("#cf93ca")}};
    return look;
}

QColor headingColour(const std::string& word) {
    if (word == "moss") return {0x6d, 0x8c, 0x4f};
    if (word == "slate") return {0x4f, 0x7a, 0xa0};
    if (word == "rust") return {0xb8, 0x62, 0x3c};
    if (word == "plum") return {0x91, 0x5c, 0x92};
    return {0xb5, 0x96, 0x45};
}

VoltRange rangeFor(SignalKind kind, float min, float max) {
    if (kind == SignalKind::Pitch) { // in quarters of an octave, so that the picture does not move with every note
        const float low = std::floor(4.0f * (min - 0.1f)) / 4.0f;
        const float high = std::ceil(4.0f * (max + 0.1f)) / 4.0f;
        return {std::min(low, high - 1.0f), high};
    }
    const float largest = std::max(std::abs(min), std::abs(max));
    const float top = largest <= 8.4f ? 8.4f : 12.0f;
    if (kind == SignalKind::Gate || kind == SignalKind::Clock) return {-0.5f, top};
    if (min >= -0.05f) return {-0.4f, top};
    return largest <= 5.9f ? VoltRange{-5.9f, 5.9f} : VoltRange{-top, top};
}

void drawTrace(QPainter& painter, const QRectF& rect, std::span<const MinMax> columns, VoltRange range, SignalKind kind,
               const QColor& colour) {
    if (columns.size() < 2) return;
    const auto y = [&](float volts) {
        const float part = (std::clamp(volts, range.low, range.high) - range.low) / (range.high - range.low);
        return rect.bottom() - static_cast<qreal>(part) * rect.height();
    };
    const qreal step = rect.width() / static_cast<qreal>(columns.size() - 1);
    QPolygonF line;
    line.reserve(static_cast<int>(2 * columns.size()));
    float last = columns[0].min;
    for (std::size_t i = 0; i < columns.size(); ++i) {
        const qreal x = rect.left() + step * static_cast<qreal>(i);
        const MinMax& c = columns[i];
        // Enter each column at the end nearer to where the line comes from.
        const bool up = std::abs(c.min - last) <= std::abs(c.max - last);
        line << QPointF(x, y(up ? c.min : c.max));
        if (c.max - c.min > 1e-3f) line << QPointF(x, y(up ? c.max : c.min));
        last = up ? c.max : c.min;
    }
    const qreal ground = y(0.0f);
    const bool blocks = kind == SignalKind::Gate || kind == SignalKind::Clock;
    painter.setRenderHint(QPainter::Antialiasing, !blocks);
    if (blocks || kind == SignalKind::Control) {
        QPolygonF area = line;
        area << QPointF(rect.right(), ground) << QPointF(rect.left(), ground);
        QColor fill = colour;
        fill.setAlpha(kind == SignalKind::Gate ? 200 : kind == SignalKind::Control ? 46 : 255);
        painter.setPen(Qt::NoPen);
        painter.setBrush(kind == SignalKind::Clock ? QBrush(fill, Qt::BDiagPattern) : QBrush(fill));
        painter.drawPolygon(area);
    }
    painter.setBrush(Qt::NoBrush);
    QPen pen(colour, kind == SignalKind::Pitch ? 2.4 : kind == SignalKind::Gate ? 1.0 : 1.2);
    pen.setJoinStyle(Qt::BevelJoin);
    painter.setPen(pen);
    painter.drawPolyline(line);
}

void drawEndMark(QPainter& painter, QPointF at, SignalKind kind, int direction, const QColor& colour) {
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(colour);
    const qreal d = direction;
    switch (kind) {
    case SignalKind::Audio:
        painter.drawPolygon(QPolygonF{at, at + QPointF(-10 * d, -6), at + QPointF(-10 * d, 6)});
        break;
    case SignalKind::Control: {
        QPainterPath half;
        half.moveTo(at + QPointF(-8 * d, -6));
        half.quadTo(at + QPointF(1 * d, -6), at);
        half.quadTo(at + QPointF(1 * d, 6), at + QPointF(-8 * d, 6));
        half.closeSubpath();
        painter.drawPath(half);
        break;
    }
    case SignalKind::Pitch:
        painter.drawPolygon(QPolygonF{at, at + QPointF(-6 * d, -6), at + QPointF(-12 * d, 0), at + QPointF(-6 * d, 6)});
        break;
    case SignalKind::Gate:
        painter.drawRect(QRectF(at + QPointF(d > 0 ? -10 : 0, -5), QSizeF(10, 10)));
        break;
    case SignalKind::Clock:
        painter.drawRect(QRectF(at + QPointF(d > 0 ? -4 : 0, -6), QSizeF(4, 12)));
        painter.drawRect(QRectF(at + QPointF(d > 0 ? -10 : 6, -6), QSizeF(4, 12)));
        break;
    }
}

void drawStartMark(QPainter& painter, QPointF at, const QColor& colour) {
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(colour);
    painter.drawEllipse(at, 5.0, 5.0);
}

void drawDial(QPainter& painter, QPointF centre, qreal radius, std::optional<double> fraction, const QColor& ink,
              const QColor& ground) {
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(ink, std::max(1.0, radius / 14.0)));
    painter.setBrush(ground);
    painter.drawEllipse(centre, radius, radius);
    if (!fraction) {
        QFont font = painter.font();
        font.setPixelSize(std::max(9, static_cast<int>(1.2 * radius)));
        const QFont before = painter.font();
        painter.setFont(font);
        painter.drawText(QRectF(centre.x() - radius, centre.y() - radius, 2 * radius, 2 * radius), Qt::AlignCenter,
                         QStringLiteral("?"));
        painter.setFont(before);
        return;
    }
    const double angle = (210.0 + 300.0 * *fraction) * 3.14159265358979 / 180.0; // clockwise from noon
    const QPointF direction(std::sin(angle), -std::cos(angle));
    painter.setPen(QPen(ink, std::max(1.4, radius / 8.0), Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(centre + direction * (radius * 0.15), centre + direction * (radius * 0.86));
}

} // namespace lariat
