// The pictures of an answer, with two cursors in the one that is measured with the mouse or the keys.
#pragma once

#include "ask/answer.h"

#include <QWidget>

#include <array>
#include <optional>
#include <vector>

namespace lariat {

class PlotsView : public QWidget {
    Q_OBJECT

  public:
    explicit PlotsView(QWidget* parent = nullptr);

    /// `period`: of what repeats itself in them, in seconds, so that cursors tell degrees; 0: nothing does.
    void show(std::vector<Plot> plots, double period = 0.0);
    /// Other curves in the first picture, as they run live; everything else stays.
    void refresh(std::vector<PlotCurve> curves);
    [[nodiscard]] const std::vector<Plot>& plots() const { return plots_; }
    /// What stands there while there is no answer.
    void setEmptyText(const QString& text);
    /// What the cursors say: "Δ 12.4 ms · 80.6 Hz · E2 · 74.2° · Δ 3.21 V"; empty while there are none.
    [[nodiscard]] QString cursorText() const;
    void clearCursors();
    /// Where a picture is drawn, for tests.
    [[nodiscard]] QRectF rectOf(std::size_t plot) const;

  Q_SIGNALS:
    void cursorsMoved();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    [[nodiscard]] std::vector<QRectF> rects() const;
    void tellReaders();

    std::vector<Plot> plots_;
    QString empty_;
    double period_ = 0.0;
    std::size_t measured_ = 0;                      ///< the picture that the cursors are in
    std::array<std::optional<QPointF>, 2> cursors_; ///< in the units of its axes
    int held_ = 1;                                  ///< the cursor that moves
};

} // namespace lariat
