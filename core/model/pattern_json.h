// Patterns and performances as they stand in a patch file; see docs/formats.md.
#pragma once

#include "model/json.h"
#include "model/pattern.h"
#include "model/performance.h"

namespace lariat {

Pattern readPattern(Reader& in);
Json writePattern(const Pattern& pattern);

Performance readPerformance(Reader& in);
Json writePerformance(const Performance& performance);

} // namespace lariat
