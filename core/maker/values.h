// Values as text that reads back as the very same number.
#pragma once

#include "units/scale.h"

#include <string>

namespace lariat {

/// As Scale::text writes it if that loses nothing, else with every figure and the unit: "0.3 ms", "0.12345 s", "AD".
std::string exactText(const Scale& scale, double value);

} // namespace lariat
