// What is thrown inside a reader or a check and caught at its edge, where it becomes an Error value.
#pragma once

#include <stdexcept>
#include <string>
#include <utility>

namespace lariat {

struct ReadError : std::runtime_error {
    ReadError(std::string where, const std::string& why) : std::runtime_error(why), path(std::move(where)) {}
    std::string path; ///< place inside the document
};

} // namespace lariat
