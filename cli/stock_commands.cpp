// stock: what a case can do, what is left of it, and what is done to it.
#include "building/rehouse.h"
#include "cli/commands.h"
#include "library/check.h"
#include "model/file.h"
#include "plan/stand_ins.h"
#include "stock/case_edits.h"
#include "stock/ledger.h"

#include <iostream>

#include <CLI/CLI.hpp>
#include <fmt/format.h>

namespace lariat::cli {
namespace {

struct CaseOptions {
    std::string housing;
    std::filesystem::path out;
    bool keep = false;

    void addTo(CLI::App& command) {
        command.add_option("case", housing, "Id of a case, or a case file")->required();
        command.add_option("--out", out, "Write the case here")->check(notEmpty);
        command.add_flag("--keep", keep, "Keep it in your own folder, where the program finds it");
    }
    [[nodiscard]] Case read(const Workspace& workspace) const {
        if (housing.ends_with(".json")) {
            auto read = readFile(housing).and_then([](const std::string& bytes) { return readCase(bytes); });
            if (!read) {
                read.error().file = housing;
                throw Failed{read.error()};
            }
            return need(fitCase(std::move(*read), workspace.library));
        }
        const auto it = workspace.cases.find(housing);
        if (it == workspace.cases.end()) {
            std::vector<std::string> names;
            for (const auto& [id, one] : workspace.cases) names.push_back(id);
            refuse(fmt::format("there is no case \"{}\"; there are {}", housing, fmt::join(names, ", ")));
        }
        return it->second;
    }
    void write(const Result<Case>& changed) const {
        const Case housing_ = need(changed);
        if (out.empty() && !keep) refuse("say where the case goes with --out, or keep it with --keep");
        if (keep) need(keepCase(housing_, ownDataFolder()));
        if (!out.empty()) need(writeFile(out, writeCase(housing_), FileKind::Document));
    }
};

Json cellsJson(const std::vector<LedgerCell>& cells) {
    Json out = Json::array();
    for (const LedgerCell& cell : cells)
        out.push_back({{"name", cell.name},
                       {"slot", cell.seat.slot},
                       {"used", cell.used},
                       {"by", cell.voice},
                       {"post", cell.post},
                       {"rows", cell.rows}});
    return out;
}

void addShow(CLI::App& stock, Context& context) {
    struct Options {
        std::filesystem::path patch;
        std::string housing;
    };
    auto options = std::make_shared<Options>();
    auto* command = stock.add_subcommand("show", "The ledger: by function, what is in use, by whom, and what is left");
    giveExamples(
        *command,
        "  lariat-cli stock show --patch data/demo/lamp.json\n  lariat-cli stock show --case tower-case --json");
    command->add_option("--patch", options->patch, "Patch that uses the case");
    command->add_option("--case", options->housing, "Case, if there is no patch");
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Functions functions = context.functions();
        Patch patch;
        patch.caseId = options->housing;
        if (!options->patch.empty()) patch = need(openPatch(options->patch, workspace.library));
        const Case* housing = workspace.housing(patch);
        if (!housing) refuse(fmt::format("there is no case \"{}\"", patch.caseId));
        const Ledger ledger = ledgerOf(patch, workspace.library, functions, *housing);
        Json lines = Json::array();
        for (const LedgerLine& line : ledger.lines) {
            lines.push_back({{"function", line.function->id},
                             {"name", line.function->name},
                             {"free", line.free()},
                             {"cells", cellsJson(line.cells)},
                             {"stand-ins", cellsJson(line.standIns)}});
            if (context.json) continue;
            fmt::print("{:<22} {:>3} of {:<3} free", line.function->name, line.free(), line.cells.size());
            if (!line.standIns.empty()) fmt::print(", {} could stand in", line.standIns.size());
            fmt::print("\n");
            for (const LedgerCell& cell : line.cells)
                if (cell.used) fmt::print("    {}: {}\n", cell.name, cell.voice);
        }
        Json cables = Json::array();
        for (const CableLine& line : ledger.cables) {
            cables.push_back({{"length", line.stock.lengthCm},
                              {"colour", line.stock.colour},
                              {"owned", line.stock.count},
                              {"used", line.used}});
            if (!context.json)
                fmt::print("{} cm {}: {} of {} left\n", line.stock.lengthCm, line.stock.colour,
                           line.stock.count - line.used, line.stock.count);
        }
        Json rails = Json::array();
        for (const RailLine& rail : ledger.rails) {
            rails.push_back({{"rail", rail.name},
                             {"of", rail.of},
                             {"load", rail.load},
                             {"there", rail.there},
                             {"at-switch-on", rail.atSwitchOn()}});
            if (!context.json)
                fmt::print("{}{}: {:.0f} of {:.0f} mA, at switch-on up to {:.0f}\n",
                           rail.of.empty() ? "" : rail.of + ", ", rail.name, rail.load, rail.there, rail.atSwitchOn());
        }
        if (!context.json) {
            fmt::print("{} of {} cables in use, {} plugs stand on another{}\n", ledger.cablesUsed, ledger.cablesOwned,
                       ledger.stacked,
                       ledger.stackable > 0 ? fmt::format("; {} cables are stackable", ledger.stackable)
                                            : std::string());
            for (std::size_t row = 0; row < ledger.freeColumns.size(); ++row)
                fmt::print("row {}: {} HP free\n", row + 1, ledger.freeColumns[row]);
            for (const Slot* slot : ledger.borrowed)
                fmt::print("borrowed: {} from {}{}\n", slot->module, slot->from,
                           slot->since.empty() ? "" : ", since " + slot->since);
            return;
        }
        Json borrowed = Json::array();
        for (const Slot* slot : ledger.borrowed)
            borrowed.push_back(
                {{"slot", slot->id}, {"module", slot->module}, {"from", slot->from}, {"since", slot->since}});
        std::cout << dump({{"case", housing->id},
                           {"lines", lines},
                           {"cables", cables},
                           {"cables-owned", ledger.cablesOwned},
                           {"cables-used", ledger.cablesUsed},
                           {"stacked", ledger.stacked},
                           {"stackable", ledger.stackable},
                           {"rails", rails},
                           {"free-columns", ledger.freeColumns},
                           {"borrowed", borrowed}});
    });
}

void addNew(CLI::App& stock, Context& context) {
    struct Options {
        std::string name;
        int rows = 2, hp = 84;
        double plus12 = 1200, minus12 = 1000, plus5 = 500;
        std::filesystem::path out;
        bool keep = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = stock.add_subcommand("new", "An empty case");
    giveExamples(*command, "  lariat-cli stock new \"Small case\" --rows 1 --hp 84 --out small.json");
    command->add_option("name", options->name, "Its name")->required();
    command->add_option("--rows", options->rows, "Rows");
    command->add_option("--hp", options->hp, "HP a row");
    command->add_option("--plus12", options->plus12, "mA on +12 V");
    command->add_option("--minus12", options->minus12, "mA on -12 V");
    command->add_option("--plus5", options->plus5, "mA on +5 V");
    command->add_option("--out", options->out, "Write the case here")->check(notEmpty);
    command->add_flag("--keep", options->keep, "Keep it in your own folder");
    command->callback([options, &context] {
        (void)context;
        CaseOptions target{{}, options->out, options->keep};
        target.write(
            newCase(options->name, options->rows, options->hp, {options->plus12, options->minus12, options->plus5}));
    });
}

void addChanges(CLI::App& stock, Context& context) {
    struct Options : CaseOptions {
        std::string what, from, since, colour;
        int row = 0, column = 0, length = 0, count = 0, stackable = -1;
        bool loose = false, off = false;
    };
    const auto command = [&](const char* name, const char* about, const char* example) {
        auto options = std::make_shared<Options>();
        auto* made = stock.add_subcommand(name, about);
        giveExamples(*made, example);
        options->addTo(*made);
        return std::pair(made, options);
    };
    {
        auto [made, options] = command("add", "One more module: at a place, else in the first gap, else in the bag",
                                       "  lariat-cli stock add keepers-case --module mussel-gates --out mine.json");
        made->add_option("--module", options->what, "Id of the module")->required();
        made->add_option("--row", options->row, "Row");
        made->add_option("--column", options->column, "HP from the left");
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            std::optional<CasePlace> place;
            if (options->row > 0) place = CasePlace{options->row, std::max(1, options->column)};
            options->write(withModule(options->read(workspace), workspace.library, options->what, place));
        });
    }
    {
        auto [made, options] =
            command("move", "A module to another place, or into the bag",
                    "  lariat-cli stock move keepers-case --slot swell --row 2 --column 90 --out mine.json");
        made->add_option("--slot", options->what, "Slot of the module")->required();
        made->add_option("--row", options->row, "Row");
        made->add_option("--column", options->column, "HP from the left");
        made->add_flag("--loose", options->loose, "Into the bag");
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            Case housing = options->read(workspace);
            options->write(options->loose ? withLoose(std::move(housing), options->what)
                                          : withMoved(std::move(housing), workspace.library, options->what,
                                                      {options->row, options->column}));
        });
    }
    {
        auto [made, options] =
            command("out", "Without a module", "  lariat-cli stock out keepers-case --slot swell --out mine.json");
        made->add_option("--slot", options->what, "Slot of the module")->required();
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            options->write(withoutModule(options->read(workspace), options->what));
        });
    }
    {
        auto [made, options] = command("borrow", "A module is borrowed, or one's own again",
                                       "  lariat-cli stock borrow keepers-case --slot skerry --from \"the studio\" "
                                       "--since 2026-11-03 --out mine.json");
        made->add_option("--slot", options->what, "Slot of the module")->required();
        made->add_option("--from", options->from, "Whom or where from; without it, it is one's own");
        made->add_option("--since", options->since, "Since when");
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            options->write(withBorrowed(options->read(workspace), options->what, options->from, options->since));
        });
    }
    {
        auto [made, options] =
            command("join", "Two cases as one, the second below the first, each with its own supply",
                    "  lariat-cli stock join keepers-case --with tower-case --name \"Both cases\" --keep");
        made->add_option("--with", options->what, "The other case")->required();
        made->add_option("--name", options->from, "Name of both together")->required();
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            const auto other = workspace.cases.find(options->what);
            if (other == workspace.cases.end()) refuse(fmt::format("there is no case \"{}\"", options->what));
            options->write(joinedCase(options->read(workspace), other->second, options->from));
        });
    }
    {
        auto [made, options] =
            command("cables", "So many cables of a length and colour",
                    "  lariat-cli stock cables keepers-case --length 30 --colour blue --count 14 --out mine.json");
        auto* length = made->add_option("--length", options->length, "cm");
        auto* colour = made->add_option("--colour", options->colour, "Colour");
        auto* count = made->add_option("--count", options->count, "How many");
        length->needs(colour)->needs(count);
        made->add_option("--stackable", options->stackable, "How many of all take another plug on theirs");
        made->callback([options = options, &context] {
            const Workspace workspace = context.workspace();
            if (options->length == 0 && options->stackable < 0)
                refuse("say --length, --colour and --count, or --stackable");
            Result<Case> changed = options->read(workspace);
            if (options->length != 0)
                changed = withCables(std::move(*changed), options->length, options->colour, options->count);
            if (changed && options->stackable >= 0) changed = withStackables(std::move(*changed), options->stackable);
            options->write(changed);
        });
    }
}

void addRehouse(CLI::App& stock, Context& context) {
    struct Options : Destination {
        std::string to;
        bool standIns = false;
    };
    auto options = std::make_shared<Options>();
    auto* command = stock.add_subcommand("rehouse", "A patch in another case: what moves where, and what is missing");
    giveExamples(*command,
                 "  lariat-cli stock rehouse data/demo/lamp.json --to tower-case --out lamp-in-the-tower.json");
    command->add_option("patch", options->file, "Patch file")->required();
    command->add_option("--to", options->to, "The other case")->required();
    command->add_flag("--stand-ins", options->standIns, "Let other parts play what that case does not have");
    options->addOptions(*command);
    command->callback([options, &context] {
        const Workspace workspace = context.workspace();
        const Patch patch = need(openPatch(options->file, workspace.library));
        const auto to = workspace.cases.find(options->to);
        if (to == workspace.cases.end()) refuse(fmt::format("there is no case \"{}\"", options->to));
        const Housed housed = options->standIns
                                  ? need(rehouseWithStandIns(patch, workspace.library, context.functions(), to->second))
                                  : Housed{need(rehouse(patch, workspace.library, to->second)), {}, 0.0};
        const Rehousing& moved = housed.moved;
        if (context.json) {
            Json standIns = Json::array();
            for (const StandIn& one : housed.standIns)
                standIns.push_back({{"post", one.post}, {"by", one.by}, {"because", one.because.str()}});
            Json moves = Json::array();
            for (const auto& one : moved.moves)
                moves.push_back({{"post", one.post}, {"from", one.from}, {"to", one.to}, {"same-kind", one.sameKind}});
            std::cout << dump({{"moves", moves},
                               {"missing", moved.missing},
                               {"cables-lost", moved.cablesLost},
                               {"stand-ins", standIns},
                               {"apart-db", housed.apart}});
        } else {
            for (const auto& one : moved.moves)
                fmt::print("{}: {} to {}{}\n", patch.post(one.post)->name, one.from, one.to,
                           one.sameKind ? "" : " (another kind)");
            for (const StandIn& one : housed.standIns)
                fmt::print("{}: {} {}\n", one.post, one.by,
                           one.because.empty() ? "does the same" : "stands in, " + one.because.str());
            if (!housed.standIns.empty()) fmt::print("what is heard is {:.1f} dB apart from here\n", housed.apart);
            for (const std::string& name : moved.missing) fmt::print("missing: {}\n", name);
            if (moved.cablesLost > 0)
                fmt::print("{} cable{} no end there\n", moved.cablesLost, moved.cablesLost == 1 ? " has" : "s have");
        }
        if (!options->out.empty() || options->inPlace) options->write(moved.patch);
        if (!moved.missing.empty()) context.exitCode = 1;
    });
}

} // namespace

void addStock(CLI::App& app, Context& context) {
    auto* stock = app.add_subcommand("stock", "What a case can do, and what is done to it: show, new, add, move, out, "
                                              "borrow, cables, rehouse");
    stock->require_subcommand(1);
    for (auto* add : {addShow, addNew, addChanges, addRehouse}) add(*stock, context);
}

} // namespace lariat::cli
