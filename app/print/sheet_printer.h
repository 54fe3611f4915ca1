// Lays a patch sheet out on pages of a size, and draws it.
#pragma once

#include "print/bookmarks.h"
#include "sheet/sheet.h"

#include <QPainter>
#include <QSizeF>

#include <functional>

namespace lariat {

inline constexpr int kSheetDpi = 120;

/// A page of the settings' paper, in dots at kSheetDpi.
QSize pageSize(const SheetSettings& settings);

/// Draws all pages. The painter stands on the first one; `newPage` is called between two and leaves it on the next one,
/// with the transformation it began with.
/// Gives its headings and where they stand.
std::vector<Bookmark> printSheet(const Sheet& sheet, const SheetSettings& settings, QPainter& painter, QSizeF page,
                                 const std::function<void()>& newPage);

/// The chart alone, as high as it has to be, at most `width` across; returns its height. Nothing is drawn if `painter`
/// stands on no page of that height: call it twice.
qreal printChart(const Sheet& sheet, const SheetSettings& settings, QPainter& painter, qreal width);

} // namespace lariat
