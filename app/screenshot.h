// A picture of the window, for the README and for machines without a display.
#pragma once

#include "shell/main_window.h"

namespace lariat {

struct Pose {
    QString file;     ///< PNG to write
    QString selected; ///< post, or number of a row, to choose; may be empty
    QString panel;    ///< "findings", "settings", or anything else for what is chosen
};

/// Waits until the patch has sounded for a while and was checked, then writes the picture. Gives the exit code.
int takePicture(MainWindow& window, const Pose& pose);

} // namespace lariat
