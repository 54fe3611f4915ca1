#include "shell/theme.h"

#include "look/fonts.h"

#include <QApplication>
#include <QPalette>
#include <QStyleFactory>

namespace lariat {
namespace {

constexpr const char* kProperty = "lariatDark";

/// Before the first theme is set the palette is still the system's.
bool systemIsDark() {
    static const bool dark = QApplication::palette().color(QPalette::Window).lightness() < 110;
    return dark;
}

/// Ink of what cannot be used now: half way to the ground.
QColor faded(const Look& l) {
    const auto mix = [](int a, int b) { return (9 * a + 11 * b) / 20; };
    return {mix(l.ink.red(), l.panel.red()), mix(l.ink.green(), l.panel.green()), mix(l.ink.blue(), l.panel.blue())};
}

QString styleSheet(const Look& l) {
    return QStringLiteral(R"(
QMenuBar { background: %1; color: %2; padding: 2px 6px; }
QMenuBar::item { padding: 4px 10px; background: transparent; }
QMenuBar::item:selected { background: %3; }
QMenu { background: %4; color: %2; border: 1px solid %3; padding: 4px; }
QMenu::item { padding: 5px 22px 5px 14px; }
QMenu::item:selected { background: %5; color: %6; }
QMenu::item:disabled { color: %7; }
QMenu::separator { height: 1px; background: %3; margin: 4px 8px; }
QLineEdit { background: %4; color: %2; border: 1px solid %3; border-radius: 4px; padding: 4px 8px; selection-background-color: %5; }
QLineEdit:focus { border: 2px solid %5; padding: 3px 7px; }
QComboBox QAbstractItemView { background: %4; color: %2; selection-background-color: %5; selection-color: %6; }
QListWidget { background: %4; color: %2; border: 1px solid %3; border-radius: 4px; }
QListWidget::item { padding: 4px 6px; }
QListWidget::item:selected { background: %5; color: %6; }
QPushButton { background: %4; color: %2; border: 1px solid %3; border-radius: 4px; padding: 5px 12px; }
QPushButton:hover { border-color: %5; }
QPushButton:focus { border: 2px solid %5; padding: 4px 11px; }
QPushButton:default, QPushButton:checked { background: %5; color: %6; }
QPushButton:disabled { background: transparent; color: %8; }
QToolTip { background: %4; color: %2; border: 1px solid %3; padding: 4px; }
QScrollBar:vertical { background: transparent; width: 10px; margin: 0; }
QScrollBar:horizontal { background: transparent; height: 10px; margin: 0; }
QScrollBar::handle { background: %3; border-radius: 4px; min-height: 32px; min-width: 32px; margin: 1px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
)")
        .arg(l.panel.name(), l.ink.name(), l.line.name(), l.card.name(), l.accent.name(), l.card.name(),
             l.softInk.name(), faded(l).name());
}

} // namespace

void applyTheme(Theme theme) {
    const bool dark = theme == Theme::Dark || (theme == Theme::System && systemIsDark());
    qApp->setProperty(kProperty, dark);
    const Look& l = look();
    loadFonts();
    QApplication::setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    QPalette palette;
    palette.setColor(QPalette::Window, l.panel);
    palette.setColor(QPalette::WindowText, l.ink);
    palette.setColor(QPalette::Base, l.card);
    palette.setColor(QPalette::AlternateBase, l.paper);
    palette.setColor(QPalette::Text, l.ink);
    palette.setColor(QPalette::PlaceholderText, l.softInk);
    palette.setColor(QPalette::Button, l.card);
    palette.setColor(QPalette::ButtonText, l.ink);
    palette.setColor(QPalette::Highlight, l.accent);
    palette.setColor(QPalette::HighlightedText, l.card);
    palette.setColor(QPalette::ToolTipBase, l.card);
    palette.setColor(QPalette::ToolTipText, l.ink);
    palette.setColor(QPalette::Link, l.accent);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        palette.setColor(QPalette::Disabled, role, faded(l));
    QApplication::setPalette(palette);
    QApplication::setFont(textFont(13));
    qApp->setStyleSheet(styleSheet(l));
}

const Look& look() {
    return qApp->property(kProperty).toBool() ? Look::night() : Look::light();
}

QString themeName(Theme theme) {
    switch (theme) {
    case Theme::Light:
        return QStringLiteral("light");
    case Theme::Dark:
        return QStringLiteral("dark");
    case Theme::System:
        break;
    }
    return QStringLiteral("system");
}

Theme themeFromName(const QString& name) {
    if (name == QLatin1String("light")) return Theme::Light;
    return name == QLatin1String("dark") ? Theme::Dark : Theme::System;
}

} // namespace lariat
