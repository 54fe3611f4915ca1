// What is drawn over the chart for a moment: a drag, a fix that is only looked at, and the volts under the pointer.
#include "patch/chart.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QPainter>
#include <QScrollBar>

#include <cmath>

namespace lariat {

void Chart::paintDrag(QPainter& painter) {
    if (drag_ == Drag::None || (dragAt_ - dragStart_).manhattanLength() < 6) return;
    const Look& l = look();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(l.accent, 2, Qt::DashLine));
    if (drag_ == Drag::Source || drag_ == Drag::Target) {
        const ChartRow* row = layout_.cableRow(selection_.cable());
        const ChartPost* to = layout_.postNear(toContent(dragAt_).x(), 2 * ChartLayout::kReach);
        if (!row) return;
        const qreal offset = horizontalScrollBar()->value();
        const qreal fixed = (drag_ == Drag::Source ? row->toX : row->fromX) - offset;
        painter.drawLine(QPointF(fixed, dragStart_.y()), QPointF(to ? to->x - offset : dragAt_.x(), dragStart_.y()));
    } else if (drag_ == Drag::Tie) {
        const ChartPost* from = layout_.post(dragPost_);
        const ChartPost* to = layout_.postNear(toContent(dragAt_).x(), 2 * ChartLayout::kReach);
        const qreal offset = horizontalScrollBar()->value();
        painter.drawLine(QPointF(from->x - offset, dragStart_.y()),
                         QPointF(to ? to->x - offset : dragAt_.x(), dragStart_.y()));
        painter.setFont(textFont(13, true));
        const QString text = to && to->id != dragPost_ ? tr("to %1").arg(q(document_.patch().post(to->id)->name))
                                                       : tr("to another post");
        QRectF box =
            painter.boundingRect(QRectF(dragAt_.x() + 12, dragStart_.y() - 28, 400, 22), Qt::AlignVCenter, text);
        box.moveRight(std::min<qreal>(box.right(), viewport()->width() - 12));
        painter.fillRect(box.adjusted(-6, -2, 6, 2), l.panel);
        painter.setPen(l.accent);
        painter.drawText(box, Qt::AlignVCenter, text);
    } else if (drag_ == Drag::Row) {
        painter.drawLine(0, dragAt_.y(), viewport()->width(), dragAt_.y());
    } else {
        painter.drawLine(dragAt_.x(), 0, dragAt_.x(), static_cast<int>(rowsTop()));
    }
}

/// Lines at even volts across the trace under the pointer, and what it shows there.
void Chart::paintHover(QPainter& painter) {
    if (drag_ != Drag::None || hover_.y() <= rowsTop()) return;
    const ChartRow* row = layout_.rowAt(toContent(hover_).y());
    if (!row || row->kind != ChartRow::Kind::Cable) return;
    const QRectF box = traceBox(*row);
    const qreal x = toContent(hover_).x();
    const LiveTrace* trace = readings_.trace(row->from);
    if (!trace || x < box.left() || x > box.right() || box.width() < 30) return;
    const Look& l = look();
    const VoltRange range = trace->range();
    painter.save();
    painter.translate(-horizontalScrollBar()->value(), rowsTop() - verticalScrollBar()->value());
    const auto at = [&](double volts) {
        return box.bottom() -
               (volts - static_cast<double>(range.low)) / static_cast<double>(range.high - range.low) * box.height();
    };
    const double span = static_cast<double>(range.high - range.low);
    const double step = span > 12.0 ? 5.0 : span > 4.0 ? 2.0 : span > 1.5 ? 0.5 : 0.1;
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.setPen(QPen(l.softInk, 1, Qt::DotLine));
    for (double volts = std::ceil(static_cast<double>(range.low) / step) * step;
         volts <= static_cast<double>(range.high) + 1e-6; volts += step)
        painter.drawLine(QPointF(box.left(), at(volts)), QPointF(box.right(), at(volts)));
    painter.drawLine(QPointF(x, box.top()), QPointF(x, box.bottom()));
    const std::vector<MinMax> columns = readings_.columns(row->from, static_cast<int>(box.width()));
    if (!columns.empty()) {
        const auto column = std::min(columns.size() - 1, static_cast<std::size_t>((x - box.left()) / box.width() *
                                                                                  static_cast<qreal>(columns.size())));
        const MinMax value = columns[column];
        const QString text = value.max - value.min < 0.02f ? tr("%1 V").arg(static_cast<double>(value.max), 0, 'f', 2)
                                                           : tr("%1…%2 V")
                                                                 .arg(static_cast<double>(value.min), 0, 'f', 1)
                                                                 .arg(static_cast<double>(value.max), 0, 'f', 1);
        painter.setFont(figureFont(13));
        QRectF label =
            painter.boundingRect(QRectF(x + 8, box.top() - 20, 200, 20), Qt::AlignVCenter, text).adjusted(-4, 0, 4, 0);
        if (label.right() > box.right()) label.moveRight(x - 8);
        painter.fillRect(label, l.card);
        painter.setPen(l.ink);
        painter.drawText(label, Qt::AlignCenter, text);
    }
    painter.restore();
}

/// A fix before it is applied: new cables dashed, those that go struck out, posts whose knobs turn framed.
void Chart::paintPreview(QPainter& painter) {
    if (preview_.empty()) return;
    const Look& l = look();
    painter.save();
    painter.translate(-horizontalScrollBar()->value(), rowsTop() - verticalScrollBar()->value());
    painter.setRenderHint(QPainter::Antialiasing);
    const auto xOf = [&](const std::string& post) {
        const ChartPost* found = layout_.post(post);
        return found ? found->x : layout_.contentWidth - ChartLayout::kWordsRight; // a part that is still in the case
    };
    qreal y = toContent(hover_).y() - 20;
    const auto line = [&](const JackRef& from, const JackRef& to, qreal at) {
        painter.setPen(QPen(l.accent, 3, Qt::DashLine));
        painter.drawLine(QPointF(xOf(from.post), at), QPointF(xOf(to.post), at));
        drawStartMark(painter, {xOf(from.post), at}, l.accent);
    };
    for (const Edit& edit : preview_) {
        if (const auto* tie = std::get_if<TieCable>(&edit)) {
            line(tie->cable.from, tie->cable.to, y);
            y -= 8;
        } else if (const auto* move = std::get_if<MoveCable>(&edit)) {
            if (const ChartRow* row = layout_.cableRow(move->id))
                line(move->from, move->to, row->top + row->height / 2);
        } else if (const auto* gone = std::get_if<RemoveCable>(&edit)) {
            if (const ChartRow* row = layout_.cableRow(gone->id)) {
                painter.setPen(QPen(l.alarm, 3));
                painter.drawLine(QPointF(row->fromX, row->top + row->height / 2),
                                 QPointF(row->toX, row->top + row->height / 2));
            }
        } else if (const auto* turned = std::get_if<SetKnob>(&edit)) {
            if (const ChartPost* post = layout_.post(turned->post)) {
                painter.setPen(QPen(l.accent, 3, Qt::DashLine));
                painter.drawRoundedRect(post->head.translated(0, verticalScrollBar()->value() - rowsTop()), 3, 3);
            }
        }
    }
    painter.restore();
}

} // namespace lariat
