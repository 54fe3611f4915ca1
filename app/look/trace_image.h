// A trace as an image: the same marks as drawTrace, rasterised column by column.
//
// A chart paints some sixty traces in a frame. Going through a general path rasteriser costs ten times as much as
// filling, in each column, the stretch between the column's ends with the coverage of its first and last pixel.
#pragma once

#include "look/look.h"

#include <QImage>

namespace lariat {

/// One column of `columns` for every pixel across; `size` in device pixels, of which `scale` make one of the screen's.
/// The ground is left transparent.
QImage traceImage(QSize size, std::span<const MinMax> columns, VoltRange range, SignalKind kind, const QColor& colour,
                  float scale = 1.0f);

} // namespace lariat
