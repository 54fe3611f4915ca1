// Build with me: one row at a time, large enough to read from the case. Which cable, from where to where, which knobs,
// and what should now be heard, seen and read. Backwards, it takes the patch apart again.
#pragma once

#include "plan/detective.h"
#include "shell/session.h"

#include <QLabel>
#include <QPushButton>
#include <QTimer>
#include <QWidget>

#include <optional>
#include <vector>

namespace lariat {

class BuildPage : public QWidget {
    Q_OBJECT

  public:
    explicit BuildPage(const Session& session, QWidget* parent = nullptr);

    /// Begins with the first row of a voice; without one, with the first row of all.
    void begin(const std::string& voice, bool apart);
    void goOn() { go(step_ + 1); }
    [[nodiscard]] bool active() const { return active_; }
    void end();
    [[nodiscard]] int step() const { return step_; }
    [[nodiscard]] int steps() const { return static_cast<int>(cables_.size()); }
    [[nodiscard]] QString text() const; ///< all that is said now, for tests and screen readers

  Q_SIGNALS:
    void ended();
    void message(const QString& text, bool refusal);

  protected:
    void keyPressEvent(QKeyEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void go(int step);
    void refresh();
    void listen();
    void ask();
    [[nodiscard]] QString knobsBefore(const Cable& cable) const;
    [[nodiscard]] QString putBackList() const;
    [[nodiscard]] QString whereItStands(const std::string& id) const;

    Session session_;
    QLabel* count_;
    QLabel* take_;
    QLabel* from_;
    QLabel* to_;
    QLabel* knobs_;
    QLabel* expect_;
    QLabel* question_;
    QPushButton* back_;
    QPushButton* next_;
    QPushButton* wrong_;
    QPushButton* yes_;
    QPushButton* no_;
    QPushButton* done_;
    QWidget* trace_;
    std::string voice_;
    std::vector<int> cables_; ///< in the order in which they are tied, or taken out
    int step_ = 0;
    bool apart_ = false;
    bool active_ = false;
    std::optional<Detective> detective_;
    QTimer frames_;
};

} // namespace lariat
