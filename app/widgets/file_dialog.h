// Asking for the name of a file to write.
#pragma once

#include <QString>
#include <QStringList>
#include <QWidget>

namespace lariat {

/// The name with one of these endings: it gets the first one if it has none of them. "lamp v1.2" becomes
/// "lamp v1.2.lariat".
QString withEnding(const QString& file, const QStringList& endings);

/// Asks where to write. The name has one of the endings, and whether another file may be replaced is asked about that
/// name. Empty if the user thinks better of it.
QString askWhereToSave(QWidget* parent, const QString& title, const QString& proposed, const QString& filter,
                       const QStringList& endings);

} // namespace lariat
