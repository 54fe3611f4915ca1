// The case as a ruler: rows in HP, the modules' names to scale. Modules are moved by mouse and keys.
#pragma once

#include "library/library.h"
#include "stock/case_edits.h"

#include <QWidget>

#include <optional>
#include <string>

namespace lariat {

class CaseView : public QWidget {
    Q_OBJECT

  public:
    explicit CaseView(QWidget* parent = nullptr);

    /// `used` are slots that the patch uses; they are marked. The library must outlive the view.
    void show(const Case& housing, const Library& library, const std::vector<std::string>& used);
    void choose(const std::string& slot);
    [[nodiscard]] const std::string& chosen() const { return chosen_; }
    /// Where a slot is drawn; for tests.
    [[nodiscard]] QRect rectOf(const std::string& slot) const;

    [[nodiscard]] QSize sizeHint() const override;

  Q_SIGNALS:
    void slotChosen(const std::string& slot);
    void moveWanted(const std::string& slot, int row, int column);
    void shoveWanted(const std::string& slot, int direction);
    void outWanted(const std::string& slot);
    void menuWanted(const std::string& slot, const QPoint& at);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool event(QEvent* event) override;

  private:
    [[nodiscard]] double perColumn() const;
    [[nodiscard]] QRectF boxOf(const CasePlace& place, int hp) const;
    [[nodiscard]] const Slot* slotAt(const QPointF& at) const;
    [[nodiscard]] int widthOf(const Slot& slot) const;
    [[nodiscard]] QString nameOf(const Slot& slot) const;
    void tell();

    Case housing_;
    const Library* library_ = nullptr;
    std::vector<std::string> used_;
    std::string chosen_;
    QPointF grabbed_;
    std::optional<CasePlace> dragged_; ///< where the chosen one would be let go
    bool dragging_ = false;
};

} // namespace lariat
