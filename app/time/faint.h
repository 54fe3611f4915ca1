// A colour that lets what lies under it through.
#pragma once

#include <QColor>

namespace lariat {

/// `alpha` from 0, nothing, to 255, all of it.
inline QColor faint(QColor colour, int alpha) {
    colour.setAlpha(alpha);
    return colour;
}

} // namespace lariat
