#include "model/extra.h"

#include <nlohmann/json.hpp>

namespace lariat {

Extra::Extra(nlohmann::ordered_json keys) {
    if (!keys.empty()) keys_ = std::make_shared<const nlohmann::ordered_json>(std::move(keys));
}

bool operator==(const Extra& a, const Extra& b) {
    if (a.keys_ == b.keys_) return true;
    return a.keys_ && b.keys_ && *a.keys_ == *b.keys_;
}

} // namespace lariat
