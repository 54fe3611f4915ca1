// Moves: what people do to a patch at one stroke, worked out as a list of edits.
#pragma once

#include "model/edit.h"

#include <vector>

namespace lariat {

using Edits = std::vector<Edit>;

} // namespace lariat
