// The fonts that ship with Lariat.
#pragma once

#include <QFont>

namespace lariat {

/// Registers the shipped fonts; needs a QGuiApplication. Calling it again does nothing.
void loadFonts();
/// What is read: Inter, at a size in pixels, with tabular figures where the font engine has them.
QFont textFont(int pixels, bool strong = false);
/// Figures and the tie line: JetBrains Mono.
QFont figureFont(int pixels);

} // namespace lariat
