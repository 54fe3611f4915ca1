// The ledger as lines of cells: a line a function, a cell a part, filled where it is in use.
#pragma once

#include "stock/ledger.h"

#include <QAbstractButton>
#include <QGridLayout>
#include <QLabel>
#include <QWidget>

#include <string>
#include <vector>

namespace lariat {

/// One part: filled where it is in use, ringed where it could stand in.
class LedgerCellButton : public QAbstractButton {
    Q_OBJECT

  public:
    enum class Kind { Free, Used, StandIn };
    LedgerCellButton(Kind kind, const QString& text, const QString& about, QWidget* parent = nullptr);

    [[nodiscard]] Kind kind() const { return kind_; }
    [[nodiscard]] QSize sizeHint() const override;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void enterEvent(QEnterEvent* event) override;
    void leaveEvent(QEvent* event) override;

  private:
    Kind kind_;
};

/// Lays its children out from left to right, in as many rows as it takes.
class CellRow : public QWidget {
  public:
    using QWidget::QWidget;
    [[nodiscard]] bool hasHeightForWidth() const override { return true; }
    [[nodiscard]] int heightForWidth(int width) const override { return place(width, false); }
    [[nodiscard]] QSize sizeHint() const override;

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    int place(int width, bool move) const;
};

class LedgerView : public QWidget {
    Q_OBJECT

  public:
    explicit LedgerView(QWidget* parent = nullptr);

    void show(const Ledger& ledger);

  Q_SIGNALS:
    void postChosen(const std::string& post);
    void slotChosen(const std::string& slot);

  private:
    QGridLayout* grid_;
};

} // namespace lariat
