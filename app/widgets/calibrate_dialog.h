// Calibrate by reading: what a meter or a recording says with a knob at some places of its travel becomes its scale.
#pragma once

#include "shell/session.h"

#include <QDialog>

#include <string>

namespace lariat {

/// Asks for readings of a knob of a module, shows the law that fits and what is left of each, and keeps it with the
/// module in the user's folder, as one step of the history.
void calibrateKnob(const Session& session, const std::string& module, const std::string& part, const std::string& knob,
                   QWidget* parent);

} // namespace lariat
