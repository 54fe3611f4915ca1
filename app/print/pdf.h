// The patch sheet as PDF.
#pragma once

#include "sheet/sheet.h"

#include <filesystem>

namespace lariat {

/// Writes A4 pages. Works without a window system: if the program has no Qt application yet, one is made on the
/// offscreen platform.
Result<void> writePdf(const Sheet& sheet, const std::filesystem::path& file);

} // namespace lariat
