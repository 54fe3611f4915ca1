// The command finder: every action of the menus by name.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenuBar>

namespace lariat {

class CommandFinder : public QDialog {
    Q_OBJECT

  public:
    CommandFinder(const QMenuBar& menus, QWidget* parent);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void filter(const QString& text);
    void run();

    QLineEdit* field_;
    QListWidget* list_;
};

/// All actions of the menus that do something, with the path of menus that leads to each.
std::vector<std::pair<QString, QAction*>> allActions(const QMenuBar& menus);

} // namespace lariat
