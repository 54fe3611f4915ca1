#include "patch/empty_chart.h"

#include "look/fonts.h"
#include "shell/shortcuts.h"

#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QVBoxLayout>

namespace lariat {

EmptyChart::EmptyChart(QWidget* parent) : QFrame(parent) {
    setAccessibleName(tr("Ways to begin"));
    auto* layout = new QVBoxLayout(this);
    layout->setSpacing(8);
    auto* title = new QLabel(tr("This patch is empty. Begin with …"));
    title->setFont(textFont(15, true));
    layout->addWidget(title);
    const auto button = [&](const QString& name, const QString& text) {
        const QString keys = shortcutOf(name.toLatin1().constData()).toString(QKeySequence::NativeText);
        auto* made = new QPushButton(keys.isEmpty() ? text : tr("%1  (%2)").arg(text, keys));
        made->setObjectName(QStringLiteral("begin-") + name);
        made->setMinimumHeight(36);
        layout->addWidget(made);
        return made;
    };
    const auto triggers = [&](const char* action, const QString& text) {
        connect(button(QString::fromLatin1(action), text), &QPushButton::clicked, this, [this, action] {
            if (auto* found = window()->findChild<QAction*>(QString::fromLatin1(action))) found->trigger();
        });
    };
    triggers("find-part", tr("a part from the case"));
    triggers("another", tr("a function: VCO, filter, contour …"));
    triggers("tie", tr("a sentence, such as “vco saw to filter in”"));
    QPushButton* shipped = button(QStringLiteral("demos"), tr("a patch that came with Lariat"));
    connect(shipped, &QPushButton::clicked, this, [this, shipped] {
        if (auto* menu = window()->findChild<QMenu*>(QStringLiteral("demos")))
            menu->popup(shipped->mapToGlobal(QPoint(0, shipped->height())));
    });
    triggers("open", tr("a patch that was written down"));
}

} // namespace lariat
