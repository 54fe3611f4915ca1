// Text of the core for Qt.
#pragma once

#include <QString>

#include <string>

namespace lariat {

/// UTF-8 to QString; short, because nearly every label needs it.
inline QString q(const std::string& text) {
    return QString::fromStdString(text);
}

} // namespace lariat
