// The Patch place: the cable chart with its inspector and tie line.
#pragma once

#include "patch/chart.h"
#include "patch/inspector.h"
#include "patch/jack_chooser.h"
#include "patch/tie_line.h"
#include "shell/place.h"

#include <QPointer>

namespace lariat {

class PatchPlace : public Place {
    Q_OBJECT

  public:
    explicit PatchPlace(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] QWidget* tool() override { return tieLine_; }
    void addActions(const Menus& menus) override;

    [[nodiscard]] Chart& chart() { return *chart_; }
    [[nodiscard]] Inspector& inspector() { return *inspector_; }
    [[nodiscard]] TieLine& tieLine() { return *tieLine_; }
    /// The lists that a drag has opened, or nullptr.
    [[nodiscard]] JackChooser* chooser() { return chooser_; }

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void playMidiFile();
    void chooseJacks(const std::string& from, const std::string& to, const QPoint& where);
    void applyFix(const Finding& finding, std::size_t fix);
    void fillCaseMenu(QMenu& menu);
    void addFromCase(const Slot& slot, const PartInfo& part);
    void removePost();

    Session session_;
    Chart* chart_;
    Inspector* inspector_;
    TieLine* tieLine_;
    QPointer<JackChooser> chooser_;
};

} // namespace lariat
