// Files: opening, saving, and never losing work on the way.
#pragma once

#include "shell/document.h"

#include <QMenu>
#include <QWidget>

namespace lariat {

class Files : public QObject {
    Q_OBJECT

  public:
    /// `recoveryFolder` keeps unsaved work; empty: nothing is kept. Questions are asked over `window`.
    Files(Document& document, const QString& recoveryFolder, QWidget* window);

    /// Opens a patch, or the one that travels in a sheet or bundle, and says so if it cannot; the open patch stays
    /// then.
    bool open(const QString& file);
    /// Opens a file as a new, unnamed patch.
    bool openCopy(const QString& file);
    /// Opens a patch that has no file yet.
    bool openUnnamed(const Patch& patch);
    void openByDialog();
    bool save();
    bool saveAs();
    /// The patch with its case, modules, recordings and tunings in one archive.
    void saveBundle();
    /// Unpacks a bundle, or what travels in a sheet, into the user's folder, and opens its patch.
    void openBundle();
    /// False if the user would rather not lose the open patch.
    bool mayLeave();
    /// The files opened last, and the work that other runs have left behind, as menus.
    void fillRecent(QMenu& menu);
    void fillLeftBehind(QMenu& menu);
    void fillDemos(QMenu& menu);
    /// Work that a run before this one has left behind.
    [[nodiscard]] std::vector<LeftBehind> leftBehind() const;
    void recover(const LeftBehind& left);

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    /// What is being typed somewhere is to be taken now.
    void finishTyping();
    /// Another patch, read from a sheet or bundle, is about to take the place of the open one.
    void aboutToRead();

  private:
    bool openCarried(const QString& file);
    bool saveTo(const QString& file);
    void remember(const QString& file);

    Document& document_;
    QString folder_;
    QWidget* window_;
};

} // namespace lariat
