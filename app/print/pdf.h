// The patch sheet as files of pages and pictures.
#pragma once

#include "sheet/sheet.h"

#include <QImage>

#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

namespace lariat {

inline constexpr const char* kCarriedName = "patch.lariat-bundle"; ///< of what a PDF has attached

/// Writes a PDF with `bundle` attached, if that is not empty. Works without a window: an application for painting is
/// made if there is none.
Result<void> writePdf(const Sheet& sheet, const SheetSettings& settings, const std::string& bundle,
                      const std::filesystem::path& file);
/// All pages below one another as one picture; `carried` goes into it (stock/carried.h).
std::string writeSvg(const Sheet& sheet, const SheetSettings& settings, const std::string& carried);
/// The chart alone, to stand in a text.
std::string chartSvg(const Sheet& sheet, const SheetSettings& settings);
/// The sheet as one page of HTML, with its chart and its answers; `carried`: what travels in it (stock/carried.h).
std::string sheetHtml(const Sheet& sheet, const SheetSettings& settings, const std::string& carried);
/// The pages as pictures, for a preview; needs a QGuiApplication.
std::vector<QImage> drawPages(const Sheet& sheet, const SheetSettings& settings);

/// What a PDF of ours has attached; empty if it has nothing of the kind. Fails for what is no PDF.
Result<std::string> attachedTo(std::string_view pdf);

} // namespace lariat
