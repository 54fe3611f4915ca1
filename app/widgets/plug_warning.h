// What a plug will break, said before it goes in.
#pragma once

#include "library/library.h"

#include <QString>

namespace lariat {

/// "Breaks the wire behind the panel from Contour 1 to VCA lin cv. …" or nothing. Either end may be left empty.
QString plugWarning(const Patch& patch, const Library& library, const JackRef& from, const JackRef& to);

} // namespace lariat
