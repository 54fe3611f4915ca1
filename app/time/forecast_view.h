// What if the tempo changes: for each thing that may hold, a bar over the tempos from 40 to 240 BPM, drawn where it
// holds, with a mark at the present tempo.
#pragma once

#include "timing/forecast.h"

#include <QWidget>

#include <vector>

namespace lariat {

class ForecastView : public QWidget {
    Q_OBJECT

  public:
    explicit ForecastView(QWidget* parent = nullptr);

    void show(std::vector<Forecast> forecasts, double tempo);
    [[nodiscard]] const std::vector<Forecast>& forecasts() const { return forecasts_; }
    [[nodiscard]] QRectF barBox(std::size_t index) const;
    [[nodiscard]] QSize sizeHint() const override;

  Q_SIGNALS:
    /// A bar was pressed.
    void pressed(std::size_t index);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool event(QEvent* event) override;

  private:
    [[nodiscard]] qreal xOf(double tempo) const;
    [[nodiscard]] qreal topOf(std::size_t index) const;
    [[nodiscard]] qreal textHeight(std::size_t index) const;

    std::vector<Forecast> forecasts_;
    double tempo_ = 0.0;
};

} // namespace lariat
