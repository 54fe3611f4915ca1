// How long a cable has to be to reach from one module to another.
#pragma once

#include "library/library.h"

#include <optional>
#include <string>

namespace lariat {

/// The way between the jacks of two slots in cm. A jack is taken to be in the middle of its module; from there: columns
/// of 5.08 mm, rows of 133.35 mm, the straight way between the two, and 60 mm for plugs and sag. Nothing if one of them
/// has no place in the case.
std::optional<double> cableWay(const Case& housing, const Library& library, const std::string& fromSlot,
                               const std::string& toSlot);

} // namespace lariat
