#include "shell/command_finder.h"

#include <QMenu>

#include <functional>

namespace lariat {

std::vector<std::pair<QString, QAction*>> allActions(const QMenuBar& menus) {
    std::vector<std::pair<QString, QAction*>> out;
    const std::function<void(const QList<QAction*>&, const QString&)> walk = [&](const QList<QAction*>& actions,
                                                                                 const QString& path) {
        for (QAction* action : actions) {
            const QString name = path + action->text().remove(QLatin1Char('&'));
            if (!action->isEnabled()) continue;
            if (QMenu* menu = action->menu()) {
                Q_EMIT menu->aboutToShow(); // those that are made from data are made anew
                walk(action->menu()->actions(), name + QStringLiteral(" › "));
            } else if (!action->isSeparator())
                out.emplace_back(name, action);
        }
    };
    walk(menus.actions(), {});
    return out;
}

CommandFinder::CommandFinder(const QMenuBar& menus, QWidget* parent)
    : Finder(tr("Find a command"), tr("Type part of a command's name"), parent) {
    for (const auto& [name, action] : allActions(menus)) {
        const QString keys = action->shortcut().toString(QKeySequence::NativeText);
        add(keys.isEmpty() ? name : name + QStringLiteral("   ") + keys, [action = action] { action->trigger(); });
    }
}

} // namespace lariat
