#include "log/pair_picture.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>

namespace lariat {
namespace {

constexpr double kBandSteps = 192.0;  ///< of Thumb::bands, which are halves of dB
constexpr double kShownSteps = 120.0; ///< the loudest 60 dB

QPolygonF outlineOf(const Thumb& thumb, const QRectF& rect) {
    int highest = 1;
    for (const Thumb::Column& column : thumb.outline) highest = std::max({highest, int{column.high}, -int{column.low}});
    const double scale = rect.height() / 2.0 / highest;
    QPolygonF shape;
    const double step = rect.width() / static_cast<double>(kThumbColumns);
    for (std::size_t c = 0; c < kThumbColumns; ++c)
        shape << QPointF(rect.left() + step * (static_cast<double>(c) + 0.5),
                         rect.center().y() - scale * thumb.outline[c].high - 0.5);
    for (std::size_t c = kThumbColumns; c-- > 0;)
        shape << QPointF(rect.left() + step * (static_cast<double>(c) + 0.5),
                         rect.center().y() - scale * thumb.outline[c].low + 0.5);
    return shape;
}

QPolygonF bandsOf(const Thumb& thumb, const QRectF& rect) {
    QPolygonF line;
    const double step = rect.width() / static_cast<double>(kThumbBands);
    for (std::size_t b = 0; b < kThumbBands; ++b) {
        const double shown = std::max(0.0, thumb.bands[b] - (kBandSteps - kShownSteps)) / kShownSteps;
        const double y = rect.bottom() - rect.height() * std::min(1.0, shown);
        line << QPointF(rect.left() + step * static_cast<double>(b), y)
             << QPointF(rect.left() + step * static_cast<double>(b + 1), y);
    }
    return line;
}

} // namespace

PairPicture::PairPicture(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("pair-picture"));
    setAccessibleName(tr("Outline and spectrum of both"));
    setMinimumHeight(128);
}

void PairPicture::show(std::optional<Thumb> before, std::optional<Thumb> after) {
    before_ = before;
    after_ = after;
    update();
}

void PairPicture::paintEvent(QPaintEvent*) {
    const Look& l = look();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF whole = QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5);
    painter.setPen(l.line);
    painter.setBrush(l.card);
    painter.drawRoundedRect(whole, 4, 4);
    const double half = whole.width() / 2.0;
    const QRectF outline(whole.left() + 12, whole.top() + 26, half - 24, whole.height() - 36);
    const QRectF bands(whole.left() + half + 12, whole.top() + 26, half - 24, whole.height() - 50);
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    painter.drawText(QRectF(outline.left(), whole.top() + 4, outline.width(), 20), Qt::AlignVCenter,
                     painter.fontMetrics().elidedText(tr("Both at one loudness"), Qt::ElideRight,
                                                      static_cast<int>(outline.width())));
    painter.drawText(
        QRectF(bands.left(), whole.top() + 4, bands.width(), 20), Qt::AlignVCenter,
        painter.fontMetrics().elidedText(tr("What is in them"), Qt::ElideRight, static_cast<int>(bands.width())));
    // The ends of the scale of pitch, and three between.
    for (const auto& [name, octaves] : {std::pair{"25 Hz", 0.0}, std::pair{"100", 2.0}, std::pair{"400", 4.0},
                                        std::pair{"1.6 k", 6.0}, std::pair{"6.4 k", 8.0}}) {
        const double x = bands.left() + bands.width() * (3.0 * octaves + 0.5) / static_cast<double>(kThumbBands);
        painter.setPen(l.line);
        painter.drawLine(QPointF(x, bands.top()), QPointF(x, bands.bottom()));
        painter.setPen(l.softInk);
        painter.drawText(QRectF(x - 4, bands.bottom() + 2, 60, 18), Qt::AlignVCenter, QString::fromLatin1(name));
    }
    for (const auto& [thumb, colour] : {std::pair{&before_, l.alarm}, std::pair{&after_, l.accent}}) {
        if (!*thumb) continue;
        QColor ground = colour;
        ground.setAlphaF(0.35F);
        painter.setPen(Qt::NoPen);
        painter.setBrush(ground);
        painter.drawPolygon(outlineOf(**thumb, outline));
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(colour, 1.6));
        painter.drawPolyline(bandsOf(**thumb, bands));
    }
}

} // namespace lariat
