// Errors as values: what went wrong, where, and why, ready to show to a person.
#pragma once

#include "units/sentence.h"

#include <string>

#include <tl/expected.hpp>

namespace lariat {

struct Error {
    std::string file; ///< the file concerned; may be empty
    std::string path; ///< place inside it, such as "cables/3/to"; may be empty
    Sentence reason;  ///< what is wrong and how to go on

    [[nodiscard]] std::string text() const {
        std::string out;
        if (!file.empty()) out += file + ": ";
        if (!path.empty()) out += path + ": ";
        return out + reason.str();
    }
};

template <class T> using Result = tl::expected<T, Error>;

inline tl::unexpected<Error> failure(Sentence reason, std::string path = {}) {
    return tl::unexpected(Error{{}, std::move(path), std::move(reason)});
}

} // namespace lariat
