#include "bench/plots_view.h"

#include "look/fonts.h"
#include "look/text.h"
#include "print/plot_picture.h"
#include "shell/theme.h"
#include "units/pitch.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr double kStep = 1.0 / 400.0; ///< of the width, that a key moves a cursor
constexpr double kFar = 10.0;

} // namespace

PlotsView::PlotsView(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("plots"));
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(280, 200);
    setAccessibleName(tr("Pictures of the answer"));
    setToolTip(
        tr("Drag to measure between two places; Left and Right move a cursor, Space takes the other, Esc takes both "
           "away"));
}

void PlotsView::show(std::vector<Plot> plots, double period) {
    period_ = period;
    const bool same = !plots_.empty() && !plots.empty() && measured_ < plots.size() && measured_ < plots_.size() &&
                      plots_[measured_].id == plots[measured_].id &&
                      plots_[measured_].x.unit == plots[measured_].x.unit;
    plots_ = std::move(plots);
    if (!same) clearCursors();
    QStringList titles;
    for (const Plot& plot : plots_) titles << said(plot.title);
    setAccessibleDescription(titles.join(QStringLiteral("; ")));
    update();
}

void PlotsView::refresh(std::vector<PlotCurve> curves) {
    if (plots_.empty()) return;
    plots_.front().curves = std::move(curves);
    update(rectOf(0).toAlignedRect().adjusted(-2, -2, 2, 2)); // what stands around it stays
}

void PlotsView::setEmptyText(const QString& text) {
    empty_ = text;
    update();
}

void PlotsView::clearCursors() {
    cursors_ = {};
    Q_EMIT cursorsMoved();
    update();
}

std::vector<QRectF> PlotsView::rects() const {
    return plotRects(plots_, QRectF(rect()).adjusted(0, 0, -1, -1));
}

QRectF PlotsView::rectOf(std::size_t plot) const {
    const auto all = rects();
    return plot < all.size() ? plotFrame(plots_[plot], all[plot]).inner : QRectF();
}

QString PlotsView::cursorText() const {
    if (!cursors_[0] || measured_ >= plots_.size()) return {};
    const Plot& plot = plots_[measured_];
    const QPointF one = *cursors_[0];
    const auto at = [&](QPointF point) {
        return axisText(plot.x, point.x()) +
               (plot.lanes ? QString() : QStringLiteral(" · ") + axisText(plot.y, point.y()));
    };
    if (!cursors_[1]) return at(one);
    const QPointF other = *cursors_[1];
    QStringList parts;
    const double across = std::abs(other.x() - one.x());
    if (plot.x.log) {
        if (one.x() > 0.0 && other.x() > 0.0)
            parts << at(one) << at(other)
                  << QStringLiteral("%1 cents").arg(std::abs(1200.0 * std::log2(other.x() / one.x())), 0, 'f', 0);
    } else {
        parts << QStringLiteral("Δ ") + axisText(plot.x, across);
        const double seconds = plot.x.unit == "ms" ? 1e-3 * across : plot.x.unit == "s" ? across : 0.0;
        if (seconds > 0.0) {
            const double hertz = 1.0 / seconds;
            parts << QStringLiteral("%1 Hz").arg(hertz, 0, 'g', 4);
            if (hertz > 16.0 && hertz < 20000.0) parts << q(pitchText({hertz}));
            if (period_ > 0.0) parts << QStringLiteral("%1°").arg(360.0 * std::fmod(seconds / period_, 1.0), 0, 'f', 1);
        }
    }
    if (!plot.lanes) parts << QStringLiteral("Δ ") + axisText(plot.y, std::abs(other.y() - one.y()));
    return parts.join(QStringLiteral(" · "));
}

void PlotsView::tellReaders() {
    Q_EMIT cursorsMoved();
    update();
}

void PlotsView::mousePressEvent(QMouseEvent* event) {
    const auto all = rects();
    for (std::size_t p = 0; p < all.size(); ++p) {
        const PlotFrame frame = plotFrame(plots_[p], all[p]);
        if (!frame.inner.contains(event->position()) || !plots_[p].bars.empty()) continue;
        measured_ = p;
        cursors_[0] = QPointF(frame.xAt(event->position().x()), frame.yAt(event->position().y()));
        cursors_[1].reset();
        held_ = 1;
        tellReaders();
        return;
    }
    clearCursors();
}

void PlotsView::mouseMoveEvent(QMouseEvent* event) {
    if (!(event->buttons() & Qt::LeftButton) || !cursors_[0] || measured_ >= plots_.size()) return;
    const PlotFrame frame = plotFrame(plots_[measured_], rects()[measured_]);
    const double x = std::clamp(event->position().x(), frame.inner.left(), frame.inner.right());
    const double y = std::clamp(event->position().y(), frame.inner.top(), frame.inner.bottom());
    cursors_[1] = QPointF(frame.xAt(x), frame.yAt(y));
    tellReaders();
}

void PlotsView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space && cursors_[1]) {
        held_ = 1 - held_;
        return;
    }
    const bool sideways = event->key() == Qt::Key_Left || event->key() == Qt::Key_Right;
    const bool upwards = event->key() == Qt::Key_Up || event->key() == Qt::Key_Down;
    if (event->key() == Qt::Key_Escape && cursors_[0]) return clearCursors();
    if (plots_.empty() || event->modifiers() & ~Qt::ShiftModifier || !(sideways || upwards))
        return QWidget::keyPressEvent(event);
    if (measured_ >= plots_.size() || !plots_[measured_].bars.empty())
        measured_ = static_cast<std::size_t>(
            std::ranges::find_if(plots_, [](const Plot& plot) { return plot.bars.empty(); }) - plots_.begin());
    if (measured_ >= plots_.size()) return;
    const PlotFrame frame = plotFrame(plots_[measured_], rects()[measured_]);
    if (!cursors_[0]) { // both in the middle, a little apart
        cursors_[0] = QPointF(frame.xAt(frame.inner.center().x()), frame.yAt(frame.inner.center().y()));
        cursors_[1] = cursors_[0];
    }
    if (!cursors_[1]) cursors_[1] = cursors_[0];
    QPointF& moved = *cursors_[static_cast<std::size_t>(held_)];
    const double by = (event->modifiers() & Qt::ShiftModifier ? kFar : 1.0) * kStep;
    if (sideways) {
        const double x = frame.across(moved.x()) + (event->key() == Qt::Key_Left ? -by : by) * frame.inner.width();
        moved.setX(frame.xAt(std::clamp(x, frame.inner.left(), frame.inner.right())));
    } else {
        const double y = frame.up(moved.y()) + (event->key() == Qt::Key_Up ? -by : by) * frame.inner.height();
        moved.setY(frame.yAt(std::clamp(y, frame.inner.top(), frame.inner.bottom())));
    }
    tellReaders();
}

void PlotsView::paintEvent(QPaintEvent* event) {
    const Look& l = look();
    QPainter painter(this);
    if (plots_.empty()) {
        painter.setPen(l.softInk);
        painter.setFont(textFont(15));
        painter.drawText(rect().adjusted(24, 24, -24, -24), Qt::AlignCenter | Qt::TextWordWrap, empty_);
        return;
    }
    const auto all = rects();
    for (std::size_t p = 0; p < plots_.size(); ++p)
        if (all[p].intersects(event->rect())) drawPlot(painter, all[p], plots_[p], l);
    if (!cursors_[0] || measured_ >= plots_.size()) return;
    painter.setRenderHint(QPainter::Antialiasing);
    const PlotFrame frame = plotFrame(plots_[measured_], all[measured_]);
    for (const auto& cursor : cursors_) {
        if (!cursor) continue;
        painter.setPen(QPen(l.accent, 1.4));
        const double x = frame.across(cursor->x());
        const double y = frame.up(cursor->y());
        painter.drawLine(QPointF(x, frame.inner.top()), QPointF(x, frame.inner.bottom()));
        if (!plots_[measured_].lanes) {
            painter.setPen(QPen(l.accent, 1, Qt::DotLine));
            painter.drawLine(QPointF(frame.inner.left(), y), QPointF(frame.inner.right(), y));
        }
    }
    const QString text = cursorText();
    painter.setFont(figureFont(13));
    const QFontMetricsF metrics(painter.font());
    const QRectF box(frame.inner.left() + 6, frame.inner.bottom() - 26, metrics.horizontalAdvance(text) + 12, 22);
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.panel);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(l.ink);
    painter.drawText(box, Qt::AlignCenter, text);
}

} // namespace lariat
