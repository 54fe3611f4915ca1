// The tie line: type which output goes to which input.
#pragma once

#include "shell/session.h"

#include <QLineEdit>
#include <QStandardItemModel>

namespace lariat {

class TieLine : public QLineEdit {
    Q_OBJECT

  public:
    explicit TieLine(const Session& session, QWidget* parent = nullptr);

  Q_SIGNALS:
    void tied(int cable);
    void message(const QString& text, bool refusal);

  protected:
    void focusInEvent(QFocusEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void offer();
    void tie();
    void tieAll(const QString& sentences);
    void warn();

    Session session_;
    QStandardItemModel offered_;
    QString warned_;
};

} // namespace lariat
