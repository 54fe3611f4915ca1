// Taking in what somebody wrote down: the text at the left, at the right what each line was understood as, while one
// types.
#pragma once

#include "library/workspace.h"
#include "plan/notes.h"

#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTimer>
#include <QTreeWidget>

namespace lariat {

class NotesDialog : public QDialog {
    Q_OBJECT

  public:
    /// `caseId`: the case that is offered first. The workspace has to stay while the dialog is open.
    NotesDialog(const Workspace& workspace, const std::string& caseId, QWidget* parent = nullptr);

    [[nodiscard]] const std::optional<NotesRead>& notes() const { return read_; }
    [[nodiscard]] QPlainTextEdit& text() { return *text_; }
    [[nodiscard]] QTreeWidget& answers() { return *answers_; }
    /// Reads it now, as after a pause.
    void readNow();

  private:
    void showAnswers(const NotesRead& notes);
    void fitHeights();
    void goToLine(int line);

    const Workspace& workspace_;
    QComboBox* case_;
    QPlainTextEdit* text_;
    QTreeWidget* answers_;
    QLabel* sum_;
    QPushButton* open_;
    QTimer typed_;
    std::optional<NotesRead> read_;
};

} // namespace lariat
