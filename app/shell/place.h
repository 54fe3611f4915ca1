// A place: one page of the window that answers one question.
//
// To add a place, derive from Place in a folder of its own and name it in app/places.cpp.
#pragma once

#include "shell/session.h"
#include "shell/shortcuts.h"

#include <QMenu>
#include <QString>
#include <QWidget>

#include <vector>

namespace lariat {

/// The menus that a place may add its actions to.
struct Menus {
    QMenu& edit;
    QMenu& view;
    QMenu& patch;
    QMenu& sound;
};

class Place : public QWidget {
    Q_OBJECT

  public:
    using QWidget::QWidget;
    /// A widget for the right of the window's head, or nullptr.
    [[nodiscard]] virtual QWidget* tool() { return nullptr; }
    /// Called once, before the window is shown. These actions can be used only while the place is shown …
    virtual void addActions(const Menus&) {}
    /// … and these everywhere.
    virtual void addActionsForAll(const Menus&) {}

  Q_SIGNALS:
    /// Something to tell the user; a refusal is shown as such.
    void message(const QString& text, bool refusal);
};

struct PlaceEntry {
    QString id;
    QString name;
    QString question;
    Place* (*make)(const Session& session);
};

} // namespace lariat
