// The open patch: its file, its history, its autosave. Every change goes through `apply`.
#pragma once

#include "library/check.h"
#include "library/workspace.h"
#include "model/edit.h"
#include "shell/recovery.h"

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>

#include <memory>
#include <optional>
#include <vector>

namespace lariat {

class Document : public QObject {
    Q_OBJECT

  public:
    explicit Document(Workspace workspace, QObject* parent = nullptr);
    ~Document() override;

    [[nodiscard]] const Patch& patch() const { return *patch_; }
    /// Each one there was stays for the life of the document: work in the background may go on with it.
    [[nodiscard]] const Library& library() const { return workspace_->library; }
    [[nodiscard]] const Case* housing() const { return workspace_->housing(*patch_); }
    [[nodiscard]] const Workspace& workspace() const { return *workspace_; }
    [[nodiscard]] QUndoStack& history() { return history_; }
    [[nodiscard]] const QString& file() const { return file_; }

    /// Replaces the open patch; on failure everything stays as it was.
    Result<void> open(const QString& file);
    /// Opens a file as a new patch without a name, as for the demo.
    Result<void> openCopy(const QString& file);
    Result<void> saveAs(const QString& file);
    /// What another program or window has made of the open file since it was read or written here; nothing if it is as
    /// it was, or if there is none.
    [[nodiscard]] std::optional<QString> changedOutside() const;
    /// An empty patch in that case; an empty id: in the first one there is.
    void startNew(const std::string& caseId = {});

    /// One step of the history. False, with `refused` telling why, if an edit does not apply; nothing changes then.
    bool apply(const std::vector<Edit>& edits, const QString& name);
    /// One step of the history that makes it another patch, as one that was kept aside; refused like edits.
    bool become(Patch patch, const QString& name);
    /// One step of the history that changes a case: every patch in it sees it changed. It is kept in the user's own
    /// folder; if that fails, `refused` tells, and nothing changes.
    bool changeCase(Case housing, const QString& name);
    /// The same for a module: one of the user's own, or one that takes the place of a shipped one. Refused where the
    /// open patch or a case needs it as it was.
    bool changeModule(ModuleInfo module, const QString& name);
    /// Modules, cases, recordings and tunings that have come into the user's folder since, as with a bundle, are here
    /// too.
    void takeInNew();
    /// Exchanges modules, cases and patch at once, as on a test stand: what is chosen and heard goes on as far as it is
    /// still there. There is nothing to undo then.
    void stage(Workspace workspace, Patch patch);
    /// Lets go of libraries that were exchanged; only while nothing works in the background.
    void forgetOldLibraries() { old_.clear(); }
    /// Plays that patch instead of the open one, until the next edit or until there is none any more.
    void audition(std::shared_ptr<const Patch> patch);
    [[nodiscard]] bool auditions() const { return audition_ != nullptr; }
    /// Like apply, but turning the same knob again goes on in the same step.
    void turnKnob(const std::string& post, const std::string& knob, double value);
    /// Like turnKnob for many knobs at once; `what` tells one such movement from another.
    void turn(const std::vector<Edit>& edits, const QString& name, const QString& what);
    /// Like turn, but goes on in one step however long it pauses, as a take that is recorded.
    void goOn(const std::vector<Edit>& edits, const QString& name, const QString& what);
    /// Turning goes on in one step only until this is called, as when the mouse is let go.
    void endTurning() { ++turning_; }

    /// Shows and plays the patch as it was after its first rows; 0: all of it. Edits still change the whole patch.
    void setUntilRow(int row);
    [[nodiscard]] int untilRow() const { return untilRow_; }
    /// What is shown and played: the patch, or its first rows.
    [[nodiscard]] Patch heard() const;

    /// Lets everything that shows the patch show it anew.
    void touch() { Q_EMIT changed(); }

    /// Where unsaved work of a program that died is kept; set before the first change.
    void setRecoveryFolder(const QString& folder);
    /// Opens work that was left behind as unsaved work under its old name. It is thrown away there only once it is kept
    /// here; if that fails, `refused` tells, and it stays where it was.
    Result<void> recover(const LeftBehind& left);

  Q_SIGNALS:
    void replaced(); ///< another document is open: what is about the old one is to be forgotten; then comes changed
    /// Modules are other ones: whatever was built from them is to be built anew; then comes changed.
    void libraryChanged();
    void changed(); ///< the patch is another one
    void auditionChanged(bool on);
    void fileChanged(); ///< file name or saved state
    void refused(const QString& reason);

  private:
    friend class PatchStep;
    friend class CaseStep;
    friend class ModuleStep;
    void put(std::shared_ptr<const Patch> patch);
    bool putCase(const Case& housing);
    bool putModule(const std::string& id, const std::optional<std::string>& file, const ModuleInfo& module);
    void reset(Patch patch, const QString& file);
    bool keep();
    void dropRecovery();
    void goOnTurning();

    std::shared_ptr<Workspace> workspace_;
    std::vector<std::shared_ptr<Workspace>> old_; ///< with other modules
    std::shared_ptr<const Patch> patch_;
    std::shared_ptr<const Patch> audition_;
    QUndoStack history_;
    QString file_;
    std::string onDisk_; ///< the open file as it was read or written here
    std::unique_ptr<Recovery> recovery_;
    QTimer keeper_;
    int turning_ = 0;
    QElapsedTimer lastTurn_;
    int untilRow_ = 0;
};

} // namespace lariat
