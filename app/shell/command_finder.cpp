#include "shell/command_finder.h"

#include "look/fonts.h"

#include <QKeyEvent>
#include <QMenu>
#include <QVBoxLayout>

#include <functional>

namespace lariat {

std::vector<std::pair<QString, QAction*>> allActions(const QMenuBar& menus) {
    std::vector<std::pair<QString, QAction*>> out;
    const std::function<void(const QList<QAction*>&, const QString&)> walk = [&](const QList<QAction*>& actions,
                                                                                 const QString& path) {
        for (QAction* action : actions) {
            const QString name = path + action->text().remove(QLatin1Char('&'));
            if (action->menu())
                walk(action->menu()->actions(), name + QStringLiteral(" › "));
            else if (!action->isSeparator() && action->isEnabled())
                out.emplace_back(name, action);
        }
    };
    walk(menus.actions(), {});
    return out;
}

CommandFinder::CommandFinder(const QMenuBar& menus, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Find a command"));
    resize(520, 420);
    auto* layout = new QVBoxLayout(this);
    field_ = new QLineEdit;
    field_->setPlaceholderText(tr("Type part of a command's name"));
    field_->setAccessibleName(tr("Command"));
    field_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Commands"));
    layout->addWidget(field_);
    layout->addWidget(list_);
    for (const auto& [name, action] : allActions(menus)) {
        const QString keys = action->shortcut().toString(QKeySequence::NativeText);
        auto* item = new QListWidgetItem(keys.isEmpty() ? name : name + QStringLiteral("   ") + keys, list_);
        item->setData(Qt::UserRole, QVariant::fromValue<QObject*>(action));
    }
    connect(field_, &QLineEdit::textChanged, this, &CommandFinder::filter);
    connect(field_, &QLineEdit::returnPressed, this, &CommandFinder::run);
    connect(list_, &QListWidget::itemActivated, this, &CommandFinder::run);
    filter({});
}

void CommandFinder::filter(const QString& text) {
    QListWidgetItem* first = nullptr;
    for (int i = 0; i < list_->count(); ++i) {
        QListWidgetItem* item = list_->item(i);
        item->setHidden(!item->text().contains(text, Qt::CaseInsensitive));
        if (!item->isHidden() && !first) first = item;
    }
    list_->setCurrentItem(first);
}

void CommandFinder::run() {
    QListWidgetItem* item = list_->currentItem();
    if (!item || item->isHidden()) return;
    auto* action = qobject_cast<QAction*>(item->data(Qt::UserRole).value<QObject*>());
    accept();
    if (action) action->trigger();
}

bool CommandFinder::eventFilter(QObject* watched, QEvent* event) {
    if (watched == field_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        const int step = key == Qt::Key_Down ? 1 : key == Qt::Key_Up ? -1 : 0;
        for (int row = list_->currentRow() + step; step != 0 && row >= 0 && row < list_->count(); row += step) {
            if (list_->item(row)->isHidden()) continue;
            list_->setCurrentRow(row);
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace lariat
