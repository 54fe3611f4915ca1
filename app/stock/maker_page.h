// The module maker: the lines of a module at the left, at the right the module itself, running on a test stand.
#pragma once

#include "maker/stand.h"
#include "shell/session.h"
#include "stock/module_lines.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QTimer>
#include <QVBoxLayout>
#include <QWidget>

#include <optional>

namespace lariat {

class Place;
class StandSession;

/// Makes the chart that shows the stand.
using ChartOfStand = Place* (*)(const Session& session);

class MakerPage : public QWidget {
    Q_OBJECT

  public:
    MakerPage(const Session& session, ChartOfStand chart, QWidget* parent = nullptr);
    ~MakerPage() override;

    /// Begins with that module: its own lines if it is one of the user's, else those of a copy; an empty id: with a
    /// first block. Lines that were left unfinished come back. It is seen as the one before was, unless a view is
    /// given.
    void begin(const std::string& module, std::optional<StandView> view = {});
    /// Begins with a module from a file, its description or its lines.
    void beginFromFile(const QString& file);
    [[nodiscard]] bool active() const { return active_; }
    [[nodiscard]] ModuleLines& lines() { return *lines_; }
    [[nodiscard]] QString faultText() const; ///< all that is wrong, a line each
    /// The stand's session; nullptr until one has begun.
    [[nodiscard]] const Session* stand() const;
    [[nodiscard]] Place* chart() const { return place_; }

  public Q_SLOTS:
    /// Keeps the module among the user's own.
    void keep();

  Q_SIGNALS:
    void ended();
    void message(const QString& text, bool refusal);

  protected:
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void beginWith(const std::string& from, QString text, const Extra& extra);
    void look();
    void follow(bool settled);
    void finishTurning();
    void addBlock();
    void takeBlockOut();
    void showTools();
    void showFaults(const std::vector<Fault>& faults);
    void showHint();
    void makeStandOnce();
    void takeSound();
    void giveSoundBack();
    void leave();
    void keepDraft();
    void exportFile();
    [[nodiscard]] QString draftFile() const;

    Session session_;
    ModuleLines* lines_;
    QLabel* head_;
    QLabel* hint_;
    QVBoxLayout* faults_;
    QComboBox* view_;
    QPushButton* addBlock_; ///< behind the panel only
    QPushButton* takeOut_;
    QPushButton* play_;
    QPushButton* keep_;
    QPushButton* export_;
    QWidget* right_;
    QVBoxLayout* rightList_;
    StandSession* stand_ = nullptr;
    Place* place_ = nullptr;
    ChartOfStand makeChart_;
    QTimer delay_;
    QTimer drafts_;
    QTimer turning_;
    std::string begunFrom_; ///< id of the module that the lines began with; empty: none
    Extra extra_;
    std::optional<ModuleInfo> module_; ///< as it stands on the stand
    QString device_;                   ///< the window's, while the stand has it
    bool hasSound_ = false;
    bool active_ = false;
    bool staging_ = false;
};

} // namespace lariat
