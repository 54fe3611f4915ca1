// What every fuzz target of a reader holds it to: a value, or an error with a reason of bearable length.
#pragma once

#include "model/result.h"

#include <cstdlib>

namespace lariat::fuzz {

template <class T> bool isExplained(const Result<T>& read) {
    if (read) return true;
    if (read.error().reason.empty() || read.error().reason.str().size() > 4000) std::abort();
    return false;
}

} // namespace lariat::fuzz
