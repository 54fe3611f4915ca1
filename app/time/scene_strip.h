// Scenes and hands at the foot of the Time place: the song from its first bar to its last, with the moves of each hand.
//
// A scene is drawn to another place in the order. In the row of a hand, a movement over a free place is a new move;
// one that is there is drawn along its time or to another hand, and its end makes it longer. Times are whole beats,
// with Alt sixteenths.
#pragma once

#include "shell/session.h"
#include "timing/scenes.h"

#include <QPushButton>
#include <QTimer>
#include <QWidget>

#include <optional>
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
    /// The move of the chosen scene that is chosen; -1: none.
    [[nodiscard]] int chosenMove() const { return chosenMove_; }
    /// Where a beat of a scene lies in the row of a hand.
    [[nodiscard]] QPointF spot(std::size_t scene, double beat, Hand hand) const;
    [[nodiscard]] QSize sizeHint() const override;

  Q_SIGNALS:
    void chosenChanged();
    void writeWanted();
    void refused(const QString& why);

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
    /// What a hand draws: a move that is there, its end, or a new one.
    struct Grip {
        int scene = 0;
        int move = -1; ///< -1: a new one
        bool end = false;
        double from = 0.0; ///< beat of the scene at which the hand took hold
        Move draft{};
    };
    void refresh();
    void grip(const QPointF& at, bool fine);
    void draw(const QPointF& at, bool fine);
    void letGo();
    void askForKnob(int scene, Move move);
    void put(int scene, int move, const std::optional<Move>& wanted, const QString& name);
    [[nodiscard]] double beatAt(int scene, const QPointF& at, bool fine) const;
    [[nodiscard]] static std::optional<Hand> handAt(const QPointF& at);
    void moveScene(int from, int to);
    [[nodiscard]] qreal xOf(double beat) const;
    [[nodiscard]] double startOf(std::size_t scene) const;
    [[nodiscard]] int sceneUnder(const QPointF& at) const;

    Session session_;
    std::vector<SceneWarning> warnings_;
    int chosen_ = -1;
    int chosenMove_ = -1;
    std::optional<Grip> grip_;
    int dragged_ = -1;
    int droppedAt_ = -1;
    double painted_ = -1.0; ///< the beat of the mark that was painted last
    QTimer frames_;
};

} // namespace lariat
