// The chosen row: what it reads, a note, and which cable of the case's bag is to be used.
#pragma once

#include "shell/session.h"

#include <QLabel>
#include <QLineEdit>
#include <QWidget>

namespace lariat {

class CableCard : public QWidget {
    Q_OBJECT

  public:
    CableCard(const Session& session, const Cable& cable, QWidget* parent = nullptr);

    /// Something is being written in it.
    [[nodiscard]] bool busy() const { return note_->hasFocus() && note_->isModified(); }
    /// Shows what moves without an edit.
    void follow();

  private:
    Session session_;
    int cable_;
    QLabel* reading_;
    QLineEdit* note_;
};

} // namespace lariat
