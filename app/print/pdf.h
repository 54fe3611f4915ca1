// The patch sheet on paper.
#pragma once

#include "sheet/sheet.h"

#include <QImage>

#include <filesystem>
#include <vector>

namespace lariat {

/// Writes the sheet as an A4 PDF, landscape. Works without a window: an application for painting is made if there
/// is none.
Result<void> writePdf(const Sheet& sheet, const std::filesystem::path& file);
/// The same pages as pictures, for a preview; needs a QGuiApplication.
std::vector<QImage> drawPages(const Sheet& sheet);

} // namespace lariat
