// Scenes and hands at the foot of the Time place: the song from its first bar to its last, with the moves of each hand.
#pragma once

#include "shell/session.h"
#include "timing/scenes.h"

#include <QPushButton>
#include <QTimer>
#include <QWidget>

#include <vector>

namespace lariat {

class SceneStrip : public QWidget {
    Q_OBJECT

  public:
    explicit SceneStrip(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] QRectF sceneBox(std::size_t scene) const;
    [[nodiscard]] QRectF moveBox(std::size_t scene, std::size_t move) const;
    [[nodiscard]] const std::vector<SceneWarning>& warnings() const { return warnings_; }
    [[nodiscard]] int chosen() const { return chosen_; }
    void choose(int scene);
    [[nodiscard]] QSize sizeHint() const override;

  Q_SIGNALS:
    void chosenChanged();
    void writeWanted();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    bool event(QEvent* event) override;

  private:
    void refresh();
    void moveScene(int from, int to);
    [[nodiscard]] qreal xOf(double beat) const;
    [[nodiscard]] double startOf(std::size_t scene) const;
    [[nodiscard]] int sceneUnder(const QPointF& at) const;

    Session session_;
    std::vector<SceneWarning> warnings_;
    int chosen_ = -1;
    int dragged_ = -1;
    int droppedAt_ = -1;
    double painted_ = -1.0; ///< the beat of the mark that was painted last
    QTimer frames_;
};

} // namespace lariat
