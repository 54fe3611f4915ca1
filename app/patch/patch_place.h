// The Patch place: the cable chart with its panel, tie line, keys and the walk through the build.
#pragma once

#include "patch/building_actions.h"
#include "patch/chart.h"
#include "patch/side_panel.h"
#include "patch/step_bar.h"
#include "patch/tie_line.h"
#include "shell/place.h"
#include "widgets/jack_chooser.h"
#include "widgets/key_strip.h"

#include <QPointer>

namespace lariat {

class PatchPlace : public Place {
    Q_OBJECT

  public:
    explicit PatchPlace(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] QWidget* tool() override { return tieLine_; }
    void addActions(const Menus& menus) override;

    [[nodiscard]] Chart& chart() { return *chart_; }
    [[nodiscard]] SidePanel& panel() { return *panel_; }
    [[nodiscard]] Inspector& inspector() { return panel_->inspector(); }
    [[nodiscard]] TieLine& tieLine() { return *tieLine_; }
    [[nodiscard]] KeyStrip& keys() { return *keys_; }
    [[nodiscard]] StepBar& steps() { return *steps_; }
    /// The lists that a drag has opened, or nullptr.
    [[nodiscard]] JackChooser* chooser() { return chooser_; }

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void addViews(QMenu& view);
    void addHearing(QMenu& sound);
    void playMidiFile();
    void chooseJacks(const std::string& from, const std::string& to, const QPoint& where);
    void applyFix(const Finding& finding, std::size_t fix);
    void dismiss(const Finding& finding);
    void showPath();
    void showWalk(const Finding& finding);
    void showVoice();
    void showAll();

    Session session_;
    BuildingActions* building_;
    Chart* chart_;
    SidePanel* panel_;
    TieLine* tieLine_;
    KeyStrip* keys_;
    StepBar* steps_;
    QFrame* part_; ///< says that only a part of the patch is shown
    QLabel* partText_;
    QPointer<JackChooser> chooser_;
};

} // namespace lariat
