// A picture of the window, for the README and for machines without a display.
#pragma once

#include "shell/main_window.h"

namespace lariat {

struct Pose {
    QString file;      ///< PNG to write
    QString selected;  ///< post, or number of a row, to choose; may be empty
    int untilRow = 0;  ///< the patch as it was after so many rows; 0: all of it
    bool keys = false; ///< with the keys to play on
    QString panel;     ///< "findings", "settings", or anything else for what is chosen
};

/// Waits until the patch has sounded for a while and was checked, then writes the picture. Gives the exit code.
int takePicture(MainWindow& window, const Pose& pose);

} // namespace lariat
