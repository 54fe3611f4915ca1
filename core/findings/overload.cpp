// Rail or width overloaded: the case draws more than its supply gives, or holds more than fits into a row.
#include "findings/rules.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {

Findings findOverload(const Observation& o) {
    Findings out;
    if (!o.housing || o.patch.posts.empty()) return out;
    Current drawn;
    std::map<int, int> widths;
    for (const Slot& slot : o.housing->slots) {
        const ModuleInfo* module = slot.loose() ? nullptr : o.library->module(slot.module);
        if (!module) continue;
        drawn.plus12 += module->description.current.plus12;
        drawn.minus12 += module->description.current.minus12;
        drawn.plus5 += module->description.current.plus5;
        widths[slot.row] += module->description.hp;
    }
    const auto report = [&](Sentence figure, Sentence reason) {
        out.push_back({"overload", Severity::Mistake, 0, "", std::move(figure), std::move(reason), {}});
    };
    const auto rail = [&](const char* name, double used, double there) {
        if (used > there)
            report(
                say("{:.0f} mA on {}, {:.0f} mA are there", used, name, there),
                say("{} draws more than its supply gives on this rail. Switch off before anything is unplugged; leave "
                    "mains work to qualified people.",
                    o.housing->name));
    };
    rail("+12 V", drawn.plus12, o.housing->supply.plus12);
    rail("-12 V", drawn.minus12, o.housing->supply.minus12);
    rail("+5 V", drawn.plus5, o.housing->supply.plus5);
    for (const auto& [row, hp] : widths)
        if (hp > o.housing->hpPerRow)
            report(say("{} HP in row {}, {} fit", hp, row, o.housing->hpPerRow),
                   say("The modules of this row of {} do not fit beside each other.", o.housing->name));
    return out;
}

} // namespace lariat
