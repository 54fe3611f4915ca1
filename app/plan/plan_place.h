// The Plan place: a recipe and what is wished of it become cables and knobs of this case, or the proof that something
// is short, with the cheapest ways round it.
#pragma once

#include "plan/build_page.h"
#include "plan/found_dials.h"
#include "plan/keep.h"
#include "plan/recipe_list.h"
#include "shell/place.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>
#include <QTimer>

#include <memory>
#include <optional>

namespace lariat {

class PlanPlace : public Place {
    Q_OBJECT

  public:
    explicit PlanPlace(const Session& session, QWidget* parent = nullptr);

    void addActions(const Menus& menus) override;
    void addActionsForAll(const Menus& menus) override;

    [[nodiscard]] RecipeList& recipes() { return *list_; }
    [[nodiscard]] BuildPage& build() { return *build_; }
    /// The plan that is shown; nullptr while there is none.
    [[nodiscard]] const Plan* plan() const;
    [[nodiscard]] bool settled() const { return !planning_ && !measuring_ && !seeking_ && !wait_.isActive(); }
    [[nodiscard]] const std::vector<GoalReading>& readings() const { return readings_; }
    /// Text of what is shown, for tests.
    [[nodiscard]] QString shownText() const;
    void showRecipe(const std::string& id);
    void showBuild() { pages_->setCurrentWidget(build_); }
    /// Turns knobs in silent runs until the goals hold.
    void findSettings();

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void changeEvent(QEvent* event) override;

  private:
    [[nodiscard]] const Recipe* recipe() const;
    void takeWish(const QString& text);
    bool askWhatVaries(KeepAsk& ask);
    void recipeChosen();
    void makeWishes();
    void planSoon();
    [[nodiscard]] bool groundChanged();
    void makePlan();
    void measure();
    void showPlan();
    void showRoles();
    void showShortage();
    void showGoals();
    void otherPlan();
    void hear(bool on);
    void intoPatch();
    void keepVoice();
    void forget();
    [[nodiscard]] std::optional<Patch> planned() const; ///< the patch as it would be, with found settings

    Session session_;
    std::shared_ptr<RecipeBook> book_;
    std::shared_ptr<const Functions> functions_;
    QStackedWidget* pages_;
    RecipeList* list_;
    BuildPage* build_;
    QLabel* title_;
    QLabel* about_;
    QGridLayout* wishes_;
    QComboBox* counts_;
    QComboBox* instead_;
    QVBoxLayout* roles_;
    QLabel* head_; ///< over the roles
    QLabel* status_;
    FoundDials* dials_;
    QLabel* found_;
    QLabel* ear_;
    QVBoxLayout* goals_;
    QLabel* cables_;
    QPushButton* hear_;
    QPushButton* other_;
    QPushButton* find_;
    QPushButton* into_;
    QPushButton* buildWith_;
    QTimer wait_;
    std::map<std::string, Wishes> wished_; ///< by recipe
    std::shared_ptr<const Planned> planned_;
    std::size_t which_ = 0;
    std::vector<GoalReading> readings_;
    std::optional<Sought> sought_;
    std::shared_ptr<Job> planning_;
    std::shared_ptr<Job> measuring_;
    std::shared_ptr<Job> seeking_;
    QString problem_;
    Patch ground_; ///< what plans depend on: the patch without what knobs say
    Case groundCase_;
    bool stale_ = true;
    bool applying_ = false;
};

} // namespace lariat
