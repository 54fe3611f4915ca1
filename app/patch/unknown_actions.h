// What nobody wrote down: cables with an open end, parts that nobody knows any more, and the knob to ask for first.
#pragma once

#include "shell/session.h"

#include <QAction>
#include <QMenu>
#include <QObject>

#include <memory>

namespace lariat {

class UnknownActions : public QObject {
    Q_OBJECT

  public:
    UnknownActions(const Session& session, QWidget* window);

    void addTo(QMenu& patch);
    /// Those that are about the chosen post.
    [[nodiscard]] const QList<QAction*>& ofPost() const { return ofPost_; }

  Q_SIGNALS:
    void message(const QString& text, bool refusal);

  private:
    void askWhatTellsMost();
    void leaveOpen();
    void writeWhatWasRead(const JackRef& at, bool output);
    void closeOpenEnd();
    void addUnknownPart();
    void knowPart();

    Session session_;
    QWidget* window_;
    QList<QAction*> ofPost_;
    std::shared_ptr<Job> asking_; ///< which unknown knob tells most
};

} // namespace lariat
