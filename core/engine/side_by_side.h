// Pieces of work that do not wait for each other, on several processors.
#pragma once

#include <cstddef>
#include <functional>

namespace lariat {

/// Calls `work` with 0 … count - 1, each once and in no particular order, from so many threads at most; the calling one
/// is one of them. Returns when all is done. `work` must not throw.
void sideBySide(std::size_t count, unsigned threads, const std::function<void(std::size_t)>& work);

/// Processors of this machine; 1 where nobody can say.
unsigned processors();

} // namespace lariat
