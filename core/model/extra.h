// Keys of a document that this version does not know, kept for writing back.
#pragma once

#include <memory>

#include <nlohmann/json_fwd.hpp>

namespace lariat {

/// Shared and never changed, so that copying a patch stays cheap; the JSON library stays out of the model's headers.
class Extra {
  public:
    Extra() = default;
    /// Takes an object; an empty one is the same as none.
    explicit Extra(nlohmann::ordered_json keys);

    /// The keys, or nullptr if there are none.
    [[nodiscard]] const nlohmann::ordered_json* keys() const { return keys_.get(); }
    friend bool operator==(const Extra& a, const Extra& b);

  private:
    std::shared_ptr<const nlohmann::ordered_json> keys_;
};

} // namespace lariat
