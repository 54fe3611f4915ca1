// The Log place: what did I do, and what was better? Takes down the left, and of two of them what is different, in what
// was built and in what is heard.
#pragma once

#include "log/differences.h"
#include "log/take_list.h"
#include "look/look.h"
#include "shell/place.h"
#include "widgets/turns.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTimer>
#include <QTreeWidget>
#include <QVBoxLayout>

#include <memory>
#include <optional>
#include <vector>

namespace lariat {

class BothChart;
class PairPicture;

class LogPlace : public Place {
    Q_OBJECT

  public:
    explicit LogPlace(const Session& session, QWidget* parent = nullptr);

    void addActions(const Menus& menus) override;

    [[nodiscard]] TakeList& takes() { return *list_; }
    [[nodiscard]] TakeModel& model() { return *model_; }
    [[nodiscard]] QTreeWidget& changes() { return *changes_; }
    [[nodiscard]] Turns& turns() { return *turns_; }
    [[nodiscard]] BothChart& both() { return *both_; }
    /// Looks at a take (0: the open patch), held against what it came from.
    void lookAt(std::int64_t id);
    /// … held against that one from now on.
    void holdAgainst(std::int64_t id);
    /// All that is shown of the two, for tests.
    [[nodiscard]] QString shownText() const;
    /// Brings what is ticked over into the open patch.
    void bringOver();
    /// Brings what was changed in a patch file, or another take, since the take that is held against.
    void bringTogether(const QString& file);
    void exportTo(const QString& file);
    void importFrom(const QString& file);
    void writeDiary(const QString& file);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void changeEvent(QEvent* event) override;

  private:
    static constexpr int kRounds = 10;     ///< of a blind comparison
    static constexpr int kMostShown = 500; ///< differences
    static std::int64_t nowMs();           ///< since 1970 UTC
    /// One side of what is compared.
    struct Side {
        std::int64_t id = -1; ///< -1: none
        std::shared_ptr<const Patch> patch;
        Figures figures{};
        Thumb thumb{};
        QString name{};
    };
    QWidget* makeLeft();
    QWidget* makeRight();
    void makeLabelCard(QVBoxLayout& column);
    /// A label whose colour follows the theme: ink, soft or alarm.
    QLabel* label(const QString& text, QColor Look::*colour, int pixels = 13, bool strong = false);
    void refresh(); ///< the list anew
    void refreshHead();
    void compare();
    void showChanges(bool others);
    void showHeard();
    void markChange();
    void sayRows();
    void chooseChange(const JackRef& into);
    void showLabel();
    void writeLabel();
    [[nodiscard]] Side sideOf(std::int64_t id);
    [[nodiscard]] std::int64_t usualBefore(std::int64_t id);
    [[nodiscard]] std::vector<Difference> ticked() const;
    void hearTurns(bool on);
    void blind();
    void blindSeveral();
    void blindBetween(const std::vector<Side>& sides, int rounds);
    void goBack(std::int64_t id);
    void throwAway(std::int64_t id);
    void thinOut();
    void putOntoList(std::int64_t id);
    [[nodiscard]] std::int64_t lookedAt() const { return after_.id; }

    Session session_;
    TakeModel* model_;
    TakeList* list_;
    QLineEdit* search_;
    QLabel* searchSays_;
    QLabel* head_;
    QLabel* usage_;
    QLabel* problem_;
    QPushButton* again_;
    QWidget* right_;
    QLabel* title_;
    QLabel* otherThan_;
    QTreeWidget* changes_;
    QLabel* nothing_;
    BothChart* both_;
    QPushButton* allRows_;
    QWidget* heardBox_;
    QGridLayout* heard_;
    PairPicture* picture_;
    QPushButton* turnsButton_;
    QPushButton* blindButton_;
    QPushButton* bring_;
    QPushButton* goOn_;
    QLabel* rounds_;
    QWidget* label_;
    QLineEdit* name_;
    QLineEdit* tags_;
    QComboBox* rating_;
    QPlainTextEdit* notes_;
    Turns* turns_;
    QTimer typed_;   ///< until the search is typed
    QTimer written_; ///< until a label is written
    Side before_;
    Side after_;
    std::optional<std::int64_t> pinned_; ///< what is held against, where the user chose it
    std::vector<Difference> differences_;
    std::int64_t labelOf_ = 0;
    bool stale_ = true;
    bool filling_ = false;
    std::int64_t thrown_ = 0; ///< last, to be taken back
    std::vector<std::pair<QLabel*, QColor Look::*>> coloured_;
};

} // namespace lariat
