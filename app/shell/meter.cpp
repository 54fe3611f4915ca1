#include "shell/meter.h"

#include "look/fonts.h"
#include "shell/theme.h"
#include "units/level.h"

#include <QPainter>

#include <algorithm>

namespace lariat {
namespace {

constexpr double kFloor = -48.0; ///< dBFS at the left end
constexpr double kFallPerSecond = 20.0;
constexpr qint64 kHoldMilliseconds = 1500;

double place(double volts) {
    return std::clamp(1.0 - toDbfs({volts}).value / kFloor, 0.0, 1.0);
}

} // namespace

Meter::Meter(QString name, QWidget* parent) : QWidget(parent), name_(std::move(name)) {
    setMinimumSize(256, 20); // the bar gives way, the figures do not
    setAccessibleName(name_);
    sinceShown_.start();
    sinceHeld_.start();
}

void Meter::show(float peakVolts) {
    const double seconds = static_cast<double>(sinceShown_.restart()) / 1000.0;
    volts_ = std::max(static_cast<double>(peakVolts), volts_ * toRatio({-kFallPerSecond * seconds}));
    if (volts_ < 1e-4) volts_ = 0.0;
    if (static_cast<double>(peakVolts) >= held_ || sinceHeld_.elapsed() > kHoldMilliseconds) {
        held_ = static_cast<double>(peakVolts);
        sinceHeld_.restart();
    }
    update();
}

void Meter::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.setFont(textFont(13));
    painter.setPen(l.railInk);
    painter.drawText(QRect(0, 0, 44, height()), Qt::AlignVCenter, name_);
    const QRectF bar(44, height() / 2.0 - 4, std::max(40, width() - 202), 8);
    painter.fillRect(bar, QColor(255, 255, 255, 36));
    const bool clips = held_ > kFullScaleVolts;
    painter.fillRect(QRectF(bar.left(), bar.top(), bar.width() * place(volts_), bar.height()),
                     clips ? l.alarm : QColor("#6fb7a8"));
    painter.fillRect(QRectF(bar.left() + bar.width() * place(held_) - 1, bar.top() - 2, 2, bar.height() + 4),
                     l.railInk);
    painter.setFont(figureFont(13));
    const QString figures =
        held_ < 1e-3 ? tr("silent")
                     : QStringLiteral("%1 V %2 dBFS").arg(held_, 5, 'f', 2).arg(toDbfs({held_}).value, 5, 'f', 1);
    painter.drawText(QRectF(bar.right() + 6, 0, width() - bar.right() - 6, height()), Qt::AlignVCenter | Qt::AlignRight,
                     figures);
}

} // namespace lariat
