// A contour as it is set: the curve that one gate makes, its stages in milliseconds, where it is now; its corners can
// be drawn.
#pragma once

#include "engine/envelope_shape.h"

#include <QWidget>

#include <optional>

namespace lariat {

class EnvelopePicture : public QWidget {
    Q_OBJECT

  public:
    enum class Corner { Attack, Decay, Release };

    explicit EnvelopePicture(QWidget* parent = nullptr);

    void showShape(const EnvelopeShape& shape);
    [[nodiscard]] const EnvelopeShape& shape() const { return shape_; }
    /// Where it is now: stage (0 attack, 1 decay, 2 hold, 3 release, 4 idle) and volts.
    void showNow(int stage, double volts);
    [[nodiscard]] QPointF corner(Corner corner) const;
    /// A hand draws a corner.
    [[nodiscard]] bool turning() const { return drawn_.has_value(); }
    [[nodiscard]] QSize sizeHint() const override { return {240, 112}; }
    [[nodiscard]] QSize minimumSizeHint() const override { return {160, 112}; }

  Q_SIGNALS:
    /// A corner was drawn: its stage is to last so many seconds, and the decay is to end at that part of the peak.
    void drawn(Corner corner, double seconds, double level);
    void released();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;

  private:
    [[nodiscard]] QRectF box() const;
    [[nodiscard]] qreal xOf(double seconds) const;
    [[nodiscard]] qreal yOf(double volts) const;
    [[nodiscard]] double voltsAt(double seconds) const;
    [[nodiscard]] std::vector<Corner> corners() const;
    [[nodiscard]] std::optional<Corner> cornerAt(const QPointF& at) const;

    EnvelopeShape shape_;
    int stage_ = 4;
    double volts_ = 0.0;
    std::optional<Corner> drawn_;
    double scale_ = 1.0; ///< seconds per pixel when the hand took hold: the picture does not run away from it
    QPointF from_;
    double began_ = 0.0; ///< seconds of the stage when the hand took hold
};

} // namespace lariat
