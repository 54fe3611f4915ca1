// Beside the ledger: rails, cables, what is borrowed, the bag, and the module that is chosen.
#pragma once

#include "shell/session.h"
#include "stock/ledger.h"

#include <QScrollArea>
#include <QVBoxLayout>
#include <QWidget>

#include <string>

namespace lariat {

class StockPanel : public QScrollArea {
    Q_OBJECT

  public:
    explicit StockPanel(const Session& session, QWidget* parent = nullptr);

    void show(const Ledger& ledger, const Case& housing, const std::string& chosen);

  Q_SIGNALS:
    void slotChosen(const std::string& slot);
    void addWanted();
    void makeWanted(const std::string& module); ///< lines of that module; empty: it is to be asked from which
    void calibrateWanted(const std::string& slot);
    void outWanted(const std::string& slot);
    void looseWanted(const std::string& slot);
    void inWanted(const std::string& slot); ///< out of the bag, into a row
    void borrowedChanged(const std::string& slot, const QString& from);
    void cablesChanged(int lengthCm, const std::string& colour, int count);
    void stackablesChanged(int count);
    void cablesWanted();
    void supplyWanted();

  private:
    QLabel* heading(const QString& text);
    void addRails(const Ledger& ledger);
    void addCables(const Ledger& ledger);
    void addModule(const Case& housing, const std::string& chosen);
    void addBag(const Ledger& ledger);

    Session session_;
    QWidget* page_ = nullptr;
    QVBoxLayout* list_ = nullptr;
};

/// A bar that is full as far as a rail is loaded, with a mark at what switching on may take.
class RailBar : public QWidget {
  public:
    RailBar(RailLine rail, QWidget* parent = nullptr);
    [[nodiscard]] QSize sizeHint() const override { return {120, 14}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    RailLine rail_;
};

} // namespace lariat
