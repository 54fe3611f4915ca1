// Every shortcut of the window, in one table, so that no key is given twice.
#pragma once

#include <QAction>
#include <QKeySequence>
#include <QMenu>

#include <span>
#include <utility>

namespace lariat {

struct Shortcut {
    const char* action; ///< the name of the action, in every language
    const char* keys;
};

std::span<const Shortcut> allShortcuts();
/// Empty for an action that has none.
QKeySequence shortcutOf(const char* action);
/// True for keys that a text field wants for itself, such as taking a word away with Ctrl+Backspace.
bool isForText(const QKeyEvent& event);

/// An action in a menu, under its name, with its keys.
template <class Run> QAction* addNamed(QMenu& menu, const char* name, const QString& text, QObject* owner, Run&& run) {
    QAction* action = menu.addAction(text, owner, std::forward<Run>(run));
    action->setObjectName(QString::fromLatin1(name));
    action->setShortcut(shortcutOf(name));
    return action;
}

} // namespace lariat
