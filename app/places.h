// The places of the window, in the order of the work.
#pragma once

#include "shell/place.h"

#include <vector>

namespace lariat {

std::vector<PlaceEntry> allPlaces();

} // namespace lariat
