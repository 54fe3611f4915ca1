// The window: rail of places, head, the place itself, messages, and the transport at the bottom.
#pragma once

#include "shell/controllers.h"
#include "shell/message_strip.h"
#include "shell/place.h"
#include "shell/rail.h"
#include "shell/session.h"
#include "shell/theme.h"
#include "shell/transport_bar.h"

#include <QLabel>
#include <QMainWindow>
#include <QStackedWidget>
#include <QUndoView>

namespace lariat {

class MainWindow : public QMainWindow {
    Q_OBJECT

  public:
    /// `settingsFolder` keeps unsaved work; empty: nothing is kept.
    MainWindow(Workspace workspace, std::vector<PlaceEntry> places, const QString& settingsFolder,
               QWidget* parent = nullptr);

    [[nodiscard]] Document& document() { return document_; }
    [[nodiscard]] Sound& sound() { return sound_; }
    [[nodiscard]] Checker& checker() { return checker_; }
    [[nodiscard]] MessageStrip& messages() { return *messages_; }
    [[nodiscard]] TransportBar& transport() { return *transport_; }
    /// The place of that id, or nullptr if it is not built yet.
    [[nodiscard]] Place* place(const QString& id) const;
    void showPlace(const QString& id);

    /// Opens a file and says so if it cannot; the open patch stays then.
    bool openFile(const QString& file);
    /// Opens a file as a new, unnamed patch.
    bool openCopy(const QString& file);
    void chooseTheme(Theme theme);
    /// Offers work that a run before this one left behind.
    void offerRecovery();

  Q_SIGNALS:
    /// The user asks for one more window.
    void newWindowWanted();

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void changeEvent(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void buildMenus();
    void buildFileMenu();
    void buildEditMenu();
    void fillDemos(QMenu& menu);
    void fillRecent(QMenu& menu);
    void go(int place);
    void refreshHead();
    void refreshTitle();
    bool save();
    bool saveAs();
    /// False if the user would rather not lose the open patch.
    bool mayLeave();
    void remember(const QString& file);
    void showShortcuts();
    void about();
    void showHistory();

    Document document_;
    Sound sound_;
    Checker checker_;
    Controllers controllers_;
    std::vector<PlaceEntry> entries_;
    std::vector<Place*> built_; ///< by place; nullptr where nothing is built
    QString settingsFolder_;
    Rail* rail_;
    QLabel* title_;
    QLabel* summary_;
    QStackedWidget* tools_;
    QStackedWidget* pages_;
    MessageStrip* messages_;
    TransportBar* transport_;
    QUndoView* history_ = nullptr;
};

} // namespace lariat
