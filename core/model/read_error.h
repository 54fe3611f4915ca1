// What is thrown inside a reader or a check and caught at its edge, where it becomes an Error value.
#pragma once

#include "units/sentence.h"

#include <stdexcept>
#include <string>
#include <utility>

namespace lariat {

struct ReadError : std::runtime_error {
    ReadError(std::string where, Sentence why)
        : std::runtime_error(why.str()), path(std::move(where)), reason(std::move(why)) {}
    std::string path; ///< place inside the document
    Sentence reason;
};

} // namespace lariat
