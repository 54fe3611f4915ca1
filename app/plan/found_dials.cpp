#include "plan/found_dials.h"

#include "look/fonts.h"
#include "shell/theme.h"

#include <QPainter>
#include <QResizeEvent>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kWide = 132;
constexpr int kHigh = 104;

} // namespace

FoundDials::FoundDials(QWidget* parent) : QWidget(parent) {}

void FoundDials::show(std::vector<Dial> dials) {
    dials_ = std::move(dials);
    QStringList texts;
    for (const Dial& dial : dials_) texts << dial.name + QLatin1Char(' ') + dial.value;
    setAccessibleName(texts.join(QStringLiteral("; ")));
    setToolTip(dials_.empty() ? QString() : tr("The arc is where every goal still holds."));
    setMinimumHeight(dials_.empty() ? 0 : heightForWidth(width()));
    updateGeometry();
    update();
}

int FoundDials::heightForWidth(int width) const {
    const int across = std::max(1, width / kWide);
    return kHigh * ((static_cast<int>(dials_.size()) + across - 1) / across);
}

QSize FoundDials::sizeHint() const {
    return {3 * kWide, dials_.empty() ? 0 : heightForWidth(std::max(kWide, width()))};
}

void FoundDials::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    setMinimumHeight(dials_.empty() ? 0 : heightForWidth(event->size().width()));
}

void FoundDials::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const Look& l = look();
    const int across = std::max(1, width() / kWide);
    for (int i = 0; i < static_cast<int>(dials_.size()); ++i) {
        const Dial& dial = dials_[static_cast<std::size_t>(i)];
        const QRectF cell(kWide * (i % across), kHigh * (i / across), kWide, kHigh);
        const QPointF centre(cell.center().x(), cell.top() + 34);
        constexpr double kRadius = 20.0;
        drawDial(painter, centre, kRadius, dial.at, l.ink, l.card);
        if (dial.ranged) {
            // From 7 o'clock clockwise over 300°; Qt counts sixteenths of a degree the other way from 3 o'clock.
            const double ring = kRadius + 6;
            const auto angle = [](double part) { return 240.0 - 300.0 * part; };
            painter.setPen(QPen(l.accent, 3.0, Qt::SolidLine, Qt::FlatCap));
            const double span = std::min(-4.0, -300.0 * (dial.high - dial.low));
            painter.drawArc(QRectF(centre.x() - ring, centre.y() - ring, 2 * ring, 2 * ring),
                            static_cast<int>(16 * angle(dial.low)), static_cast<int>(16 * span));
        }
        painter.setPen(l.ink);
        painter.setFont(textFont(13, true));
        const QRectF name(cell.left() + 2, cell.top() + 62, cell.width() - 4, 18);
        painter.drawText(name, Qt::AlignCenter,
                         painter.fontMetrics().elidedText(dial.name, Qt::ElideRight, static_cast<int>(name.width())));
        painter.setFont(textFont(13));
        painter.setPen(l.softInk);
        painter.drawText(QRectF(cell.left() + 2, cell.top() + 80, cell.width() - 4, 18), Qt::AlignCenter, dial.value);
    }
}

} // namespace lariat
