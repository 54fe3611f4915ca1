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

// Parts of them, for other documents that say them of something else than a post.
Stride readStride(Reader& in);
void writeStride(Json& out, const Stride& stride);
/// Tempo, length and messages.
void readPlayed(Reader& in, Performance& played);
void writePlayed(Json& out, const Performance& played);

} // namespace lariat
