// The reckoner: one line, and what can be worked out from it. Results are dragged onto a knob or a step, or copied.
#pragma once

#include "shell/document.h"
#include "timing/reckon.h"

#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QTreeWidget>

namespace lariat {

class Reckoner : public QDialog {
    Q_OBJECT

  public:
    Reckoner(const Document& document, double rate, QWidget* parent = nullptr);

    /// Shown, with its line chosen.
    void open() override;

  private:
    void answer();

    const Document& document_;
    double rate_;
    QLineEdit* line_;
    QLabel* why_;
    QTreeWidget* answers_;
};

} // namespace lariat
