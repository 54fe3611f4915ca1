#include "stock/ledger.h"

#include <algorithm>
#include <set>

namespace lariat {
namespace {

std::string cellName(const Seat& seat, const Library& library) {
    const ModuleInfo& module = *library.module(seat.module);
    std::string name = module.description.name;
    if (module.parts.size() > 1) name += ": " + seat.part->name;
    if (seat.provider->channels > 1) name += fmt::format(" {}", seat.channel);
    return name;
}

/// The jacks of the panel that belong to the seat alone.
std::set<std::string> jacksOf(const Seat& seat) {
    std::set<std::string> out;
    for (const JackInfo& jack : seat.part->jacks) {
        if (jack.at.block != seat.block) continue;
        if (seat.provider->channels == 1) {
            out.insert(jack.id);
            continue;
        }
        for (const auto& [word, own] : seat.provider->jacks)
            if (own.find("{n}") != std::string::npos)
                if (const JackInfo* mine = seat.jack(word, jack.output); mine == &jack) out.insert(jack.id);
    }
    return out;
}

LedgerCell cellOf(Seat seat, const Patch& patch, const Library& library) {
    LedgerCell cell{seat, cellName(seat, library), usesSeat(patch, seat) || holdsStepsOnly(patch, seat)};
    if (!cell.used) return cell;
    const Post& post = *postAt(patch, seat.slot, seat.part->id);
    cell.post = post.id;
    cell.voice = post.voice;
    const std::set<std::string> jacks = jacksOf(seat);
    std::set<std::string> voices;
    for (std::size_t i = 0; i < patch.cables.size(); ++i) {
        const Cable& cable = patch.cables[i];
        const bool from = cable.from.post == post.id && jacks.contains(cable.from.jack);
        const bool to = cable.to.post == post.id && jacks.contains(cable.to.jack);
        if (!from && !to) continue;
        cell.rows.push_back(static_cast<int>(i) + 1);
        voices.insert(cable.voice);
    }
    // What serves several voices goes by its own name.
    if (cell.voice.empty())
        cell.voice = voices.size() == 1 && seat.provider->channels > 1 ? *voices.begin() : post.name;
    if (cell.voice.empty()) cell.voice = post.name;
    return cell;
}

} // namespace

int LedgerLine::used() const {
    return static_cast<int>(std::ranges::count_if(cells, &LedgerCell::used));
}

double RailLine::atSwitchOn() const {
    return kSwitchOn * load;
}

Ledger ledgerOf(const Patch& patch, const Library& library, const Functions& functions, const Case& housing) {
    Ledger out;
    std::set<std::string> spoken; ///< blocks
    const auto addLine = [&](const Function& function) {
        LedgerLine line{&function, {}, {}};
        for (Seat& seat : seatsOf(function, library, housing)) {
            const bool standsIn = seat.provider->standsIn();
            LedgerCell cell = cellOf(std::move(seat), patch, library);
            if (!standsIn)
                line.cells.push_back(std::move(cell));
            else if (!cell.used)
                line.standIns.push_back(std::move(cell));
        }
        if (!line.cells.empty()) out.lines.push_back(std::move(line));
    };
    for (const Function& function : functions.all()) {
        if (function.id == "way-out") continue; // said as mixer channels and the line out itself
        addLine(function);
        for (const Provider& provider : function.providers)
            if (!provider.standsIn()) spoken.insert(provider.block);
    }
    for (const BlockType& type : blockTypes())
        if (!spoken.contains(type.id)) addLine(*functions.find(type.id));

    for (const CableStock& stock : housing.cables) out.cables.push_back({stock});
    std::ranges::stable_sort(out.cables, {}, [](const CableLine& line) { return line.stock.lengthCm; });
    std::map<JackRef, int> plugs;
    for (const Cable& cable : patch.cables) {
        ++out.cablesUsed;
        if (++plugs[cable.from] > 1) ++out.stacked;
        const auto line = std::ranges::find_if(out.cables, [&](const CableLine& one) {
            return one.stock.lengthCm == cable.lengthCm && one.stock.colour == cable.colour;
        });
        if (line != out.cables.end()) ++line->used;
    }
    out.cablesOwned = housing.cableCount();

    // A joined case has the supplies of its parts, each for its own rows.
    std::vector<JoinedPart> parts = housing.joined;
    if (parts.empty()) parts.push_back({{}, housing.rows, housing.supply});
    std::vector<Current> loads(parts.size());
    const auto partOf = [&](int row) {
        std::size_t part = 0;
        for (int last = parts[0].rows; row > last && part + 1 < parts.size(); last += parts[part].rows) ++part;
        return part;
    };
    out.stackable = housing.stackable;
    out.freeColumns.assign(static_cast<std::size_t>(housing.rows), housing.hpPerRow);
    for (const Slot& slot : housing.slots) {
        if (!slot.from.empty()) out.borrowed.push_back(&slot);
        if (slot.loose()) {
            out.loose.push_back(&slot);
            continue;
        }
        const ModuleInfo* module = library.module(slot.module);
        if (!module) continue;
        Current& load = loads[partOf(slot.row)];
        load.plus12 += module->description.current.plus12;
        load.minus12 += module->description.current.minus12;
        load.plus5 += module->description.current.plus5;
        out.freeColumns[static_cast<std::size_t>(slot.row - 1)] -= module->description.hp;
        for (const PartInfo& part : module->parts) {
            ++out.parts;
            if (postAt(patch, slot.id, part.id)) ++out.partsUsed;
        }
    }
    for (std::size_t i = 0; i < parts.size(); ++i) {
        const std::string& of = housing.joined.empty() ? std::string() : parts[i].name;
        out.rails.push_back({"+12 V", loads[i].plus12, parts[i].supply.plus12, of});
        out.rails.push_back({"-12 V", loads[i].minus12, parts[i].supply.minus12, of});
        out.rails.push_back({"+5 V", loads[i].plus5, parts[i].supply.plus5, of});
    }
    return out;
}

} // namespace lariat
