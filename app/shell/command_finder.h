// The command finder: every action of the menus by name.
#pragma once

#include "shell/finder.h"

#include <QMenuBar>

namespace lariat {

class CommandFinder : public Finder {
    Q_OBJECT

  public:
    CommandFinder(const QMenuBar& menus, QWidget* parent);
};

/// All actions of the menus that do something, with the path of menus that leads to each.
std::vector<std::pair<QString, QAction*>> allActions(const QMenuBar& menus);

} // namespace lariat
