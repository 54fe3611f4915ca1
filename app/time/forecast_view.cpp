#include "time/forecast_view.h"

#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QMouseEvent>
#include <QPainter>

#include <array>
#include <cmath>

namespace lariat {
namespace {

constexpr qreal kAxis = 20; ///< for the numbers
constexpr qreal kBar = 8;
constexpr qreal kGap = 10;
constexpr std::array kMarks = {40, 80, 120, 160, 200, 240};

/// What holds up to where, and the knob that would move that.
QString wordsOf(const Forecast& forecast) {
    const QString text = said(forecast.text);
    return forecast.mover.empty() ? text : text + QStringLiteral("; ") + said(forecast.mover);
}

} // namespace

ForecastView::ForecastView(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("forecast"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setAccessibleName(tr("What holds at which tempo"));
}

void ForecastView::show(std::vector<Forecast> forecasts, double tempo) {
    forecasts_ = std::move(forecasts);
    tempo_ = tempo;
    QStringList all;
    for (const Forecast& one : forecasts_) all << wordsOf(one);
    setAccessibleDescription(all.join(QStringLiteral(". ")));
    updateGeometry();
    update();
}

qreal ForecastView::xOf(double tempo) const {
    return 8 + (tempo - kSlowest) / (kFastest - kSlowest) * (width() - 16);
}

qreal ForecastView::textHeight(std::size_t index) const {
    return QFontMetricsF(textFont(13))
        .boundingRect(QRectF(0, 0, width(), 400), Qt::TextWordWrap, wordsOf(forecasts_[index]))
        .height();
}

qreal ForecastView::topOf(std::size_t index) const {
    qreal y = kAxis + 6;
    for (std::size_t i = 0; i < index; ++i) y += textHeight(i) + kBar + kGap + 4;
    return y;
}

QRectF ForecastView::barBox(std::size_t index) const {
    if (index >= forecasts_.size()) return {};
    return {8, topOf(index) + textHeight(index) + 3, static_cast<qreal>(width()) - 16, kBar};
}

QSize ForecastView::sizeHint() const {
    return {240, forecasts_.empty() ? 0 : static_cast<int>(topOf(forecasts_.size())) + 4};
}

void ForecastView::paintEvent(QPaintEvent*) {
    if (forecasts_.empty()) return;
    QPainter painter(this);
    const Look& l = look();
    painter.setFont(textFont(13));
    painter.setPen(l.softInk);
    for (const int mark : kMarks) {
        const qreal x = xOf(mark);
        const QString text = QString::number(mark);
        const qreal half = QFontMetricsF(painter.font()).horizontalAdvance(text) / 2;
        painter.drawText(QPointF(std::clamp(x - half, 0.0, width() - 2 * half), 14), text);
    }
    for (std::size_t i = 0; i < forecasts_.size(); ++i) {
        const Forecast& one = forecasts_[i];
        painter.setPen(one.holdsNow || !one.wanted ? l.ink : l.alarm);
        painter.drawText(QRectF(0, topOf(i), width(), textHeight(i)), Qt::TextWordWrap, wordsOf(one));
        const QRectF bar = barBox(i);
        painter.fillRect(bar, l.line);
        for (const auto& [from, to] : one.spans)
            painter.fillRect(QRectF(xOf(from), bar.top(), std::max(2.0, xOf(to) - xOf(from)), bar.height()), l.accent);
    }
    if (tempo_ < kSlowest || tempo_ > kFastest) return;
    painter.setPen(QPen(l.ink, 2)); // where it is now, over each bar
    for (std::size_t i = 0; i < forecasts_.size(); ++i)
        painter.drawLine(QPointF(xOf(tempo_), barBox(i).top() - 3), QPointF(xOf(tempo_), barBox(i).bottom() + 3));
}

void ForecastView::mousePressEvent(QMouseEvent* event) {
    for (std::size_t i = 0; i < forecasts_.size(); ++i)
        if (QRectF(0, topOf(i), width(), textHeight(i) + kBar + 6).contains(event->position()))
            return Q_EMIT pressed(i);
}

bool ForecastView::event(QEvent* event) {
    if (event->type() == QEvent::Resize) updateGeometry();
    return QWidget::event(event);
}

} // namespace lariat
