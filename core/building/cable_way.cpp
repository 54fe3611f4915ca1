#include "building/cable_way.h"

#include <cmath>

namespace lariat {
namespace {

constexpr double kColumn = 0.508; ///< cm
constexpr double kRow = 13.335;
constexpr double kSlack = 6.0;

} // namespace

std::optional<double> cableWay(const Case& housing, const Library& library, const std::string& fromSlot,
                               const std::string& toSlot) {
    const auto middle = [&](const std::string& id) -> std::optional<std::pair<double, double>> {
        const Slot* slot = housing.slot(id);
        const ModuleInfo* module = slot && !slot->loose() ? library.module(slot->module) : nullptr;
        if (!module) return std::nullopt;
        return std::pair{kColumn * (slot->column - 1 + 0.5 * module->description.hp), kRow * slot->row};
    };
    const auto from = middle(fromSlot);
    const auto to = middle(toSlot);
    if (!from || !to) return std::nullopt;
    return std::hypot(from->first - to->first, from->second - to->second) + kSlack;
}

} // namespace lariat
