// A surface for a joystick: a stand-in for the hand, as controllers and a note for the pad of a patch.
#pragma once

#include "shell/sound.h"

#include <QWidget>

namespace lariat {

class PadSurface : public QWidget {
    Q_OBJECT

  public:
    explicit PadSurface(Sound& sound, QWidget* parent = nullptr);
    ~PadSurface() override;

    [[nodiscard]] QSize sizeHint() const override { return {240, 120}; }
    [[nodiscard]] QSize minimumSizeHint() const override { return {120, 120}; }
    /// Where the hand is: -1…1 to the right and upwards.
    [[nodiscard]] QPointF at() const { return at_; }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    void moveTo(QPointF at);
    void touch(bool on);

    Sound& sound_;
    QPointF at_{0.0, 0.0};
    bool touched_ = false;
};

} // namespace lariat
