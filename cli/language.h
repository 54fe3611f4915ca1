// The language of what is written for people to read, such as a sheet. Messages of the command line are English.
#pragma once

#include "units/sentence.h"

#include <CLI/CLI.hpp>

namespace lariat::cli {

/// --language, one of those that the program speaks.
void addLanguage(CLI::App& command, std::string& language);
/// Says sentences so, as long as there is an application of Qt's.
Speaker speakerOf(const std::string& language);

} // namespace lariat::cli
