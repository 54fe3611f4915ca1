// The chart for a screen reader: a list of its rows, each with its sentence.
#pragma once

#include <QAccessibleInterface>
#include <QObject>
#include <QString>

namespace lariat {

/// For QAccessible::installFactory; nullptr for anything but a chart.
QAccessibleInterface* accessibleChart(const QString& name, QObject* object);

} // namespace lariat
