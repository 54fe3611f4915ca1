// A picture of the window at work, for documentation and for machines without a display.
#pragma once

#include "shell/main_window.h"

namespace lariat {

/// Lets the patch play for some seconds, waits for the findings, and writes a PNG with the row of that number or the
/// post of that id chosen. Returns an exit code.
int takePicture(MainWindow& window, const QString& file, const QString& selected);

} // namespace lariat
