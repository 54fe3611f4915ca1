#include "findings/aims.h"

#include <algorithm>

namespace lariat {

std::vector<Mover> moversOf(const Walk& walk, int node, int control) {
    std::vector<Mover> found;
    const BlockType& type = *walk.map.node(node).type;
    const ControlSpec& moved = type.controls[idx(control)];
    const auto known = [&](const Way& way) {
        return std::ranges::any_of(found, [&](const Mover& one) { return one.way->input == way.input; });
    };
    for (const Way& way : walk.map.ways(node)) {
        if (walk.map.feeding(way).node < 0 || known(way)) continue;
        const JackSpec& input = type.inputs[idx(way.input)];
        const int amount = way.hasAmount ? way.levels.front() : -1;
        const double gain = amount < 0 ? 1.0 : 0.01 * walk.map.control(node, amount);
        for (const Aim& aim : input.aims)
            if (aim.control == moved.id) found.push_back({&way, amount, aim.perVolt * gain, aim.octaves});
        if (way.does == Does::Tunes && input.aims.empty() && moved.scale.unit == Unit::Hertz)
            found.push_back({&way, amount, gain, true});
    }
    return found;
}

int widthMovedBy(const Walk& walk, const Way& way) {
    const BlockType& type = *walk.map.node(way.node).type;
    const auto& ways = walk.map.ways(way.node);
    const auto moved = std::ranges::count_if(
        ways, [&](const Way& other) { return other.input == way.input && other.does == Does::Moves; });
    if (way.does != Does::Moves || moved == std::ssize(type.outputs)) return -1;
    for (const Aim& aim : type.inputs[idx(way.input)].aims) {
        const auto control = std::ranges::find(type.controls, aim.control, &ControlSpec::id);
        if (control != type.controls.end() && control->scale.unit == Unit::Percent && control->scale.min == 0.0)
            return static_cast<int>(control - type.controls.begin());
    }
    return -1;
}

std::vector<double> movedBy(const Walk& walk, const std::vector<Mover>& movers) {
    std::vector<double> moved;
    for (const Mover& mover : movers) {
        const auto volts = walk.volts(*mover.way);
        moved.resize(std::max(moved.size(), (volts.size() + kLookEvery - 1) / kLookEvery), 0.0);
        for (std::size_t i = 0; i * kLookEvery < volts.size(); ++i)
            moved[i] += mover.perVolt * static_cast<double>(volts[i * kLookEvery]);
    }
    return moved;
}

} // namespace lariat
