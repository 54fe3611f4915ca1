// Walking through the build: the patch as it was after each row, with what that row brought.
#pragma once

#include "patch/chart.h"
#include "shell/session.h"

#include <QFrame>
#include <QLabel>
#include <QPushButton>

namespace lariat {

class StepBar : public QFrame {
    Q_OBJECT

  public:
    StepBar(const Session& session, Chart& chart, QWidget* parent = nullptr);

    /// Begins at the first row, or shows the whole patch again.
    void setActive(bool active);
    [[nodiscard]] bool active() const { return session_.document.untilRow() > 0; }
    void go(int by);

  Q_SIGNALS:
    void activeChanged(bool active);

  private:
    void refresh();

    Session session_;
    Chart& chart_;
    QPushButton* back_;
    QPushButton* on_;
    QLabel* text_;
    bool was_ = false;
};

} // namespace lariat
