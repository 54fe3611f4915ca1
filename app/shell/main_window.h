// The window: rail of places, head, the place itself, messages, and the transport at the bottom.
#pragma once

#include "shell/controllers.h"
#include "shell/files.h"
#include "shell/message_strip.h"
#include "shell/place.h"
#include "shell/rail.h"
#include "shell/reckoner.h"
#include "shell/session.h"
#include "shell/tempo.h"
#include "shell/theme.h"
#include "shell/transport_bar.h"

#include <QAbstractButton>
#include <QLabel>
#include <QMainWindow>
#include <QStackedWidget>
#include <QUndoView>

#include <map>

namespace lariat {

class MainWindow : public QMainWindow {
    Q_OBJECT

  public:
    /// `recoveryFolder` keeps unsaved work; empty: nothing is kept.
    MainWindow(Workspace workspace, std::vector<PlaceEntry> places, const QString& recoveryFolder,
               QWidget* parent = nullptr);
    ~MainWindow() override;

    /// What its places work with.
    [[nodiscard]] const Session& session() const { return session_; }
    [[nodiscard]] Document& document() { return document_; }
    [[nodiscard]] Sound& sound() { return sound_; }
    [[nodiscard]] Selection& selection() { return selection_; }
    [[nodiscard]] Jobs& jobs() { return jobs_; }
    [[nodiscard]] Checker& checker() { return checker_; }
    [[nodiscard]] Readings& readings() { return readings_; }
    [[nodiscard]] Navigator& navigator() { return navigator_; }
    [[nodiscard]] LogKeeper& log() { return log_; }
    [[nodiscard]] Files& files() { return *files_; }
    [[nodiscard]] MessageStrip& messages() { return *messages_; }
    [[nodiscard]] TransportBar& transport() { return *transport_; }
    /// The place of that id, or nullptr if it is not built yet.
    [[nodiscard]] Place* place(const QString& id) const;
    void showPlace(const QString& id);

    /// Opens a file and says so if it cannot; the open patch stays then.
    bool openFile(const QString& file) { return files_->open(file); }
    /// Opens a file as a new, unnamed patch.
    bool openCopy(const QString& file) { return files_->openCopy(file); }
    void chooseTheme(Theme theme);
    /// Offers work that a run before this one left behind.
    void offerRecovery();

  Q_SIGNALS:
    /// The user asks for one more window.
    void newWindowWanted();
    /// … or to leave the program, with all its windows.
    void quitWanted();
    /// The user has chosen another look; it is that of all windows.
    void themeChosen(Theme theme);

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void changeEvent(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void buildMenus();
    QMenu* buildFileMenu();
    QMenu* buildEditMenu();
    QMenu* buildViewMenu();
    QMenu* buildSoundMenu();
    void buildHelpMenu();
    void enter(const QString& place);
    void describePatch();
    void readNotesByDialog();
    void renderToFile();
    void recordSound();
    void tapTempo();
    void refreshHead();
    void refreshTitle();
    void showShortcuts();
    void showReckoner();
    void about();
    void showHistory();

    Document document_;
    Sound sound_;
    Selection selection_;
    Jobs jobs_;
    Checker checker_;
    Readings readings_;
    Navigator navigator_;
    Controllers controllers_;
    Gestures gestures_;
    LogKeeper log_;
    Session session_;
    Files* files_;
    std::vector<PlaceEntry> entries_;
    std::vector<Place*> built_;                   ///< by place; nullptr where nothing is built
    std::map<Place*, QList<QAction*>> actionsOf_; ///< what can be done only while that place is shown
    Rail* rail_;
    QAbstractButton* title_;
    QLabel* summary_;
    QStackedWidget* tools_;
    QStackedWidget* pages_;
    MessageStrip* messages_;
    TransportBar* transport_;
    QUndoView* history_ = nullptr;
    Reckoner* reckoner_ = nullptr;
    Taps taps_;
};

} // namespace lariat
