// Plain pieces that pages are made of: a wrapped label in a colour, a button with a name, an emptied layout.
#pragma once

#include <QColor>
#include <QLabel>
#include <QLayout>
#include <QPushButton>

namespace lariat {

/// Text as it stands, wrapped.
QLabel* plainLabel(const QString& text, const QColor& colour, int pixels = 13, bool strong = false);
/// A button that Enter elsewhere does not press.
QPushButton* plainButton(const QString& text, const char* name);
/// Takes everything out; widgets go as soon as nobody is in one of their signals any more.
void emptyLayout(QLayout* layout);

} // namespace lariat
