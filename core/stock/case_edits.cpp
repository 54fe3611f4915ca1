#include "stock/case_edits.h"

#include "library/words.h"
#include "model/file.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {
namespace {

int widthOf(const Library& library, const Slot& slot) {
    const ModuleInfo* module = library.module(slot.module);
    return module ? module->description.hp : 1;
}

std::string nameOf(const Library& library, const Slot& slot) {
    const ModuleInfo* module = library.module(slot.module);
    return module ? module->description.name : slot.module;
}

Slot* find(Case& housing, const std::string& id) {
    const auto it = std::ranges::find(housing.slots, id, &Slot::id);
    return it == housing.slots.end() ? nullptr : &*it;
}

tl::unexpected<Error> noSlot(const std::string& id) {
    return failure(say("there is no module \"{}\" in this case", id));
}

} // namespace

Result<Case> newCase(const std::string& name, int rows, int hpPerRow, const Current& supply) {
    Case out;
    out.id = idFrom(name);
    out.name = name;
    if (out.id.empty()) return failure(say("a case needs a name with letters or figures in it"));
    if (rows < 1 || rows > kMostRows) return failure(say("{} rows are not between 1 and {}", rows, kMostRows));
    if (hpPerRow < 4 || hpPerRow > kMostColumns)
        return failure(say("{} HP are not between 4 and {}", hpPerRow, kMostColumns));
    out.rows = rows;
    out.hpPerRow = hpPerRow;
    out.supply = supply;
    return out;
}

Result<Case> joinedCase(const Case& first, const Case& second, const std::string& name) {
    auto out = newCase(name, std::min(first.rows + second.rows, kMostRows), std::max(first.hpPerRow, second.hpPerRow),
                       {first.supply.plus12 + second.supply.plus12, first.supply.minus12 + second.supply.minus12,
                        first.supply.plus5 + second.supply.plus5});
    if (!out) return out;
    if (first.rows + second.rows > kMostRows)
        return failure(say("{} rows together are more than {}", first.rows + second.rows, kMostRows));
    if (first.slots.size() + second.slots.size() > kMostSlots)
        return failure(say("a case has at most {} modules", kMostSlots));
    out->slots = first.slots;
    for (Slot slot : second.slots) {
        const std::string id = slot.id;
        for (int n = 2; out->slot(slot.id); ++n) slot.id = fmt::format("{}-{}", id.substr(0, 60), n);
        if (!slot.loose()) slot.row += first.rows;
        out->slots.push_back(std::move(slot));
    }
    out->cables = first.cables;
    for (const CableStock& more : second.cables) {
        const auto there = std::ranges::find_if(out->cables, [&](const CableStock& stock) {
            return stock.lengthCm == more.lengthCm && stock.colour == more.colour;
        });
        if (there != out->cables.end())
            there->count += more.count;
        else
            out->cables.push_back(more);
    }
    std::ranges::stable_sort(out->cables, {}, &CableStock::lengthCm);
    out->stackable = first.stackable + second.stackable;
    for (const Case* one : {&first, &second}) {
        if (one->joined.empty())
            out->joined.push_back({one->name, one->rows, one->supply});
        else
            out->joined.insert(out->joined.end(), one->joined.begin(), one->joined.end());
    }
    return out;
}

std::vector<const Slot*> inTheWay(const Case& housing, const Library& library, const CasePlace& place, int hp,
                                  std::string_view self) {
    std::vector<const Slot*> out;
    for (const Slot& slot : housing.slots)
        if (slot.row == place.row && slot.id != self && slot.column < place.column + hp &&
            place.column < slot.column + widthOf(library, slot))
            out.push_back(&slot);
    return out;
}

std::optional<CasePlace> gapFor(const Case& housing, const Library& library, int hp) {
    for (int row = 1; row <= housing.rows; ++row)
        for (int column = 1; column + hp - 1 <= housing.hpPerRow;) {
            const auto blocked = inTheWay(housing, library, {row, column}, hp);
            if (blocked.empty()) return CasePlace{row, column};
            int next = column + 1;
            for (const Slot* slot : blocked) next = std::max(next, slot->column + widthOf(library, *slot));
            column = next;
        }
    return std::nullopt;
}

Result<Case> withModule(Case housing, const Library& library, const std::string& module,
                        std::optional<CasePlace> place) {
    const ModuleInfo* info = library.module(module);
    if (!info) return failure(say("there is no module \"{}\"", module));
    if (housing.slots.size() >= kMostSlots) return failure(say("a case has at most {} modules", kMostSlots));
    Slot slot{module.substr(0, 58), module, 0, 0};
    const std::string base = slot.id;
    for (int number = 2; housing.slot(slot.id); ++number) slot.id = fmt::format("{}-{}", base, number);
    const std::string id = slot.id;
    housing.slots.push_back(std::move(slot));
    if (!place) place = gapFor(housing, library, info->description.hp);
    if (!place) return housing; // in the bag
    return withMoved(std::move(housing), library, id, *place);
}

Result<Case> withMoved(Case housing, const Library& library, const std::string& slot, const CasePlace& place) {
    Slot* moved = find(housing, slot);
    if (!moved) return noSlot(slot);
    const int hp = widthOf(library, *moved);
    if (place.row < 1 || place.row > housing.rows)
        return failure(say("there is no row {}: this case has {}", place.row, housing.rows));
    if (place.column < 1 || place.column + hp - 1 > housing.hpPerRow)
        return failure(say("{} would stick out of row {}: it is {} HP wide", nameOf(library, *moved), place.row, hp));
    if (const auto others = inTheWay(housing, library, place, hp, slot); !others.empty())
        return failure(
            say("{} stands there already: move it first, or choose another place", nameOf(library, *others.front())));
    moved->row = place.row;
    moved->column = place.column;
    return housing;
}

Result<Case> withShoved(Case housing, const Library& library, const std::string& slot, int direction) {
    const Slot* moved = find(housing, slot);
    if (!moved) return noSlot(slot);
    if (moved->loose()) return failure(say("it lies in the bag: put it into a row first"));
    const int hp = widthOf(library, *moved);
    const auto isFree = [&](int column) {
        return column >= 1 && column + hp - 1 <= housing.hpPerRow &&
               inTheWay(housing, library, {moved->row, column}, hp, slot).empty();
    };
    int column = moved->column;
    while (isFree(column + direction)) column += direction;
    if (column == moved->column) { // at its neighbour already: past it
        do column += direction;
        while (column >= 1 && column + hp - 1 <= housing.hpPerRow && !isFree(column));
        if (!isFree(column)) return failure(say("there is no room on that side"));
    }
    const CasePlace place{moved->row, column};
    return withMoved(std::move(housing), library, slot, place);
}

Result<Case> withLoose(Case housing, const std::string& slot) {
    Slot* moved = find(housing, slot);
    if (!moved) return noSlot(slot);
    moved->row = 0;
    moved->column = 0;
    return housing;
}

Result<Case> withoutModule(Case housing, const std::string& slot) {
    if (!find(housing, slot)) return noSlot(slot);
    std::erase_if(housing.slots, [&](const Slot& one) { return one.id == slot; });
    return housing;
}

Result<Case> withBorrowed(Case housing, const std::string& slot, const std::string& from, const std::string& since) {
    Slot* one = find(housing, slot);
    if (!one) return noSlot(slot);
    one->from = from;
    one->since = from.empty() ? std::string() : since;
    return housing;
}

Result<Case> withCables(Case housing, int lengthCm, const std::string& colour, int count) {
    if (lengthCm < 1 || lengthCm > 1000) return failure(say("{} cm are not between 1 and 1000", lengthCm));
    if (colour.empty()) return failure(say("cables need a colour, to be told from others"));
    if (count < 0 || count > 10'000) return failure(say("{} cables are not between 0 and 10000", count));
    const auto it = std::ranges::find_if(
        housing.cables, [&](const CableStock& stock) { return stock.lengthCm == lengthCm && stock.colour == colour; });
    if (it != housing.cables.end())
        it->count = count;
    else
        housing.cables.push_back({lengthCm, colour, count});
    std::erase_if(housing.cables, [](const CableStock& stock) { return stock.count == 0; });
    std::ranges::stable_sort(housing.cables, {}, &CableStock::lengthCm);
    return housing;
}

Result<Case> withStackables(Case housing, int count) {
    if (count < 0 || count > 100'000) return failure(say("{} cables are not between 0 and {}", count, 100'000));
    if (count > housing.cableCount())
        return failure(say("{} stackable cables are more than the {} there are", count, housing.cableCount()));
    housing.stackable = count;
    return housing;
}

Result<Case> withSize(Case housing, const Library& library, int rows, int hpPerRow) {
    if (rows < 1 || rows > kMostRows) return failure(say("{} rows are not between 1 and {}", rows, kMostRows));
    if (hpPerRow < 4 || hpPerRow > kMostColumns)
        return failure(say("{} HP are not between 4 and {}", hpPerRow, kMostColumns));
    if (!housing.joined.empty() && rows != housing.rows)
        return failure(say("{} is joined from {} cases, each with its rows: change those, and join them anew",
                           housing.name, housing.joined.size()));
    for (const Slot& slot : housing.slots)
        if (slot.row > rows || (!slot.loose() && slot.column + widthOf(library, slot) - 1 > hpPerRow))
            return failure(say("{} would have no place any more: move it first", nameOf(library, slot)));
    housing.rows = rows;
    housing.hpPerRow = hpPerRow;
    return housing;
}

Result<void> keepCase(const Case& housing, const std::filesystem::path& own) {
    if (own.empty()) return failure(say("there is no folder of your own to keep it in: set HOME"));
    std::error_code problem;
    std::filesystem::create_directories(own / "cases", problem);
    return writeFile(own / "cases" / (housing.id + ".json"), writeCase(housing), FileKind::Document);
}

} // namespace lariat
