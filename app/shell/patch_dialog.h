// What stands at the head of a patch: title, key, tempo and where it comes from, and a description.
#pragma once

#include "shell/session.h"

#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QPlainTextEdit>

namespace lariat {

class PatchDialog : public QDialog {
    Q_OBJECT

  public:
    PatchDialog(const Session& session, QWidget* parent);

  private:
    void take();

    Session session_;
    QLineEdit* title_;
    QComboBox* key_;
    QLineEdit* tempo_;
    QPlainTextEdit* about_;
    QString tempoText_; ///< as it was
};

} // namespace lariat
