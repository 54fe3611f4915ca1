// Chaos that is caught: what a shift register holds now, kept under a name, and gone back to.
#pragma once

#include "building/edits.h"
#include "shell/session.h"

#include <QComboBox>
#include <QPushButton>
#include <QWidget>

#include <string>

namespace lariat {

class StateTools : public QWidget {
    Q_OBJECT

  public:
    StateTools(const Session& session, const std::string& post, QWidget* parent = nullptr);

    void refresh();

  Q_SIGNALS:
    void message(const QString& text, bool refusal);
    /// The register is to take the bits that its knob says, though it says what it said before.
    void restoreWanted();

  private:
    void catchNow();
    void keepTake(const std::string& name);
    void goTo();
    void forget();
    bool apply(const Result<Edits>& edits, const QString& name);
    void choose(const QString& name);

    Session session_;
    std::string post_;
    QComboBox* states_;
    QPushButton* forget_;
};

} // namespace lariat
