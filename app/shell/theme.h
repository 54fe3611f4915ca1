// The look in force, chosen by the user or from the system.
#pragma once

#include "look/look.h"

#include <QString>

namespace lariat {

enum class Theme { System, Light, Dark };

/// Gives the application the palette, fonts and style of a theme.
void applyTheme(Theme theme);
/// The look that applyTheme chose last.
const Look& look();

/// "system", "light", "dark"
QString themeName(Theme theme);
Theme themeFromName(const QString& name);

} // namespace lariat
