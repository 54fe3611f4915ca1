// Keys at the foot of the window: a stand-in for a keyboard, played by the mouse or by the computer's own keys.
//
// The home row plays the white notes from C on, the row above it the black ones; Page Up and Page Down move by octaves,
// and the digits 1 to 9 set the velocity. With the mouse, a key is louder further down, and pressed harder downwards.
#pragma once

#include "shell/sound.h"

#include <QWidget>

#include <map>
#include <optional>
#include <set>

namespace lariat {

class KeyStrip : public QWidget {
    Q_OBJECT

  public:
    explicit KeyStrip(Sound& sound, QWidget* parent = nullptr);

    /// The lowest C that is shown, as a MIDI note.
    [[nodiscard]] int lowest() const { return lowest_; }
    [[nodiscard]] QRectF keyBox(int note) const;
    enum class Foot { Latch, Glide };
    [[nodiscard]] QRectF footBox(Foot foot) const;
    [[nodiscard]] QSize sizeHint() const override { return {600, 84}; }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    [[nodiscard]] std::optional<int> noteAt(const QPointF& at) const;
    [[nodiscard]] int velocityAt(int note, const QPointF& at) const;
    void press(int note, int velocity);
    void step(Foot foot, bool down);
    void release(int note);
    void releaseAll();

    Sound& sound_;
    int lowest_ = 48;
    int velocity_ = 100;
    std::map<int, int> held_; ///< note → how many fingers are on it
    std::map<int, int> keys_; ///< computer key → note
    std::optional<int> mouse_;
    std::set<Foot> feet_; ///< those that are down
    qreal struck_ = 0.0;  ///< height at which the mouse struck
    int pressure_ = 0;
};

} // namespace lariat
