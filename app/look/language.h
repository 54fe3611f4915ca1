// Languages: English is written in the source, the others come from translation files that ship with the program.
#pragma once

#include <QString>
#include <QStringList>

namespace lariat {

/// Codes of all languages there are, English first.
QStringList languages();
/// Makes the program speak this language; empty: the system's, if it is there. Call before the first window is made.
void speak(const QString& code);

} // namespace lariat
