// The lines of a module while they are written: faults are marked where they are.
#pragma once

#include "maker/module_text.h"

#include <QPlainTextEdit>

#include <vector>

namespace lariat {

class ModuleLines : public QPlainTextEdit {
    Q_OBJECT

  public:
    explicit ModuleLines(QWidget* parent = nullptr);

    void showFaults(const std::vector<Fault>& faults);
    /// The line under the cursor, from 1.
    [[nodiscard]] int line() const { return textCursor().blockNumber() + 1; }
    void goToLine(int line);
    /// Exchanges the whole text as one step that can be undone in it.
    void exchange(const QString& text);

  protected:
    void changeEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    class Margin;
    void mark();
    void paintMargin(QPaintEvent* event);

    QWidget* margin_;
    std::vector<Fault> faults_;
};

} // namespace lariat
