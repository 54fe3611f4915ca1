// Aspects: a patch taken apart into all that can be different about it, each under a name, and put together again.
//
// They are those of its document (writePatch), so that whatever a patch can hold is among them, keys that this version
// does not know too: a post's cutoff is {"posts", "filter", "knobs/cutoff"}, that a cable enters a jack at all
// {"cables", "filter.in-1", ""}, the row's source {"cables", "filter.in-1", "from"}.
#pragma once

#include "model/json.h"
#include "model/patch.h"

#include <map>
#include <string>
#include <vector>

namespace lariat {

struct AspectKey {
    std::string list;    ///< "posts", "cables", "scenes", …; empty: the patch itself
    std::string element; ///< of that list: a post's id, the jack that a cable enters, a scene's name …
    std::string field;   ///< empty: that it is there at all; kOrder, without an element: the order of the list

    auto operator<=>(const AspectKey&) const = default;
};
inline constexpr const char* kOrder = "order";

struct Aspects {
    struct Value {
        Json json;
        std::size_t place = 0; ///< in the document, so that it is written in the same order again
    };
    std::map<AspectKey, Value> all;
    std::map<std::string, std::vector<std::string>> order; ///< elements of each list

    [[nodiscard]] const Json* value(const AspectKey& key) const;
    [[nodiscard]] bool has(const std::string& list, const std::string& element) const {
        return all.contains({list, element, {}});
    }
};

Aspects takeApart(const Patch& patch);
/// The patch as readPatch reads it. Two cables of one number are told apart again.
Result<Patch> putTogether(const Aspects& aspects);

/// What is not the same in both. The order of a list is, if what both hold follows in the same order.
std::vector<AspectKey> differingAspects(const Aspects& a, const Aspects& b);
/// `a`, where what is named stands as it does in `b`; what is new in a list comes behind what it follows in `b`.
Aspects takenOver(Aspects a, const Aspects& b, const std::vector<AspectKey>& keys);

} // namespace lariat
