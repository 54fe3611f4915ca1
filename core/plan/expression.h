// Expressions: what a recipe works out from wishes, such as "hz(note)" or "length * 0.8".
//
// muParser's arithmetic and functions, and ours: hz(n) the frequency of note number n (C4 = 60), volts(n) its pitch
// voltage, note(f) the note number of a frequency. Names are wishes; `beat` is the length of a beat in seconds.
#pragma once

#include "model/result.h"

#include <map>
#include <string>

namespace lariat {

using Values = std::map<std::string, double>;

/// The value. Fails if a name is unknown, if it cannot be read, or if it is no finite number, as after a division by
/// zero.
Result<double> evaluate(const std::string& expression, const Values& values);

/// Values and what is worked out from them and from one another, in whatever order they stand. Fails if some of them
/// need each other in a circle, naming them.
Result<Values> evaluateAll(const std::map<std::string, std::string>& expressions, Values values);

} // namespace lariat
