// The Time place: what happens when? Steps, what they cause, and how both are changed.
#pragma once

#include "shell/place.h"
#include "time/entry_bar.h"
#include "time/move_recorder.h"
#include "time/rehearsal.h"
#include "time/scene_strip.h"
#include "time/scenes_dialog.h"
#include "time/time_chart.h"
#include "time/time_panel.h"
#include "widgets/key_strip.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPointer>

namespace lariat {

class TimePlace : public Place {
    Q_OBJECT

  public:
    explicit TimePlace(const Session& session, QWidget* parent = nullptr);

    void addActions(const Menus& menus) override;

    [[nodiscard]] TimeChart& chart() { return *chart_; }
    [[nodiscard]] LineEditor& editor() { return *editor_; }
    [[nodiscard]] Responder& responder() { return *responder_; }
    [[nodiscard]] Recorder& recorder() { return *recorder_; }
    [[nodiscard]] StepEntry& entry() { return *entry_; }
    [[nodiscard]] QLineEdit& words() { return *words_; }
    [[nodiscard]] TimePanel& panel() { return *panel_; }
    [[nodiscard]] SceneStrip& scenes() { return *scenes_; }
    [[nodiscard]] MoveRecorder& moves() { return *moves_; }
    /// How the knobs stand now, as one more scene behind the chosen one.
    void keepScene(const QString& name, int bars);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void refreshWords();
    void showMenu(const QPoint& where);
    void chooseFirstLine();
    void startAfresh();
    void takeFromMidi();
    void saveAsMidi();
    void markUnknown();
    void pinChosen();
    void addSceneActions(const Menus& menus);
    void writeScenes();
    void chainVariations();
    void rehearse();

    Session session_;
    LineEditor* editor_;
    Responder* responder_;
    StepEntry* entry_;
    Recorder* recorder_;
    EntryBar* bar_;
    TimeChart* chart_;
    TimePanel* panel_;
    KeyStrip* keys_;
    QLabel* wordsOf_;
    QLineEdit* words_;
    QHBoxLayout* foot_; ///< words, and what is done with scenes
    SceneStrip* scenes_;
    MoveRecorder* moves_;
    QPointer<Rehearsal> rehearsal_;
    QList<QAction*> ofSteps_; ///< of the menu over a line
};

} // namespace lariat
