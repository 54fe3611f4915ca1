// The right of the Bench: the figures of an answer, what may be done about it, and the way to find a setting.
#pragma once

#include "ask/answer.h"

#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>
#include <QWidget>

#include <optional>

namespace lariat {

class FiguresPanel : public QWidget {
    Q_OBJECT

  public:
    explicit FiguresPanel(QWidget* parent = nullptr);

    /// Of an answer that follows another one soon, the list stays where it is scrolled to.
    void show(const std::optional<Answer>& answer, bool keepsPlace);
    /// A knob may be sought for what is asked of.
    void setFindable(bool on) { find_->setEnabled(on); }
    void setNarrow(bool narrow);
    [[nodiscard]] QTreeWidget& figures() { return *figures_; }

  Q_SIGNALS:
    void offerTaken(std::size_t offer);
    void findWanted();

  private:
    void showFigures(const Answer& answer);
    void showPairs(const Answer& answer);
    void showOffers(const Answer& answer);

    QTreeWidget* figures_;
    QVBoxLayout* offers_;
    QPushButton* find_;
};

} // namespace lariat
