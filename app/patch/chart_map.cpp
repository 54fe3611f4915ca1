#include "patch/chart_map.h"

#include "look/look.h"
#include "shell/theme.h"

#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>

#include <algorithm>

namespace lariat {
namespace {

constexpr int kWidth = 36;
constexpr qreal kWorthIt = 2.0; ///< screens of rows from which on the map is shown

} // namespace

ChartMap::ChartMap(Chart& chart, QWidget* parent) : QWidget(parent), chart_(chart) {
    setFixedWidth(kWidth);
    setAccessibleName(tr("Map of the chart"));
    setToolTip(tr("The whole patch; click to go there"));
    connect(&chart_, &Chart::viewChanged, this, &ChartMap::refresh);
    refresh();
}

void ChartMap::refresh() {
    setVisible(chart_.chartLayout().contentHeight > kWorthIt * chart_.viewport()->height());
    update();
}

qreal ChartMap::scale() const {
    return std::min(1.0, (height() - 8) / std::max(1.0, chart_.chartLayout().contentHeight));
}

void ChartMap::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Look& l = look();
    painter.fillRect(rect(), l.panel);
    const ChartLayout& layout = chart_.chartLayout();
    const qreal across = (width() - 8) / std::max(1.0, layout.contentWidth);
    for (const ChartRow& row : layout.rows) {
        const qreal y = 4 + row.top * scale();
        const qreal height = std::clamp(row.height * scale() - 1, 1.0, 3.0);
        if (row.kind == ChartRow::Kind::Heading) {
            painter.fillRect(QRectF(0, y, width(), height), l.line);
        } else if (row.kind == ChartRow::Kind::Finding) {
            painter.fillRect(QRectF(0, y, width(), height), l.alarm);
        } else if (row.kind == ChartRow::Kind::Cable) {
            const qreal left = 4 + across * std::min(row.fromX, row.toX);
            const qreal right = 4 + across * std::max(row.fromX, row.toX);
            painter.fillRect(QRectF(left, y, std::max(2.0, right - left), height),
                             row.cable == chart_.selection().cable() ? l.accent : l.softInk);
        }
    }
    const QScrollBar* bar = chart_.verticalScrollBar();
    painter.setPen(QPen(l.accent, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(1, 4 + bar->value() * scale(), width() - 3, bar->pageStep() * scale()));
}

void ChartMap::mousePressEvent(QMouseEvent* event) {
    QScrollBar* bar = chart_.verticalScrollBar();
    bar->setValue(static_cast<int>((event->position().y() - 4) / scale() - bar->pageStep() / 2.0));
}

} // namespace lariat
