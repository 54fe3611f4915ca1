#include "model/case.h"

#include "model/json.h"

#include <algorithm>

namespace lariat {

const Slot* Case::slot(std::string_view wanted) const {
    const auto it = std::ranges::find(slots, wanted, &Slot::id);
    return it == slots.end() ? nullptr : &*it;
}

int Case::cableCount() const {
    int count = 0;
    for (const CableStock& stock : cables) count += stock.count;
    return count;
}

Result<Case> readCase(std::string_view bytes) {
    return readJson<Case>(bytes, "lariat-case", kCaseVersion, [](Reader& in) {
        Case out;
        out.id = in.id("id");
        out.name = in.text("name");
        out.rows = in.integer("rows", 1, 16);
        out.hpPerRow = in.integer("hp-per-row", 4, 512);
        Reader supply = in.object("supply");
        out.supply = {supply.number("plus12", 0, 1e5), supply.number("minus12", 0, 1e5),
                      supply.number("plus5", 0, 1e5, 0.0)};
        in.each("slots", [&](Reader slot) {
            const std::string id = slot.id("id");
            if (out.slot(id)) slot.fail("id", say("\"{}\" is the name of another slot already", id));
            out.slots.push_back(
                {id, slot.id("module"), slot.integer("row", 1, out.rows), slot.integer("column", 1, out.hpPerRow)});
        });
        in.each("cables", [&](Reader stock) {
            out.cables.push_back(
                {stock.integer("length", 1, 1000), stock.text("colour"), stock.integer("count", 0, 10'000)});
        });
        out.extra = in.rest();
        return out;
    });
}

} // namespace lariat
