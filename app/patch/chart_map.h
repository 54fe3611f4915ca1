// A map of the chart, for patches that are longer than the window: every row as a line, the findings, and what is seen.
#pragma once

#include "patch/chart.h"

#include <QWidget>

namespace lariat {

class ChartMap : public QWidget {
    Q_OBJECT

  public:
    explicit ChartMap(Chart& chart, QWidget* parent = nullptr);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override { mousePressEvent(event); }

  private:
    void refresh();
    [[nodiscard]] qreal scale() const;

    Chart& chart_;
};

} // namespace lariat
