#include "building/assign.h"

#include <functional>
#include <map>
#include <set>

namespace lariat {

std::vector<std::optional<std::size_t>> assign(const std::vector<std::vector<std::size_t>>& mayHave) {
    std::map<std::size_t, std::size_t> owner; ///< by thing
    std::set<std::size_t> asked;
    const std::function<bool(std::size_t)> give = [&](std::size_t who) {
        for (const std::size_t thing : mayHave[who])
            if (!owner.contains(thing) && !asked.contains(thing)) {
                owner[thing] = who;
                return true;
            }
        for (const std::size_t thing : mayHave[who]) {
            if (!asked.insert(thing).second) continue;
            const auto has = owner.find(thing);
            if (has == owner.end() || give(has->second)) {
                owner[thing] = who;
                return true;
            }
        }
        return false;
    };
    for (std::size_t who = 0; who < mayHave.size(); ++who) {
        asked.clear();
        (void)give(who);
    }
    std::vector<std::optional<std::size_t>> out(mayHave.size());
    for (const auto& [thing, who] : owner) out[who] = thing;
    return out;
}

} // namespace lariat
