// Notes in German: their words are brought to those that notes are read by, line by line. Whole words only, so that
// lines in English and names stay as they are.
#pragma once

#include <string>

namespace lariat::notes {

/// "Hüllkurve 1 an den Verstärker, Abfall kurz" is "env 1 > the vca, decay short". Small letters; what is no German
/// word of a patch stays.
std::string fromGerman(const std::string& line);

} // namespace lariat::notes
