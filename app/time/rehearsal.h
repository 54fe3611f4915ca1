// Rehearse: the whole screen, read from two metres. The scene, the bar, and the next move with a count-down in beats.
#pragma once

#include "shell/session.h"
#include "timing/scenes.h"

#include <QTimer>
#include <QWidget>

namespace lariat {

class Rehearsal : public QWidget {
    Q_OBJECT

  public:
    explicit Rehearsal(const Session& session, QWidget* parent = nullptr);

    /// What stands there now: the scene, the next move, and how soon.
    [[nodiscard]] QString sceneText() const;
    [[nodiscard]] QString moveLine() const;
    [[nodiscard]] QString countText() const;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

  private:
    [[nodiscard]] double beat() const { return session_.sound.engine().meters.beats.load(); }

    Session session_;
    QTimer frames_;
};

} // namespace lariat
