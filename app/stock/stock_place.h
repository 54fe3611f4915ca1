// The Stock place: what the case can do, what is in use by whom, and what is left; and the case itself.
#pragma once

#include "plan/stand_ins.h"
#include "shell/place.h"
#include "stock/case_view.h"
#include "stock/ledger_view.h"
#include "stock/maker_page.h"
#include "stock/stock_panel.h"

#include <QComboBox>
#include <QLabel>
#include <QScrollArea>
#include <QStackedWidget>

#include <optional>

namespace lariat {

class StockPlace : public Place {
    Q_OBJECT

  public:
    /// `chart` shows the test stand of the module maker.
    StockPlace(const Session& session, ChartOfStand chart, QWidget* parent = nullptr);

    [[nodiscard]] QWidget* tool() override { return cases_; }
    [[nodiscard]] CaseView& caseView() { return *case_; }
    [[nodiscard]] LedgerView& ledger() { return *ledger_; }
    [[nodiscard]] MakerPage& maker() { return *maker_; }
    /// Shows the module maker, with the lines of that module; empty: with a first block.
    void make(const std::string& module, std::optional<StandView> view = {});
    void addActions(const Menus& menus) override;

  protected:
    void showEvent(QShowEvent* event) override;
    void changeEvent(QEvent* event) override;

  private:
    void refresh();
    void listCases();
    void caseChosen(int index);
    void moveTo(const Case& to);
    void askHowToMove(const Patch& patch, const Case& to, const Rehousing& without, const Housed& housed);
    void become(Patch patch, const Case& to);
    void makeCase();
    void joinCases();
    void addModule();
    void addCables();
    void changeSupply();
    void askWhatToMake(const std::string& module);
    void showKnobs(const std::string& slot);
    QString askForModule(const QString& title, const QString& first);
    void showMenu(const std::string& slot, const QPoint& at);
    void choose(const std::string& slot);
    /// Applies what was done to the case, or tells why not.
    bool apply(Result<Case> changed, const QString& name);
    /// Parts of the slot that the patch uses, as text; empty: none.
    [[nodiscard]] QString usersOf(const std::string& slot) const;

    Session session_;
    Functions functions_;
    QComboBox* cases_;
    QLabel* summary_;
    LedgerView* ledger_;
    CaseView* case_;
    StockPanel* panel_;
    QScrollArea* scroll_;
    QStackedWidget* pages_;
    MakerPage* maker_;
    std::shared_ptr<Job> moving_; ///< looks for stand-ins
    bool stale_ = true;
};

} // namespace lariat
