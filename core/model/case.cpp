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
        out.rows = in.integer("rows", 1, kMostRows);
        out.hpPerRow = in.integer("hp-per-row", 4, kMostColumns);
        Reader supply = in.object("supply");
        out.supply = {supply.number("plus12", 0, 1e5), supply.number("minus12", 0, 1e5),
                      supply.number("plus5", 0, 1e5, 0.0)};
        in.each("slots", [&](Reader slot) {
            const std::string id = slot.id("id");
            if (out.slot(id)) slot.fail("id", say("\"{}\" is the name of another slot already", id));
            if (out.slots.size() >= kMostSlots) slot.fail("id", say("a case has at most {} modules", kMostSlots));
            const int row = slot.integer("row", 0, out.rows);
            out.slots.push_back({id,
                                 slot.id("module"),
                                 row,
                                 row > 0 ? slot.integer("column", 1, out.hpPerRow) : slot.integer("column", 0, 0, 0),
                                 slot.text("borrowed-from", ""),
                                 slot.text("since", ""),
                                 {}});
            out.slots.back().extra = slot.rest();
        });
        in.each("cables", [&](Reader stock) {
            out.cables.push_back(
                {stock.integer("length", 1, 1000), stock.text("colour"), stock.integer("count", 0, 10'000)});
        });
        out.stackable = in.integer("stackable", 0, 100'000, 0);
        int rows = 0;
        in.each("joined", [&](Reader part) {
            JoinedPart one{part.text("name"), part.integer("rows", 1, kMostRows), {}};
            Reader own = part.object("supply");
            one.supply = {own.number("plus12", 0, 1e5), own.number("minus12", 0, 1e5),
                          own.number("plus5", 0, 1e5, 0.0)};
            rows += one.rows;
            out.joined.push_back(std::move(one));
        });
        if (!out.joined.empty() && rows != out.rows)
            in.fail("joined", say("its parts have {} rows together, the case {}", rows, out.rows));
        out.extra = in.rest();
        return out;
    });
}

std::string writeCase(const Case& housing) {
    Json out{{"format", "lariat-case"}, {"version", kCaseVersion}, {"id", housing.id},
             {"name", housing.name},    {"rows", housing.rows},    {"hp-per-row", housing.hpPerRow}};
    const auto supply = [](const Current& one) {
        return Json{{"plus12", one.plus12}, {"minus12", one.minus12}, {"plus5", one.plus5}};
    };
    out["supply"] = supply(housing.supply);
    for (const JoinedPart& part : housing.joined)
        out["joined"].push_back({{"name", part.name}, {"rows", part.rows}, {"supply", supply(part.supply)}});
    if (housing.stackable > 0) out["stackable"] = housing.stackable;
    Json slots = Json::array();
    for (const Slot& slot : housing.slots) {
        Json one{{"id", slot.id}, {"module", slot.module}, {"row", slot.row}};
        if (!slot.loose()) one["column"] = slot.column;
        if (!slot.from.empty()) one["borrowed-from"] = slot.from;
        if (!slot.since.empty()) one["since"] = slot.since;
        putBack(one, slot.extra);
        slots.push_back(std::move(one));
    }
    out["slots"] = std::move(slots);
    Json cables = Json::array();
    for (const CableStock& stock : housing.cables)
        cables.push_back({{"length", stock.lengthCm}, {"colour", stock.colour}, {"count", stock.count}});
    out["cables"] = std::move(cables);
    putBack(out, housing.extra);
    return dump(out);
}

} // namespace lariat
