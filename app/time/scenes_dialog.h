// All scenes in words, and what a player would say of them. Written into the patch as one step.
#pragma once

#include "shell/session.h"
#include "timing/scenes.h"

#include <QDialog>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>

namespace lariat {

class ScenesDialog : public QDialog {
    Q_OBJECT

  public:
    explicit ScenesDialog(const Session& session, QWidget* parent = nullptr);

    [[nodiscard]] QPlainTextEdit& text() { return *text_; }

  private:
    void look();
    void write();

    Session session_;
    QPlainTextEdit* text_;
    QLabel* said_;
    QPushButton* write_;
};

} // namespace lariat
