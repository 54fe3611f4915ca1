// Building: the actions by which a patch grows and changes, each by name in the menus, the finder, and on a right
// click.
#pragma once

#include "building/edits.h"
#include "patch/chart.h"
#include "patch/unknown_actions.h"
#include "shell/session.h"

#include <QAction>
#include <QMenu>
#include <QObject>

#include <functional>

namespace lariat {

class BuildingActions : public QObject {
    Q_OBJECT

  public:
    BuildingActions(const Session& session, Chart& chart, QWidget* window);

    void addTo(QMenu& patch);
    /// What can be done with the chosen row or post, and with a heading.
    void showMenu(const QPoint& where);
    void showHeadingMenu(std::string voice, std::string step, const QPoint& where);
    /// Plugs one end of a cable into a jack of that post that is to be chosen.
    void moveEnd(int cable, bool source, const std::string& post, const QPoint& where);

    /// More entries for the menu of a row or post.
    void alsoShow(const QList<QAction*>& actions) { more_ = actions; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  private:
    void fillCaseMenu(QMenu& menu);
    void findPart();
    void another();
    void addPart(const Slot& slot, const PartInfo& part);
    void insert();
    void split();
    void waysTo(const JackRef& output, const JackRef& input);
    void plugElsewhere(bool source);
    void swapCables();
    void duplicate();
    void box();
    void lookBehind();
    [[nodiscard]] QString freshModuleName(const QString& name) const;
    void regroup();
    void renameHeading(const std::string& voice, const std::string& step);
    void describePost();
    void copySettings();
    void pasteSettings();
    void removePost();
    [[nodiscard]] std::string chosenVoice();
    [[nodiscard]] const Cable* chosenCable();
    [[nodiscard]] const Post* chosenPost();
    bool apply(const Result<Edits>& edits, const QString& name);

    Session session_;
    Chart& chart_;
    QWidget* window_;
    QList<QAction*> ofRow_;
    QList<QAction*> ofPost_;
    QList<QAction*> more_;
    UnknownActions unknown_;
};

} // namespace lariat
