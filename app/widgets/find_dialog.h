// Find the setting for…: what is measured where, what it should be, and the knob is turned in silent runs until it is.
#pragma once

#include "shell/session.h"

#include <QDialog>

#include <string>

namespace lariat {

/// Asks, finds, and applies what was found if it is wanted, as one step of the history.
void findSetting(const Session& session, const std::string& post, const std::string& knob, QWidget* parent);

} // namespace lariat
